<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Setups\StationModel;
use Parlay\Core\Units\AngleUnit;
use Parlay\Core\Units\LengthUnit;

/**
 * Why a setup is bad, a resection or one on a known mark: the causes that practitioners meet, each as a hypothesis on the setup's own
 * model. One more unknown for all readings; other names; the mark under the tripod; the tripod moved; each sight left out in turn, and
 * what the others foretell of it tells its cause; two sights left out where no single cause will do. The causes and the order of the
 * search are common practice, without a source; how often it is right is measured by the bench.
 */
final readonly class BlunderDetection
{
    /** A free station on fewer sights can't tell which of them is wrong. */
    private const FEWEST = 3;

    /** Two wrong sights can be told from five sights on. */
    private const FEWEST_OF_TWO = 5;

    /** Pairs are tried among so many sights: those that fit worst. */
    private const PAIRS_OF = 10;

    /**
     * What it costs to believe in a second blunder, in weighted squares: one in twenty setups with one has another. Common practice, no
     * source.
     */
    private const SECOND = 6.0;

    /**
     * Nobody looks for a blunder smaller than this, metres: what differs by less is rather control that is less exact than it is said
     * to be. Common practice, no source.
     */
    private const NOTICEABLE = 0.003;

    /** Control is not said to be less exact than this, metres: then something else is wrong. */
    private const LOOSEST = 0.006;

    /**
     * How much likelier than any one blunder it is that control is not as exact as is said, in weighted squares. Common practice, no
     * source.
     */
    private const COMMON = 8.0;

    /** No air and no grid stretches distances by more, part of their length; more is another unit. Common practice, no source. */
    private const SCALE = 0.01;

    /** All distances are not looked at for being longer alike by more than this, metres. */
    private const ALL_LONGER = 5.0;

    private const ROUNDS = 6;

    /** metres */
    private const SETTLED = 1e-4;

    private SightBlunders $one;

    /**
     * @param  list<ControlSight>  $sights
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    private function __construct(
        private array $sights,
        private array $control,
        private Accuracy $accuracy,
        private LengthUnit $written,
        AngleUnit $read,
        private ?Occupied $on,
        private ?TriedStation $whole,
    ) {
        $this->one = new SightBlunders($control, $written, $read);
    }

    /**
     * @param  list<ControlSight>  $sights  all that were measured, used or not
     * @param  array<string, Position>  $control  all control of the project, by name
     * @param  LengthUnit  $written  in which the control is listed: digits slip in that
     * @param  Occupied|null  $on  the mark that the instrument stands on; null for a free station
     * @param  AngleUnit  $read  in which directions are read: whole ones are misread
     * @return list<Explanation>|null the best first; empty where nothing fits; null where the setup passes its own test, or it can't be
     *     told
     */
    public static function explain(
        array $sights,
        array $control,
        Accuracy $accuracy,
        LengthUnit $written = LengthUnit::Metre,
        ?Occupied $on = null,
        AngleUnit $read = AngleUnit::Degree,
    ): ?array {
        // A mark that is sighted from itself is refused by name before.
        $used = array_values(
            array_filter($sights, static fn (ControlSight $s) => StationModel::observed($s) !== [] && $s->name !== $on?->name),
        );
        if (count($used) < ($on === null ? self::FEWEST : 1)) {
            return null;
        }
        // Sights that are far off may give no place at all: that needs an explanation all the more.
        $whole = TriedStation::solve($used, $accuracy, $on);
        if ($whole !== null && $whole->solution->passes() !== false) {
            return null;
        }

        $found = (new self($used, $control, $accuracy, $written, $read, $on, $whole))->found();

        // Sights that give no place may just be too few: only a cause that is found speaks against them.
        return $whole === null && $found === [] ? null : $found;
    }

    /** @return list<Explanation> */
    private function found(): array
    {
        $under = $this->on === null
            ? []
            : (new StationBlunders($this->on, $this->sights, $this->control, $this->accuracy, $this->written))->explain();
        $found = self::believed([...$under, ...$this->ofAll(), ...$this->eachAlone()]);
        $many = count($this->sights) >= self::FEWEST_OF_TWO;
        if ($found === [] || ! $many) {
            $found = [...$found, ...self::believed([...$this->exchangedNames(), ...$this->tripod()])];
        }
        if ($found === [] && $many) {
            $found = self::believed($this->twoAtOnce());
        }
        $best = $found === []
            ? null
            : array_reduce($found, static fn (?Explanation $a, Explanation $b) => $a !== null && $a->score() <= $b->score() ? $a : $b);
        $ranked = new Ranked($this->control, $this->sights, $this->accuracy);
        $loose = $this->lessExact();

        return match (true) {
            $loose === null => $ranked->order($found),
            $best?->size !== null && $best->size < self::NOTICEABLE => [$loose, ...$ranked->order($found)],
            default => $ranked->order([...$found, $loose]),
        };
    }

    /**
     * @param  list<Explanation>  $found
     * @return list<Explanation>
     */
    private static function believed(array $found): array
    {
        return array_values(array_filter($found, static fn (Explanation $e) => $e->isBelieved()));
    }

    /** By how much control, and the centring over it, would have to be less exact than is said for the figure to fit. */
    private function lessExact(): ?Explanation
    {
        [$low, $high] = [0.0, self::LOOSEST];
        $figure = $this->whole === null ? null : $this->loosened($high);
        if ($this->whole === null || $figure === null || $figure->solution->unitWeightDeviation() > 1.0) {
            return null;
        }
        while ($high - $low > 1e-4) {
            $middle = ($low + $high) / 2;
            $tried = $this->loosened($middle);
            [$low, $high] = $tried !== null && $tried->solution->unitWeightDeviation() <= 1.0 ? [$low, $middle] : [$middle, $high];
        }
        $figure = $this->loosened($high) ?? $figure;

        return new Explanation(
            Cause::LessExact, [], new Details(by: $high),
            $figure->squares(), $figure->redundancy(), 1, $figure, beside: $this->whole->moreExactThan($figure) - self::COMMON,
        );
    }

    private function loosened(float $by): ?TriedStation
    {
        $a = $this->accuracy;

        return TriedStation::solve(
            $this->sights,
            new Accuracy($a->angle, $a->distance, $a->distancePpm, hypot($a->centring, $by), hypot($a->height, $by), $a->zenith()),
            $this->on,
        );
    }

    /**
     * What is wrong with every reading alike: one unknown more.
     *
     * @return list<Explanation>
     */
    private function ofAll(): array
    {
        if ($this->whole === null) {
            return [];
        }
        $longest = max([0.0, ...array_map(static fn (ControlSight $s) => $s->sight->slope, $this->sights)]);
        $constant = $this->constantOfAll();
        $scale = $this->another($this->whole, StationModel::scaled(...));
        $collimation = $this->another($this->whole, static fn (ControlSight $s): array => Grows::only(
            $s, [ObservedKind::Direction->value => $s->oneFace ? Systematic::ofLevel($s->sight->zenith) : 0.0],
        ));
        $index = $this->another(
            $this->whole,
            static fn (ControlSight $s): array => Grows::only($s, [ObservedKind::ZenithAngle->value => $s->oneFace ? 1.0 : 0.0]),
        );
        $found = [];
        if ($constant !== null && abs($constant) <= self::ALL_LONGER) {
            $found[] = $this->systematic(
                abs($constant) <= SightBlunders::CONSTANT ? Cause::PrismConstantOfAll : Cause::DistanceOfAll, new Systematic(constant: $constant), new Details(by: $constant), abs($constant), -$constant,
            );
        }
        if ($scale !== null && abs($scale) <= self::SCALE) {
            $found[] = $this->systematic(Cause::Scale, new Systematic(scale: $scale), new Details(part: $scale), abs($scale) * $longest);
        }
        if ($collimation !== null) {
            $found[] = $this->systematic(
                Cause::Collimation, new Systematic(collimation: $collimation), new Details(angle: $collimation),
                abs($collimation) * $longest,
            );
        }
        if ($index !== null) {
            $found[] = $this->systematic(Cause::Index, new Systematic(index: $index), new Details(angle: $index), abs($index) * $longest);
        }

        return array_values(array_filter($found));
    }

    /** What all distances are too long by alike, metres. What is large is not told at once: the figure it was told from is bent by it. */
    private function constantOfAll(): ?float
    {
        $whole = $this->whole;
        $constant = 0.0;
        for ($round = 1; $whole !== null && $round <= self::ROUNDS; $round++) {
            $more = $this->another($whole, Grows::withSlope(...));
            if ($more === null) {
                return null;
            }
            $constant += $more;
            if (abs($more) < self::SETTLED) {
                break;
            }
            $mended = new Systematic(constant: $constant);
            $whole = TriedStation::solve(array_map($mended->mended(...), $this->sights), $this->accuracy, $this->on);
        }

        return $constant;
    }

    /**
     * @param  callable(ControlSight): list<float>  $grows  how a sight's observations grow with it
     */
    private function another(TriedStation $whole, callable $grows): ?float
    {
        $columns = [];
        foreach ($this->sights as $i => $s) {
            $columns[$whole->model->before() + $i] = $grows($s);
        }

        return $whole->solution->another($columns)[0] ?? null;
    }

    private function systematic(Cause $cause, Systematic $error, Details $details, float $size, ?float $value = null): ?Explanation
    {
        $figure = TriedStation::solve(array_map($error->mended(...), $this->sights), $this->accuracy, $this->on);

        return $figure === null ? null : new Explanation(
            cause: $cause,
            sights: [],
            details: $details,
            squares: $figure->squares(),
            redundancy: $figure->redundancy() - 1,
            assumed: 1,
            figure: $figure,
            value: $value,
            size: $size,
            systematic: $error,
        );
    }

    /** @return list<Explanation> */
    private function exchangedNames(): array
    {
        $found = [];
        foreach ($this->pairs(array_keys($this->sights)) as [$i, $k]) {
            $swapped = $this->sights;
            $swapped[$i] = $this->sights[$i]->with(control: $this->sights[$k]->control);
            $swapped[$k] = $this->sights[$k]->with(control: $this->sights[$i]->control);
            $solved = TriedStation::solve(array_values($swapped), $this->accuracy, $this->on);
            if ($solved !== null) {
                [$a, $b] = [$this->sights[$i]->name, $this->sights[$k]->name];
                $found[] = new Explanation(
                    Cause::NamesExchanged, [$a, $b], new Details, $solved->squares(), $solved->redundancy(), 0, $solved,
                );
            }
        }

        return $found;
    }

    /** @return list<Explanation> */
    private function eachAlone(): array
    {
        $found = [];
        foreach ($this->sights as $i => $s) {
            $rest = $this->without([$i]);
            if ($rest !== null) {
                $of = $this->one->explain(new Foretold($rest, $s));
                // Over one sight alone its target's height and the instrument's are one.
                $found = [
                    ...$found,
                    ...(count($this->sights) > 1 ? $of : array_filter($of, static fn (Explanation $e) => $e->cause !== Cause::Height)),
                ];
            }
        }

        return $found;
    }

    /**
     * Two sights that are wrong each for a reason of its own.
     *
     * @return list<Explanation>
     */
    private function twoAtOnce(): array
    {
        $found = [];
        foreach ($this->pairs($this->worst()) as $pair) {
            $rest = $this->without($pair);
            if ($rest === null) {
                continue;
            }
            [$a, $b] = array_map(
                fn (int $i): ?Explanation => $this->one->explain(new Foretold($rest, $this->sights[$i]))[0] ?? null, $pair,
            );
            if ($a !== null && $b !== null) {
                $found[] = new Explanation(
                    Cause::TwoSights, [$this->sights[$pair[0]]->name, $this->sights[$pair[1]]->name], new Details(each: [$a, $b]),
                    $a->squares + $b->squares - $rest->squares(),
                    $a->redundancy + $b->redundancy - $rest->redundancy(), $a->assumed + $b->assumed, $rest, beside: self::SECOND,
                );
            }
        }

        return $found;
    }

    /**
     * The figure of the others, where it can be trusted.
     *
     * @param  list<int>  $out
     */
    private function without(array $out): ?TriedStation
    {
        $rest = TriedStation::solve(array_values(array_diff_key($this->sights, array_flip($out))), $this->accuracy, $this->on);

        // The mark under the tripod alone contradicts nothing; sights with nothing to spare prove nothing.
        return $rest !== null && ($rest->redundancy() === 0 ? $this->on !== null : $rest->passes()) ? $rest : null;
    }

    /** @return list<int> the sights that fit worst by their own residuals, in order of measuring */
    private function worst(): array
    {
        if ($this->whole === null) {
            return array_slice(array_keys($this->sights), 0, self::PAIRS_OF);
        }
        $squares = [];
        foreach ($this->sights as $i => $s) {
            $block = $this->whole->solution->blocks[$this->whole->model->before() + $i];
            foreach ($block->misclosures as $k => $m) {
                $squares[$i] = max($squares[$i] ?? 0.0, $m ** 2 / $block->covariance[$k][$k]);
            }
        }
        arsort($squares);
        $worst = array_slice(array_keys($squares), 0, self::PAIRS_OF);
        sort($worst);

        return $worst;
    }

    /**
     * @param  list<int>  $of
     * @return list<array{int, int}>
     */
    private function pairs(array $of): array
    {
        $pairs = [];
        foreach ($of as $i => $a) {
            foreach (array_slice($of, $i + 1) as $b) {
                $pairs[] = [$a, $b];
            }
        }

        return $pairs;
    }

    /**
     * The tripod was knocked: the sights before and those since then each fit, but not together.
     *
     * @return list<Explanation>
     */
    private function tripod(): array
    {
        $found = [];
        for ($k = 2; $k <= count($this->sights) - 2; $k++) {
            $before = TriedStation::solve(array_slice($this->sights, 0, $k), $this->accuracy, $this->on);
            $since = TriedStation::solve(array_slice($this->sights, $k), $this->accuracy);
            if ($before !== null && $since !== null) {
                $name = $this->sights[$k]->name;
                $found[] = new Explanation(
                    Cause::TripodMoved, [$name], new Details,
                    $before->squares() + $since->squares(), $before->redundancy() + $since->redundancy(), count($since->solution->unknowns),
                );
            }
        }

        return $found;
    }
}
