<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\GroupedModel;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;

/**
 * Each shot says one thing: it lies on its line. A line that is marked on site with an error of its own is one unknown for all its shots: how far it lies to the
 * right of where the design has it, nothing within its deviation. What is sighted of control beside them enters as ever.
 */
final readonly class GridLinesModel implements GroupedModel
{
    /** @var array<string, SiteLine> lines that may lie beside themselves, by name */
    private array $loose;

    /** @param  list<LineShot>  $shots */
    public function __construct(
        private array $shots,
        private StationModel $control,
        private Position $origin,
        private Accuracy $accuracy,
    ) {
        $loose = [];
        foreach ($shots as $shot) {
            if ($shot->line->deviation > 0.0) {
                $loose[$shot->line->name] = $shot->line;
            }
        }
        $this->loose = $loose;
    }

    /**
     * @param  list<float>  $unknowns  of the station
     * @return list<float> with those of the lines
     */
    public function start(array $unknowns): array
    {
        return [...$unknowns, ...array_fill(0, count($this->loose), 0.0)];
    }

    /** One group for each sight, one for each line that may lie beside itself, then one for each shot in use: how far it is off its line, metres. */
    public function blocksAt(array $unknowns): array
    {
        $more = array_fill(0, count($this->loose), 0.0);
        $blocks = array_map(
            static fn (ObservationGroup $g) => new ObservationGroup(array_map(static fn (array $row) => [...$row, ...$more], $g->rows), $g->misclosures, $g->covariance),
            $this->control->blocksAt(array_slice($unknowns, 0, count($unknowns) - count($more))),
        );
        foreach ($this->loose as $line) {
            $row = array_fill(0, count($unknowns), 0.0);
            $row[$this->at($line, $unknowns)] = 1.0;
            $blocks[] = new ObservationGroup([array_values($row)], [-$unknowns[$this->at($line, $unknowns)]], [[$line->deviation ** 2]]);
        }
        foreach ($this->shots as $shot) {
            $blocks[] = $this->blockOf($shot, $unknowns);
        }

        return $blocks;
    }

    /**
     * Where a line stands among the unknowns.
     *
     * @param  list<float>  $unknowns
     */
    private function at(SiteLine $line, array $unknowns): int
    {
        return count($unknowns) - count($this->loose) + (int) array_search($line->name, array_map(strval(...), array_keys($this->loose)), true);
    }

    /** @param  list<float>  $unknowns */
    private function blockOf(LineShot $shot, array $unknowns): ObservationGroup
    {
        [$d, $o] = [$shot->sight->distance, (int) $this->control->orientation];
        $azimuth = $shot->sight->circle + $unknowns[$o];
        $across = $shot->line->azimuth() + M_PI_2;
        $found = (new Position($this->origin->northing + $unknowns[0], $this->origin->easting + $unknowns[1]))->along($azimuth, $d);
        $row = array_fill(0, count($unknowns), 0.0);
        [$row[0], $row[1], $row[$o]] = [cos($across), sin($across), $d * sin($across - $azimuth)];
        $along = cos($across - $azimuth) ** 2;
        $variance = $along * ($this->accuracy->distance ** 2 + ($this->accuracy->distancePpm * 1e-6 * $d) ** 2)
            + (1 - $along) * ($d * $this->accuracy->angle * $shot->angleFactor) ** 2 + $this->accuracy->centring ** 2;
        $beside = 0.0;
        if (isset($this->loose[$shot->line->name])) {
            $at = $this->at($shot->line, $unknowns);
            $row[$at] = -1.0;
            $beside = $unknowns[$at];
        }

        return new ObservationGroup([array_values($row)], [$beside - $shot->line->right($found)], [[$variance]]);
    }
}
