<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Units\LengthUnit;

/** What is wrong with the mark that the instrument stands on, or with its height over it. */
final readonly class StationBlunders
{
    /** Another mark or another figure is looked for this near to where a free station comes to lie, metres. */
    private const NEAR = 0.5;

    /**
     * @param  list<ControlSight>  $sights
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    public function __construct(
        private Occupied $on,
        private array $sights,
        private array $control,
        private Accuracy $accuracy,
        private LengthUnit $written,
    ) {}

    /** @return list<Explanation> */
    public function explain(): array
    {
        return [...$this->heights(), ...$this->place()];
    }

    /**
     * Where it stands instead, told by the sights alone.
     *
     * @return list<Explanation>
     */
    private function place(): array
    {
        $free = TriedStation::solve($this->sights, $this->accuracy);
        if ($free === null) {
            return [];
        }
        $axis = $free->station->mark;
        $stands = $axis->elevation === null ? $axis : $axis->at($axis->elevation - $this->on->instrumentHeight);

        return array_values(array_filter([...$this->anotherStation($stands), ...$this->listed($stands), $this->shifted($stands)]));
    }

    /** @return list<Explanation|null> */
    private function anotherStation(Position $stands): array
    {
        $found = [];
        foreach ($this->control as $name => $place) {
            $name = (string) $name;
            if ($name !== $this->on->name && $place->distanceTo($stands) < self::NEAR) {
                $found[] = $this->tried(
                    Cause::AnotherStation, $name, $this->on->onto($name, $place), new Details(station: $this->on->name),
                );
            }
        }

        return $found;
    }

    /** @return list<Explanation|null> */
    private function listed(Position $stands): array
    {
        $listed = new Listed($this->written);
        $name = $this->on->name;
        $found = [];
        if (Listed::exchanged($this->on->mark)->distanceTo($stands) < self::NEAR) {
            $found[] = $this->tried(
                Cause::Exchanged, $name, $this->on->onto($name, Listed::exchanged($this->on->mark)), new Details(station: $name),
            );
        }
        foreach ($listed->slips($this->on->mark->at(null), $stands, 0.02, 0.0) as $slip) {
            $found[] = $this->tried(
                Cause::CoordinateDigit, $name, $this->on->onto($name, $slip->place->at($this->on->mark->elevation)),
                new Details(slip: $slip, station: $name),
            );
        }

        return $found;
    }

    private function shifted(Position $stands): ?Explanation
    {
        $off = $this->on->mark->distanceTo($stands);
        $there = $this->on->onto($this->on->name, new Position($stands->northing, $stands->easting, $this->on->mark->elevation));

        return $this->tried(
            Cause::StationShifted, $this->on->name, $there,
            new Details(by: $off, toward: $this->on->mark->azimuthTo($stands), station: $this->on->name), 2, $off,
        );
    }

    private function tried(Cause $cause, string $name, Occupied $on, Details $details, int $assumed = 0, ?float $size = null): ?Explanation
    {
        $figure = TriedStation::solve($this->sights, $this->accuracy, $on);

        return $figure === null ? null : new Explanation(
            cause: $cause,
            sights: [$name],
            details: $details,
            squares: $figure->squares(),
            redundancy: $figure->redundancy() - $assumed,
            assumed: $assumed,
            figure: $figure,
            value: null,
            size: $size,
        );
    }

    /** @return list<Explanation> */
    private function heights(): array
    {
        $loose = TriedStation::solve($this->sights, $this->accuracy, $this->on->inPlanOnly());
        $said = $this->on->mark->elevation;
        if ($loose === null || $said === null || $loose->station->mark->elevation === null) {
            return [];
        }
        $off = $loose->station->mark->elevation - $said;
        // Of one sight its own target and elevation may be wrong as well.
        $alone = count($this->sights) === 1 ? $this->sights[0]->name : null;

        return [...array_filter([$this->otherwise()]), new Explanation(
            cause: Cause::InstrumentHeight,
            sights: [],
            details: new Details(by: -$off, station: $this->on->name, alone: $alone),
            squares: $loose->squares(),
            redundancy: $loose->redundancy(),
            assumed: 1,
            figure: $loose,
            value: $off,
            size: abs($off),
        )];
    }

    /** The tape was held slanted and read as straight, or the other way about. */
    private function otherwise(): ?Explanation
    {
        $other = $this->on->heightOtherwise();
        $figure = $other === null ? null : TriedStation::solve($this->sights, $this->accuracy, $this->on->high($other));
        if ($other === null || $figure === null) {
            return null;
        }
        $details = new Details(instrumentHeight: $this->on->instrumentHeight, otherwise: $other, wasSlanted: $this->on->slanted !== null);

        return new Explanation(
            Cause::HeightOtherwise, [], $details, $figure->squares(), $figure->redundancy(), 0, $figure,
            $other - $this->on->instrumentHeight,
        );
    }
}
