<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\Compass;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Units\LengthStyle;

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
        private LengthStyle $length,
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
                $found[] = $this->tried(Cause::AnotherStation, $name, $this->on->onto($name, $place), "The instrument stands on “{$name}”, and “{$this->on->name}” was named.", "Look at the mark under the tripod; then name “{$name}” as the station, or set up over “{$this->on->name}”.");
            }
        }

        return $found;
    }

    /** @return list<Explanation|null> */
    private function listed(Position $stands): array
    {
        $listed = new Listed($this->length);
        $name = $this->on->name;
        $found = [];
        if (Listed::exchanged($this->on->mark)->distanceTo($stands) < self::NEAR) {
            $found[] = $this->tried(Cause::Exchanged, $name, $this->on->onto($name, Listed::exchanged($this->on->mark)), "Northing and easting of “{$name}”, under the tripod, are exchanged in the control.", 'Exchange them in the control, after a look at the site surveyor’s list.');
        }
        foreach ($listed->slips($this->on->mark->at(null), $stands, 0.02, 0.0) as [$word, $place, $fits]) {
            $found[] = $this->tried(Cause::CoordinateDigit, $name, $this->on->onto($name, $place->at($this->on->mark->elevation)), "The $word of “{$name}”, under the tripod, was written wrong: $fits", 'Compare it with the site surveyor’s list, and mend the control there and here.');
        }

        return $found;
    }

    private function shifted(Position $stands): ?Explanation
    {
        $off = $this->on->mark->distanceTo($stands);
        $there = $this->on->onto($this->on->name, new Position($stands->northing, $stands->easting, $this->on->mark->elevation));

        return $this->tried(
            Cause::StationShifted, $this->on->name, $there, sprintf('The instrument stands %s from where the control has “%s”, toward %s.', $this->length->formatDeviation($off), $this->on->name, Compass::word($this->on->mark->azimuthTo($stands))),
            "Look whether it is centred over “{$this->on->name}”, and whether that is the mark. If it is, its coordinates are wrong: set up free on the sights, and tell the site surveyor.", 2, $off,
        );
    }

    private function tried(Cause $cause, string $name, Occupied $on, string $sentence, string $remedy, int $assumed = 0, ?float $size = null): ?Explanation
    {
        $figure = TriedStation::solve($this->sights, $this->accuracy, $on);

        return $figure === null ? null : new Explanation($cause, [$name], $sentence, $remedy, $figure->squares(), $figure->redundancy() - $assumed, $assumed, $figure, null, $size);
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
        $only = count($this->sights) === 1 ? $this->sights[0]->name : null;
        $comes = sprintf('%s too %s', $this->length->formatDeviation(abs($off)), $off < 0 ? 'high' : 'low');

        return [...array_filter([$this->otherwise()]), new Explanation(
            Cause::InstrumentHeight, [], $only === null ? "All sights come out $comes alike: the instrument height, the height of all targets, or the elevation of “{$this->on->name}” is wrong by that."
                : "“{$only}” comes out $comes: the instrument height, the target height, or the elevation of “{$this->on->name}” or “{$only}” is wrong by that.",
            'Measure the instrument height again, then the target height. If both are right, the elevation of the station is not: ask the site surveyor.',
            $loose->squares(), $loose->redundancy(), 1, $loose, $off, abs($off),
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
        $sentence = $this->on->slanted === null
            ? sprintf('The instrument height was measured slanted and read as straight: %s to the notch is %s straight, and that fits.', $this->length->format($this->on->instrumentHeight), $this->length->format($other))
            : sprintf('The instrument height was measured straight and read as slanted: %s straight fits.', $this->length->format($other));

        return new Explanation(Cause::HeightOtherwise, [], $sentence, 'Look how the tape was held; then say so beside the instrument height.', $figure->squares(), $figure->redundancy(), 0, $figure, $other - $this->on->instrumentHeight);
    }
}
