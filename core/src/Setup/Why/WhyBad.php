<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Units\LengthStyle;

/**
 * Why a setup is bad, a resection or one on a known mark: tries the causes that practitioners meet against all readings at once. What is wrong with all
 * distances, with the mark under the tripod, with two names, or since a sight; then each sight is left out in turn, and where the rest fits well without
 * it, what it says of its mark tells the cause.
 * The causes and the order of the search are common practice, without a source; how often it is right is measured by the bench.
 */
final readonly class WhyBad
{
    /** A free station on fewer sights can't tell which of them is wrong. */
    private const FEWEST = 3;

    /** Nobody looks for a blunder smaller than this, metres: what differs by less is rather control that is less exact than it is said to be. Common practice, no source. */
    private const NOTICEABLE = 0.003;

    /** Control is not said to be less exact than this, metres: then something else is wrong. */
    private const LOOSEST = 0.006;

    /**
     * @param  list<ControlSight>  $sights
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    private function __construct(
        private array $sights,
        private array $control,
        private Accuracy $accuracy,
        private LengthStyle $length,
        private ?Occupied $on,
    ) {}

    /**
     * @param  list<ControlSight>  $sights  all that were measured, used or not
     * @param  array<string, Position>  $control  all control of the project, by name
     * @param  Occupied|null  $on  the mark that the instrument stands on; null for a free station
     * @return list<Explanation>|null the best first; empty where nothing fits; null where nothing is wrong, or it can't be told
     */
    public static function explain(array $sights, array $control, Accuracy $accuracy, LengthStyle $length, ?Occupied $on = null): ?array
    {
        if (count($sights) < ($on === null ? self::FEWEST : 1) || Figure::solve($sights, $accuracy, $on)?->isClean() === true) {
            return null;
        }
        $why = new self($sights, $control, $accuracy, $length, $on);
        $under = $on === null ? [] : (new UnderTheTripod($on, $sights, $control, $accuracy, $length))->explain();
        $found = [...$why->ofAll(), ...$under, ...$why->exchangedNames(), ...(count($sights) === 1 ? $why->named() : $why->eachAlone()), ...$why->tripod()];
        usort($found, static fn (Explanation $a, Explanation $b) => $a->score <=> $b->score);
        $best = $found[0] ?? null;
        $rather = $best === null || ($best->size !== null && $best->size < self::NOTICEABLE) ? $why->lessExact($best) : null;

        return $rather === null ? $found : [$rather, ...$found];
    }

    /** By how much control, and the centring over it, would have to be less exact than is said for the figure to fit. */
    private function lessExact(?Explanation $best): ?Explanation
    {
        [$low, $high] = [0.0, self::LOOSEST];
        $figure = $this->loosened($high);
        if ($figure === null || $figure->fit() > 1.0) {
            return null;
        }
        while ($high - $low > 1e-4) {
            $middle = ($low + $high) / 2;
            $tried = $this->loosened($middle);
            [$low, $high] = $tried !== null && $tried->fit() <= 1.0 ? [$low, $middle] : [$middle, $high];
        }
        $figure = $this->loosened($high) ?? $figure;
        $scored = Explanation::scored(Cause::LessExact, [], $figure, 1, 0.0, '', '');

        return new Explanation(
            Cause::LessExact, [], sprintf('No single sight is off by much, but together they differ by more than the instrument explains. Control known to about %s would explain it.', $this->length->formatDeviation($high)),
            'Give the control a deviation of its own, then these sights count for what they are worth; or measure more rounds and hold the pole with a bipod, if the control is better than that.',
            $figure->fit(), min($scored->score, $best->score ?? INF),
        );
    }

    private function loosened(float $by): ?Solved
    {
        $a = $this->accuracy;

        return Figure::solve($this->sights, new Accuracy($a->angle, $a->distance, $a->distancePpm, hypot($a->centring, $by), hypot($a->height, $by), $a->zenith()), $this->on);
    }

    /**
     * What is wrong with every distance alike.
     *
     * @return list<Explanation>
     */
    private function ofAll(): array
    {
        $found = [];
        $constant = Figure::solve($this->sights, $this->accuracy, $this->on, constant: true);
        if ($constant !== null && $constant->passes()) {
            $found[] = Explanation::scored(Cause::PrismConstantOfAll, [], $constant, 1, 0.0, sprintf('The prism constant is wrong for all sights: every distance comes out %s too %s.', $this->length->formatDeviation(abs($constant->extra)), $constant->extra > 0 ? 'long' : 'short'), 'Look which prism is on the pole and which constant is set, on the instrument and here; then mend the constant.', -$constant->extra);
        }
        $scale = Figure::solve($this->sights, $this->accuracy, $this->on, scale: true);
        if ($scale !== null && $scale->passes()) {
            $found[] = Explanation::scored(Cause::Scale, [], $scale, 1, 0.0, sprintf('All distances are too %s by %.0f ppm of their length.', $scale->extra > 0 ? 'long' : 'short', abs($scale->extra) * 1e6), 'Check pressure, temperature and scale factor, here and on the instrument.', size: abs($scale->extra) * max(array_map(static fn (ControlSight $s) => $s->sight->slope, $this->sights)));
        }

        return $found;
    }

    /** @return list<Explanation> */
    private function exchangedNames(): array
    {
        $found = [];
        $n = count($this->sights);
        for ($i = 0; $i < $n; $i++) {
            for ($k = $i + 1; $k < $n; $k++) {
                $swapped = $this->sights;
                $swapped[$i] = $this->sights[$i]->with(control: $this->sights[$k]->control);
                $swapped[$k] = $this->sights[$k]->with(control: $this->sights[$i]->control);
                $solved = Figure::solve($swapped, $this->accuracy, $this->on);
                if ($solved !== null && $solved->passes()) {
                    [$a, $b] = [$this->sights[$i]->name, $this->sights[$k]->name];
                    $found[] = Explanation::scored(Cause::NamesExchanged, [$a, $b], $solved, 0, 0.0, "“{$a}” and “{$b}” are exchanged: each was sighted under the other’s name, or the list has each other’s coordinates.", 'Look which mark is which on site; then exchange them in the sights or in the control.');
                }
            }
        }

        return $found;
    }

    /**
     * With one sight alone, only another mark that fits can be told from one that is wrong.
     *
     * @return list<Explanation>
     */
    private function named(): array
    {
        $found = [];
        [$s] = $this->sights;
        foreach ($this->control as $name => $place) {
            $solved = (string) $name === $s->name || (string) $name === $this->on?->name ? null : Figure::solve([$s->with(control: $place)], $this->accuracy, $this->on);
            if ($solved !== null && $solved->passes()) {
                $found[] = Explanation::scored(Cause::AnotherMark, [$s->name, (string) $name], $solved, 0, 0.0, "Distance and height fit “{$name}”: it was sighted, and “{$s->name}” was named.", "Give the sight the name “{$name}”, or sight “{$s->name}” again.");
            }
        }

        return $found;
    }

    /** @return list<Explanation> */
    private function eachAlone(): array
    {
        $one = new OneSight($this->control, $this->accuracy, $this->length);
        $found = [];
        foreach ($this->sights as $i => $s) {
            $rest = Figure::solve(array_values(array_diff_key($this->sights, [$i => true])), $this->accuracy, $this->on);
            // With little to spare, the others are trusted only where they fit very well.
            if ($rest !== null && $rest->passes() && ($rest->redundancy >= 3 || $rest->squares <= 4.0)) {
                $found[] = $one->explain($s, $rest);
            }
        }

        return $found;
    }

    /**
     * The tripod was knocked: the sights before and those since then each fit, but not together.
     *
     * @return list<Explanation>
     */
    private function tripod(): array
    {
        $found = [];
        $n = count($this->sights);
        for ($k = 2; $k <= $n - 2; $k++) {
            $before = Figure::solve(array_slice($this->sights, 0, $k), $this->accuracy, $this->on);
            $since = Figure::solve(array_slice($this->sights, $k), $this->accuracy);
            if ($before === null || $since === null) {
                continue;
            }
            $together = new Solved($before->axis, $before->orientation, $before->squares + $since->squares, $before->redundancy + $since->redundancy);
            if ($together->passes()) {
                $name = $this->sights[$k]->name;
                $found[] = Explanation::scored(Cause::TripodMoved, [$name], $together, 4, 0.0, "The tripod moved before “{$name}” was sighted: the sights before it fit, and those from it on fit, but not together.", 'Tread the tripod in, level it, and measure all sights again.');
            }
        }

        return $found;
    }
}
