<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\GroupedModel;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;

/** Each shot says one thing: it lies on its line. What is sighted of control beside them enters as ever. */
final readonly class GridLinesModel implements GroupedModel
{
    /** @param  list<LineShot>  $shots */
    public function __construct(
        private array $shots,
        private StationModel $control,
        private Position $origin,
        private Accuracy $accuracy,
    ) {}

    /** One group for each sight, then one for each shot in use: how far it is off its line, metres. */
    public function blocksAt(array $unknowns): array
    {
        $blocks = $this->control->blocksAt($unknowns);
        foreach ($this->shots as $shot) {
            $blocks[] = $this->blockOf($shot, $unknowns);
        }

        return $blocks;
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
            + (1
                - $along) * ($d * $this->accuracy->angle * $shot->angleFactor) ** 2 + $this->accuracy->centring ** 2 + $shot->line->deviation ** 2;

        return new ObservationGroup([array_values($row)], [-$shot->line->right($found)], [[$variance]]);
    }
}
