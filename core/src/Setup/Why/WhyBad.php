<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\Compass;
use Parlay\Core\Setup\ControlSight;

/**
 * Why a resection is bad: tries the causes that practitioners meet against all readings at once. Each sight is left out in turn; where the rest
 * fits well without it, what it says of its mark tells the cause. Then two names exchanged, and what is wrong with all distances or since a sight.
 * The causes and the order of the search are common practice, without a source; how often it is right is measured by the bench.
 */
final class WhyBad
{
    /** What each unknown that had to be assumed costs, in weighted squares. */
    private const COST = 4.0;

    /** Prism constants seldom differ by more, metres. */
    private const CONSTANT = 0.045;

    /** A pole is seldom further out of plumb than this, metres at the prism. */
    private const TILT = 0.25;

    private const HEIGHT_REMEDY = 'Measure the target height again. If it is right, the control’s elevation is not: ask the site surveyor.';

    /** @var list<Explanation> */
    private array $found = [];

    /**
     * @param  list<ControlSight>  $sights
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    private function __construct(
        private readonly array $sights,
        private readonly array $control,
        private readonly Accuracy $accuracy,
    ) {}

    /**
     * @param  list<ControlSight>  $sights  all that were measured, used or not
     * @param  array<string, Position>  $control  all control of the project, by name
     * @param  callable(float): string  $length  writes a length in the project's unit
     * @return list<Explanation>|null the best first; empty where nothing fits; null where nothing is wrong, or it can't be told
     */
    public static function explain(array $sights, array $control, Accuracy $accuracy, callable $length): ?array
    {
        if (count($sights) < 3 || Figure::solve($sights, $accuracy)?->isClean() === true) {
            return null;
        }
        $self = new self($sights, $control, $accuracy);
        $self->ofAll($length);
        $self->exchangedNames();
        foreach (array_keys($sights) as $i) {
            $self->ofOne($i, $length);
        }
        $self->tripod();
        usort($self->found, static fn (Explanation $a, Explanation $b) => $a->score <=> $b->score);

        return $self->found;
    }

    /** What is wrong with every distance alike. */
    private function ofAll(callable $length): void
    {
        $constant = Figure::solve($this->sights, $this->accuracy, constant: true);
        if ($constant !== null && $constant->passes()) {
            $this->say(Cause::PrismConstantOfAll, [], $constant, 1, sprintf('The prism constant is wrong for all sights: every distance comes out %s too %s.', $length(abs($constant->extra)), $constant->extra > 0 ? 'long' : 'short'), 'Look which prism is on the pole and which constant is set, on the instrument and here; then mend the constant.', -$constant->extra);
        }
        $scale = Figure::solve($this->sights, $this->accuracy, scale: true);
        if ($scale !== null && $scale->passes()) {
            $this->say(Cause::Scale, [], $scale, 1, sprintf('All distances are too %s by %.0f ppm of their length.', $scale->extra > 0 ? 'long' : 'short', abs($scale->extra) * 1e6), 'Check pressure, temperature and scale factor, here and on the instrument.');
        }
    }

    private function exchangedNames(): void
    {
        $n = count($this->sights);
        for ($i = 0; $i < $n; $i++) {
            for ($k = $i + 1; $k < $n; $k++) {
                $swapped = $this->sights;
                $swapped[$i] = self::at($this->sights[$i], $this->sights[$k]->control);
                $swapped[$k] = self::at($this->sights[$k], $this->sights[$i]->control);
                $solved = Figure::solve($swapped, $this->accuracy);
                if ($solved !== null && $solved->passes()) {
                    [$a, $b] = [$this->sights[$i]->name, $this->sights[$k]->name];
                    $this->say(Cause::NamesExchanged, [$a, $b], $solved, 0, "“{$a}” and “{$b}” are exchanged: each was sighted under the other’s name, or the list has each other’s coordinates.", 'Look which mark is which on site; then exchange them in the sights or in the control.');
                }
            }
        }
    }

    private function ofOne(int $i, callable $length): void
    {
        $others = array_values(array_diff_key($this->sights, [$i => true]));
        $rest = Figure::solve($others, $this->accuracy);
        // With two others nothing is spare enough to trust them by.
        if ($rest === null || ! $rest->passes() || (count($others) < 3 && $rest->squares > 4.0)) {
            return;
        }
        $s = $this->sights[$i];
        $found = $rest->locate($s->sight);
        $spread = Spread::of($s, $rest, $this->accuracy);
        $this->found[] = $this->slip($s, $found, $spread, $rest, $length) ?? $this->shift($s, $found, $spread, $rest, $length);
    }

    /** A slip that is one exact thing: it explains the sight without anything free to choose. */
    private function slip(ControlSight $s, Position $found, Spread $spread, Solved $rest, callable $length): ?Explanation
    {
        $face = $rest->locate($s->sight->turned(M_PI));
        if ($spread->covers($s->control, $face)) {
            return $this->explained(Cause::WrongFace, [$s->name], $rest, 0, $spread->misfit($s->control, $face), "The reading to “{$s->name}” was booked on the wrong face: its direction is half a turn off.", 'Measure it again, or mend the circle reading by half a turn, with a note.');
        }
        foreach ($this->control as $name => $place) {
            if ($name !== $s->name && $spread->covers($place, $found)) {
                return $this->explained(Cause::AnotherMark, [$s->name, (string) $name], $rest, 0, $spread->misfit($place, $found), "“{$name}” was sighted, and “{$s->name}” was named.", "Give the sight the name “{$name}”, or sight “{$s->name}” again.");
            }
        }
        $exchanged = new Position($s->control->easting, $s->control->northing, $s->control->elevation);
        if ($spread->covers($exchanged, $found)) {
            return $this->explained(Cause::Exchanged, [$s->name], $rest, 0, $spread->misfit($exchanged, $found), "Northing and easting of “{$s->name}” are exchanged in the control.", 'Exchange them in the control, after a look at the site surveyor’s list.');
        }

        return $this->digit($s, $found, $spread, $rest, $length);
    }

    private function digit(ControlSight $s, Position $found, Spread $spread, Solved $rest, callable $length): ?Explanation
    {
        $c = $s->control;
        $within = Spread::WITHIN * max($spread->across, $spread->along);
        $north = WrittenDigits::meant($c->northing, $found->northing, $within);
        $east = WrittenDigits::meant($c->easting, $found->easting, $within);
        $up = $c->elevation === null || $found->elevation === null ? null : WrittenDigits::meant($c->elevation, $found->elevation, Spread::WITHIN * $spread->height);
        foreach ([['northing', $c->northing, $north, $north === null ? null : new Position($north, $c->easting, $c->elevation)], ['easting', $c->easting, $east, $east === null ? null : new Position($c->northing, $east, $c->elevation)], ['elevation', (float) $c->elevation, $up, $up === null ? null : $c->at($up)]] as [$word, $written, $meant, $place]) {
            if ($place !== null && $meant !== null && $spread->covers($place, $found)) {
                $fits = sprintf('%s stands there, and %s fits.', $length($written), $length($meant));

                return $word === 'elevation'
                    ? $this->explained(Cause::Height, [$s->name], $rest, 0, $spread->misfit($place, $found), self::tooHigh($s, (float) $found->elevation - $written, $length)." One slip of the pen in the elevation would do it: $fits", self::HEIGHT_REMEDY, (float) $found->elevation - $written)
                    : $this->explained(Cause::CoordinateDigit, [$s->name], $rest, 0, $spread->misfit($place, $found), "The $word of “{$s->name}” was written wrong: $fits", 'Compare it with the site surveyor’s list, and mend the control there and here.');
            }
        }

        return null;
    }

    /** Something off by a length that has to be found: along the sight, across it, or in height. */
    private function shift(ControlSight $s, Position $found, Spread $spread, Solved $rest, callable $length): Explanation
    {
        [$across, $along, $up] = $spread->parts($s->control, $found);
        $level = $up === null || abs($up) <= Spread::WITHIN * $spread->height;
        $plan = hypot($across / $spread->across, $along / $spread->along);
        $slope = $s->sight->rise / max($s->sight->distance, 0.1);
        if ($plan <= Spread::WITHIN && ! $level) {
            return $this->explained(Cause::Height, [$s->name], $rest, 1, $plan ** 2, self::tooHigh($s, (float) $up, $length), self::HEIGHT_REMEDY, $up);
        }
        $heightOff = $up === null ? 0.0 : ((float) $up / $spread->height) ** 2;
        $prism = ($across / $spread->across) ** 2 + ($up === null ? 0.0 : (($up - $along * $slope) / $spread->height) ** 2) + (abs($along) > self::CONSTANT ? 6.0 : 0.0);
        if ($prism + self::COST < $heightOff + 2 * self::COST) {
            return $this->explained(Cause::PrismConstant, [$s->name], $rest, 1, $prism, sprintf('The distance to “%s” is %s too %s: the prism constant was another there.', $s->name, $length(abs($along)), $along > 0 ? 'long' : 'short'), 'Look which prism stands there and which constant was set; then mend it for this sight. A pole leaning toward the instrument looks the same: plumb it and measure again.', -$along);
        }
        $size = hypot($across, $along);
        $direction = $s->control->azimuthTo($found);
        $tilt = $size < self::TILT ? sprintf(' A pole of %s that leans by %.1f° does that.', $length($s->sight->target->height), rad2deg(asin(min(1.0, $size / max($s->sight->target->height, 0.1))))) : '';

        return $this->explained(
            Cause::Shifted, [$s->name], $rest, 2, $level ? 0.0 : 9.0 + $heightOff / 4,
            sprintf('“%s” was found %s from where the control has it, toward %s.%s', $s->name, $length($size), Compass::word($direction), $tilt),
            $size < self::TILT ? 'Plumb the pole and measure again. If it comes out the same, the mark has moved or its coordinates are wrong: leave it out, and tell the site surveyor.' : 'Leave it out in plan, and ask the site surveyor: the mark has moved, or its coordinates are wrong.',
        );
    }

    /** The tripod was knocked: the sights before and those since then each fit, but not together. */
    private function tripod(): void
    {
        $n = count($this->sights);
        for ($k = 2; $k <= $n - 2; $k++) {
            $before = Figure::solve(array_slice($this->sights, 0, $k), $this->accuracy);
            $since = Figure::solve(array_slice($this->sights, $k), $this->accuracy);
            if ($before === null || $since === null) {
                continue;
            }
            $together = new Solved($before->axis, $before->orientation, $before->squares + $since->squares, $before->redundancy + $since->redundancy);
            if ($together->passes()) {
                $name = $this->sights[$k]->name;
                $this->say(Cause::TripodMoved, [$name], $together, 4, "The tripod moved before “{$name}” was sighted: the sights before it fit, and those from it on fit, but not together.", 'Tread the tripod in, level it, and measure all sights again.');
            }
        }
    }

    /** @param  list<string>  $sights */
    private function say(Cause $cause, array $sights, Solved $solved, int $assumed, string $sentence, string $remedy, ?float $value = null): void
    {
        $this->found[] = $this->explained($cause, $sights, $solved, $assumed, 0.0, $sentence, $remedy, $value);
    }

    /**
     * Scored by how unlikely what is left would be, plus what had to be assumed.
     *
     * @param  list<string>  $sights
     */
    private function explained(Cause $cause, array $sights, Solved $solved, int $assumed, float $misfit, string $sentence, string $remedy, ?float $value = null): Explanation
    {
        // What a figure of this size leaves on the average is no evidence for or against it.
        $left = $solved->squares - $solved->redundancy + $misfit;

        return new Explanation($cause, $sights, $sentence, $remedy, $solved->fit(), $left + self::COST * $assumed, $value);
    }

    private static function at(ControlSight $s, Position $control): ControlSight
    {
        return $s->with(control: $control);
    }

    private static function tooHigh(ControlSight $s, float $up, callable $length): string
    {
        return sprintf('“%s” comes out %s too %s: its target height or its elevation in the control is wrong by that.', $s->name, $length(abs($up)), $up > 0 ? 'high' : 'low');
    }
}
