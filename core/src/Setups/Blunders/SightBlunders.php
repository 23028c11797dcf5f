<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\Compass;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\LengthStyle;

/**
 * What may be wrong with one sight: each cause replaces something of it, or lets one thing of it be free, and is judged by what the figure of the others
 * foretells.
 */
final readonly class SightBlunders
{
    /** Prism constants, from reflecting foil to prisms all round, don't differ by more, metres. Common practice, no source. */
    public const CONSTANT = 0.07;

    /** A pole is seldom further out of plumb than this, metres at the prism. */
    private const TILT = 0.25;

    /** Another mark is looked for this near to where the sight went, metres: further off it can't pass. */
    private const NEAR = 1.0;

    /** A cause fits where what is left is within so many standard deviations. */
    private const WITHIN = 3.3;

    private const HEIGHT_REMEDY = 'Measure the target height again. If it is right, the control’s elevation is not: ask the site surveyor.';

    /**
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    public function __construct(
        private array $control,
        private LengthStyle $length,
        private AngleStyle $angle,
    ) {}

    /** @return list<Explanation> those that no simpler one of this sight beats by a lead, the best first */
    public function explain(Foretold $f): array
    {
        $all = [...$this->misread($f), ...$this->anotherMark($f), ...$this->exchanged($f), ...$this->digits($f), ...$this->height($f), ...$this->distance($f), ...$this->shifted($f), ...$this->anything($f)];
        usort($all, static fn (Explanation $a, Explanation $b) => $a->score() <=> $b->score());
        $kept = [];
        foreach ($all as $e) {
            if (array_filter($kept, static fn (Explanation $k) => $k->assumed <= $e->assumed && $k->score() + Explanation::LEAD < $e->score()) === []) {
                $kept[] = $e;
            }
        }

        return $kept;
    }

    /** @return list<Explanation> */
    private function misread(Foretold $f): array
    {
        if (! $f->sight()->givesDirection()) {
            return [];
        }
        [, [$off]] = $f->left(null, static fn (): array => [Grows::only($f->sight(), [ObservedKind::Direction->value => 1.0])]);
        $found = [];
        // Whole degrees or gon; and tens of minutes, which cost as much as something free, for there are many of them.
        foreach ([[180.0, 0], [1080.0, 1], ...($this->angle === AngleStyle::Gon ? [[200.0, 0]] : [])] as [$half, $assumed]) {
            $round = round($off / M_PI * $half);
            $angle = $round / $half * M_PI;
            if ($round !== 0.0 && ($assumed === 0 || fmod($round, 6.0) !== 0.0)) {
                $name = $f->sight()->name;
                $sentence = abs($round) === $half ? "The direction to “{$name}” is off by half a turn: it was misread, or booked on the wrong face."
                    : sprintf('The direction to “%s” was misread: it is %s too %s.', $name, $this->angle->format(abs($angle)), $angle > 0 ? 'large' : 'small');
                $found[] = $this->slip($f, Cause::Misread, $f->sight()->with(sight: $f->sight()->sight->turned(-$angle)), $sentence, 'Read it again. If nobody can stand there any more, leave its direction out: what is left of the sight still counts.', assumed: $assumed);
            }
        }

        return array_values(array_filter($found));
    }

    /** @return list<Explanation> */
    private function anotherMark(Foretold $f): array
    {
        $found = [];
        foreach ($this->control as $name => $place) {
            // Names that look like numbers become numbers as keys.
            $name = (string) $name;
            if ($name !== $f->sight()->name && ($f->found === null || $f->found->distanceTo($place) < self::NEAR)) {
                $found[] = $this->slip($f, Cause::AnotherMark, $f->sight()->with(control: $place), "“{$name}” was sighted, and “{$f->sight()->name}” was named.", "Give the sight the name “{$name}”, or sight “{$f->sight()->name}” again.", [$name]);
            }
        }

        return array_values(array_filter($found));
    }

    /** @return list<Explanation> */
    private function exchanged(Foretold $f): array
    {
        $name = $f->sight()->name;

        return array_values(array_filter([$this->slip($f, Cause::Exchanged, $f->sight()->with(control: Listed::exchanged($f->sight()->control)), "Northing and easting of “{$name}” are exchanged in the control.", 'Exchange them in the control, after a look at the site surveyor’s list.')]));
    }

    /** @return list<Explanation> */
    private function digits(Foretold $f): array
    {
        if ($f->found === null) {
            return [];
        }
        $s = $f->sight();
        $deviations = $f->left($s->with(control: $f->found), self::anywhere(...))[2];
        $all = [];
        foreach ((new Listed($this->length))->slips($s->control, $f->found, self::WITHIN * max($deviations[0], $deviations[1]), self::WITHIN * ($deviations[2] ?? 0.0)) as [$word, $place, $fits]) {
            $up = (float) $f->found->elevation - (float) $s->control->elevation;
            $all[] = $word === 'elevation'
                ? $this->slip($f, Cause::Height, $s->with(control: $place), $this->tooHigh($s, $up)." One slip of the pen in the elevation would do it: $fits", self::HEIGHT_REMEDY, [], $up)
                : $this->slip($f, Cause::CoordinateDigit, $s->with(control: $place), "The $word of “{$s->name}” was written wrong: $fits", 'Compare it with the site surveyor’s list, and mend the control there and here.');
        }

        return array_values(array_filter($all));
    }

    /**
     * One exact thing, with nothing free to choose.
     *
     * @param  list<string>  $others  names that it is about too
     */
    private function slip(Foretold $f, Cause $cause, ControlSight $as, string $sentence, string $remedy, array $others = [], ?float $value = null, int $assumed = 0): ?Explanation
    {
        [$left] = $f->left($as);
        $rest = $f->rest;
        $explanation = new Explanation($cause, [$f->sight()->name, ...$others], $sentence, $remedy, $rest->squares() + $left, $rest->redundancy() + count($f->kinds()) - $assumed, $assumed, $rest, $value, $value === null ? null : abs($value));

        return $left <= self::WITHIN ** 2 + count($f->kinds()) ? $explanation : null;
    }

    /** @return list<Explanation> */
    private function height(Foretold $f): array
    {
        $s = $f->sight();
        if (! $s->givesHeight()) {
            return [];
        }
        $near = $f->found === null ? (float) $s->control->elevation : (float) $f->found->elevation;
        [$left, [$more]] = $f->left($s->with(control: $s->control->at($near)), fn (array $kinds, ObservationGroup $b): array => [$this->up($f, $b)]);
        $up = $near - (float) $s->control->elevation + $more;

        return [$this->free($f, Cause::Height, $left, 1, $this->tooHigh($s, $up), self::HEIGHT_REMEDY, $up)];
    }

    /** @return list<Explanation> */
    private function distance(Foretold $f): array
    {
        $s = $f->sight();
        if (! $s->givesDistance()) {
            return [];
        }
        [$left, [$long]] = $f->left(null, static fn (): array => [Grows::withSlope($s)]);
        $said = sprintf('The distance to “%s” is %s too %s', $s->name, $this->length->formatDeviation(abs($long)), $long > 0 ? 'long' : 'short');

        return [abs($long) > self::CONSTANT
            ? $this->free($f, Cause::Reflection, $left, 1, "$said: another prism, or a reflection, was hit.", "Measure “{$s->name}” again, with nothing else that reflects near the line. Until then its direction alone can count.", null, abs($long))
            : $this->free($f, Cause::PrismConstant, $left, 1, "$said: the prism constant was another there.", 'Look which prism stands there and which constant was set; then mend it for this sight. A pole leaning toward the instrument looks the same: plumb it and measure again.', -$long)];
    }

    /** @return list<Explanation> */
    private function shifted(Foretold $f): array
    {
        $s = $f->sight();
        if ($f->found === null) {
            return [];
        }
        $level = $f->found->at($s->control->elevation);
        [$left, $off] = $f->left($s->with(control: $level), static fn (array $kinds, ObservationGroup $b): array => self::inPlan($b));
        $size = $s->control->distanceTo(new Position($level->northing + $off[0], $level->easting + $off[1]));
        $tall = $s->sight->target->height;
        if ($size < self::TILT && $size < $tall && $s->control->elevation !== null) {
            // A pole that leans is lower, too.
            $left = min($left, $f->left($s->with(control: $level->at($s->control->elevation - $tall + sqrt($tall ** 2 - $size ** 2))), static fn (array $kinds, ObservationGroup $b): array => self::inPlan($b))[0]);
        }

        return [$this->away($f, $left, 2, $size, $s->control->azimuthTo($f->found), '')];
    }

    /**
     * Whatever it is: nothing of the sight counts.
     *
     * @return list<Explanation>
     */
    private function anything(Foretold $f): array
    {
        $s = $f->sight();
        $count = count($f->kinds());
        if ($f->found === null) {
            return [$this->free($f, Cause::Shifted, 0.0, $count, "“{$s->name}” does not lie where the others have it.", $this->again($s).' If it comes out the same, the mark has moved or its coordinates are wrong: leave it out, and tell the site surveyor.')];
        }
        $up = $f->found->elevation === null || $s->control->elevation === null ? 0.0 : $f->found->elevation - $s->control->elevation;

        return [$this->away($f, 0.0, $count, $s->control->distanceTo($f->found), $s->control->azimuthTo($f->found), sprintf(' and %s too %s', $this->length->formatDeviation(abs($up)), $up > 0 ? 'high' : 'low'))];
    }

    private function away(Foretold $f, float $left, int $assumed, float $size, float $toward, string $too): Explanation
    {
        $s = $f->sight();
        $leans = $too === '' && $size < min(self::TILT, $s->sight->target->height)
            ? sprintf(' A pole of %s that leans by %.1f° does that.', $this->length->format($s->sight->target->height), rad2deg(asin($size / $s->sight->target->height))) : '';

        return $this->free(
            $f, Cause::Shifted, $left, $assumed, sprintf('“%s” was found %s from where the control has it, toward %s%s.%s', $s->name, $this->length->formatDeviation($size), Compass::word($toward), $too, $leans),
            ($leans === '' ? $this->again($s) : 'Plumb the pole and measure again.').' If it comes out the same, the mark has moved or its coordinates are wrong: leave it out, and tell the site surveyor.', null, $size,
        );
    }

    private function free(Foretold $f, Cause $cause, float $left, int $assumed, string $sentence, string $remedy, ?float $value = null, ?float $size = null): Explanation
    {
        return new Explanation($cause, [$f->sight()->name], $sentence, $remedy, $f->rest->squares() + $left, $f->rest->redundancy() + count($f->kinds()) - $assumed, $assumed, $f->rest, $value, $size ?? ($value === null ? null : abs($value)));
    }

    private function again(ControlSight $s): string
    {
        return "Look whether “{$s->name}” is the mark that was sighted, and measure it again.";
    }

    private function tooHigh(ControlSight $s, float $up): string
    {
        return sprintf('“%s” comes out %s too %s: its target height or its elevation in the control is wrong by that.', $s->name, $this->length->formatDeviation(abs($up)), $up > 0 ? 'high' : 'low');
    }

    /** @return list<list<float>> how they grow as the target moves north, and east: as the station moving the other way */
    private static function inPlan(ObservationGroup $b): array
    {
        return array_map(static fn (int $i): array => array_map(static fn (array $row): float => -$row[$i], $b->rows), [0, 1]);
    }

    /** @return list<float> */
    private function up(Foretold $f, ObservationGroup $b): array
    {
        return array_map(static fn (array $row): float => -$row[(int) $f->rest->model->height], $b->rows);
    }

    /**
     * @param  list<ObservedKind>  $kinds
     * @return list<list<float>> north, east and, where there is a height, up
     */
    private static function anywhere(array $kinds, ObservationGroup $b): array
    {
        $height = count($kinds) === 3 ? [array_map(static fn (array $row): float => -$row[count($row) - 1], $b->rows)] : [];

        return [...self::inPlan($b), ...$height];
    }
}
