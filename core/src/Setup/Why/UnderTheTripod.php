<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Units\LengthStyle;

/** What is wrong with the mark that the instrument stands on, or with its height over it. */
final readonly class UnderTheTripod
{
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
        return [...$this->heights(), ...$this->anotherStation()];
    }

    /** @return list<Explanation> */
    private function anotherStation(): array
    {
        $free = count($this->sights) < 2 ? null : Figure::solve($this->sights, $this->accuracy);
        if ($free === null || ! $free->passes()) {
            return [];
        }
        $spread = hypot(sqrt($free->cofactors[0][0] + $free->cofactors[1][1]), $this->on->planError($this->accuracy));
        $found = [];
        foreach ($this->control as $name => $place) {
            if ((string) $name !== $this->on->name && $place->distanceTo($free->axis) < Spread::WITHIN * $spread) {
                $found[] = Explanation::scored(Cause::AnotherStation, [(string) $name], $free, 0, 0.0, "The instrument stands on “{$name}”, and “{$this->on->name}” was named.", "Look at the mark under the tripod; then name “{$name}” as the station, or set up over “{$this->on->name}”.");
            }
        }

        return $found;
    }

    /** @return list<Explanation> */
    private function heights(): array
    {
        $loose = Figure::solve($this->sights, $this->accuracy, $this->on->inPlanOnly());
        $said = $this->on->axis()->elevation;
        if ($loose === null || $said === null || $loose->axis->elevation === null || ! $loose->passes()) {
            return [];
        }
        $off = $loose->axis->elevation - $said;
        $otherwise = $this->otherwise($loose, $off);

        return [...($otherwise === null ? [] : [$otherwise]), Explanation::scored(
            Cause::InstrumentHeight, [], $loose, 1, 0.0,
            sprintf('All sights come out %s too %s alike: the instrument height, the height of all targets, or the elevation of “%s” is wrong by that.', $this->length->formatDeviation(abs($off)), $off < 0 ? 'high' : 'low', $this->on->name),
            'Measure the instrument height again, then the target height. If both are right, the elevation of the station is not: ask the site surveyor.', $off,
        )];
    }

    /** The tape was held slanted and read as straight, or the other way about. */
    private function otherwise(Solved $loose, float $off): ?Explanation
    {
        $other = $this->on->heightOtherwise();
        $spread = hypot(sqrt($loose->cofactors[3][3]), $this->on->heightError($this->accuracy));
        $would = $other === null ? 0.0 : $other - $this->on->instrumentHeight;
        if ($other === null || abs($would) <= $spread || abs($off - $would) >= Spread::WITHIN * $spread) {
            return null;
        }
        $sentence = $this->on->slanted === null
            ? sprintf('The instrument height was measured slanted and read as straight: %s to the notch is %s straight, and that fits.', $this->length->format($this->on->instrumentHeight), $this->length->format($other))
            : sprintf('The instrument height was measured straight and read as slanted: %s straight fits.', $this->length->format($other));

        return Explanation::scored(Cause::HeightOtherwise, [], $loose, 0, 0.0, $sentence, 'Look how the tape was held; then say so beside the instrument height.', $would);
    }
}
