<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Adjustment\Significance;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Units\AngleUnit;
use Parlay\Core\Units\LengthUnit;

/**
 * What may be wrong with one sight: each cause replaces something of it, or lets one thing of it be free, and is judged by what the
 * figure of the others foretells.
 */
final readonly class SightBlunders
{
    /** Prism constants, from reflecting foil to prisms all round, don't differ by more, metres. Common practice, no source. */
    public const CONSTANT = 0.07;

    /** A pole is seldom further out of plumb than this, metres at the prism. */
    private const TILT = 0.25;

    /** Another mark is looked for this near to where the sight went, metres: further off it can't pass. */
    private const NEAR = 1.0;

    /**
     * @param  array<string, Position>  $control  all control of the project, by name
     */
    public function __construct(
        private array $control,
        private LengthUnit $written,
        private AngleUnit $read,
    ) {}

    /** @return list<Explanation> those that no simpler one of this sight beats by a lead, the best first */
    public function explain(Foretold $f): array
    {
        $all = [
            ...$this->misread($f), ...$this->anotherMark($f), ...$this->exchanged($f), ...$this->digits($f), ...$this->height($f),
            ...$this->distance($f), ...$this->shifted($f), ...$this->anything($f),
        ];
        usort($all, static fn (Explanation $a, Explanation $b) => $a->score() <=> $b->score());
        $kept = [];
        foreach ($all as $e) {
            if (array_filter(
                $kept, static fn (Explanation $k) => $k->assumed <= $e->assumed && $k->score() + Explanation::LEAD < $e->score(),
            ) === []) {
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
        foreach ([
            [180.0, 0], [1080.0, 1], ...($this->read === AngleUnit::Gon ? [[$this->read->halfTurn(), 0]] : []),
        ] as [$half, $assumed]) {
            $round = round($off / M_PI * $half);
            $angle = $round / $half * M_PI;
            if ($round !== 0.0 && ($assumed === 0 || fmod($round, 6.0) !== 0.0)) {
                $details = new Details(angle: $angle, halfTurn: abs($round) === $half);
                $found[] = $this->slip(
                    $f, Cause::Misread, $f->sight()->with(sight: $f->sight()->sight->turned(-$angle)), $details, assumed: $assumed,
                );
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
                $found[] = $this->slip($f, Cause::AnotherMark, $f->sight()->with(control: $place), new Details, [$name]);
            }
        }

        return array_values(array_filter($found));
    }

    /** @return list<Explanation> */
    private function exchanged(Foretold $f): array
    {
        return array_values(array_filter(
            [$this->slip($f, Cause::Exchanged, $f->sight()->with(control: Listed::exchanged($f->sight()->control)), new Details)],
        ));
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
        foreach ((new Listed($this->written))->slips(
            $s->control, $f->found, Significance::SUSPECT * max($deviations[0], $deviations[1]), Significance::SUSPECT * ($deviations[2] ?? 0.0),
        ) as $slip) {
            $up = (float) $f->found->elevation - (float) $s->control->elevation;
            $all[] = $slip->coordinate === Coordinate::Elevation
                ? $this->slip($f, Cause::Height, $s->with(control: $slip->place), new Details(by: $up, slip: $slip), [], $up)
                : $this->slip($f, Cause::CoordinateDigit, $s->with(control: $slip->place), new Details(slip: $slip));
        }

        return array_values(array_filter($all));
    }

    /**
     * One exact thing, with nothing free to choose.
     *
     * @param  list<string>  $others  names that it is about too
     */
    private function slip(
        Foretold $f,
        Cause $cause,
        ControlSight $as,
        Details $details,
        array $others = [],
        ?float $value = null,
        int $assumed = 0,
    ): ?Explanation {
        [$left] = $f->left($as);
        $rest = $f->rest;
        $explanation = new Explanation(
            cause: $cause,
            sights: [$f->sight()->name, ...$others],
            details: $details,
            squares: $rest->squares() + $left,
            redundancy: $rest->redundancy() + count($f->kinds()) - $assumed,
            assumed: $assumed,
            figure: $rest,
            value: $value,
            size: $value === null ? null : abs($value),
        );

        return $left <= Significance::SUSPECT ** 2 + count($f->kinds()) ? $explanation : null;
    }

    /** @return list<Explanation> */
    private function height(Foretold $f): array
    {
        $s = $f->sight();
        if (! $s->givesHeight()) {
            return [];
        }
        $near = $f->found === null ? (float) $s->control->elevation : (float) $f->found->elevation;
        [$left, [$more]] = $f->left(
            $s->with(control: $s->control->at($near)), fn (array $kinds, ObservationGroup $b): array => [$this->up($f, $b)],
        );
        $up = $near - (float) $s->control->elevation + $more;

        return [$this->free($f, Cause::Height, $left, 1, new Details(by: $up), $up)];
    }

    /** @return list<Explanation> */
    private function distance(Foretold $f): array
    {
        $s = $f->sight();
        if (! $s->givesDistance()) {
            return [];
        }
        [$left, [$long]] = $f->left(null, static fn (): array => [Grows::withSlope($s)]);

        return [abs($long) > self::CONSTANT
            ? $this->free($f, Cause::Reflection, $left, 1, new Details(by: $long), null, abs($long))
            : $this->free($f, Cause::PrismConstant, $left, 1, new Details(by: $long), -$long)];
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
            $left = min($left, $f->left(
                $s->with(control: $level->at($s->control->elevation - $tall + sqrt($tall ** 2 - $size ** 2))),
                static fn (array $kinds, ObservationGroup $b): array => self::inPlan($b),
            )[0]);
        }

        return [$this->away($f, $left, 2, $size, $s->control->azimuthTo($f->found), null)];
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
            return [$this->free($f, Cause::Shifted, 0.0, $count, new Details)];
        }
        $up = $f->found->elevation === null || $s->control->elevation === null ? 0.0 : $f->found->elevation - $s->control->elevation;

        return [$this->away($f, 0.0, $count, $s->control->distanceTo($f->found), $s->control->azimuthTo($f->found), $up)];
    }

    private function away(Foretold $f, float $left, int $assumed, float $size, float $toward, ?float $up): Explanation
    {
        $pole = $f->sight()->sight->target->height;

        return $this->free(
            $f, Cause::Shifted, $left, $assumed,
            new Details(by: $size, up: $up, toward: $toward, pole: $up === null && $size < min(self::TILT, $pole) ? $pole : null), null,
            $size,
        );
    }

    private function free(
        Foretold $f,
        Cause $cause,
        float $left,
        int $assumed,
        Details $details,
        ?float $value = null,
        ?float $size = null,
    ): Explanation {
        return new Explanation(
            cause: $cause,
            sights: [$f->sight()->name],
            details: $details,
            squares: $f->rest->squares() + $left,
            redundancy: $f->rest->redundancy() + count($f->kinds()) - $assumed,
            assumed: $assumed,
            figure: $f->rest,
            value: $value,
            size: $size ?? ($value === null ? null : abs($value)),
        );
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
