<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Ellipse;
use Parlay\Core\Geometry\Circle;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\Stand\Expected;
use Parlay\Core\Units\Angle;

/**
 * Whether a setup is weak for the work it is meant for. The covariance judges; the geometry behind it explains; what more would mend it
 * is tried out. The limits are common practice, without a source.
 */
final readonly class WeakFigure
{
    /** A setup that makes a point worse than this many times what the shot itself does is weak. */
    private const WEAK = 2.0;

    /** All sights within so much of one direction go the same way. */
    private const SAME_WAY = M_PI / 4;

    /** So near the circle through three marks, in radii, their angles say little. */
    private const NEAR_CIRCLE = 0.15;

    private const FLAT = M_PI / 9;

    /**
     * @param  list<PlannedSight>  $sights  that fix the place
     * @param  Position|null  $far  the far end of what is to be staked; null where nothing is listed
     * @param  array<string, Position>  $control  that could be sighted besides, by name
     */
    public function __construct(
        private Position $station,
        private Precision $precision,
        private array $sights,
        private Accuracy $accuracy,
        private ?Position $far,
        private array $control,
    ) {}

    /**
     * Of a setup that was measured.
     *
     * @param  list<ControlSight>  $sights
     * @param  array<string, Position>  $control
     */
    public static function measured(SetupSolution $solution, array $sights, Accuracy $accuracy, ?Position $far, array $control): self
    {
        $planned = array_values(array_filter(array_map(static fn (ControlSight $s) => $s->planned(), $sights)));

        return new self($solution->station->mark, $solution->precision, $planned, $accuracy, $far, $control);
    }

    /** Null where the figure is good enough. */
    public function weakness(): ?Weakness
    {
        if (! $this->precision->oriented || $this->sights === []) {
            return null;
        }
        $far = $this->far ?? $this->farthestControl();
        $off = $this->station->distanceTo($far);
        $reach = $this->precision->at($this->station, $far)->major;
        if ($reach <= self::WEAK * self::ofShot($this->accuracy, $off)) {
            return null;
        }
        [$kind, $names, $metres, $toward] = $this->why($off);
        [$mark, $markToward, $mended] = $this->mend($far, $reach);

        return new Weakness(
            kind: $kind,
            names: $names,
            metres: $metres,
            toward: $toward,
            far: $off,
            ofWork: $this->far !== null,
            reach: $reach,
            mark: $mark,
            markToward: $markToward,
            mended: $mended,
        );
    }

    /**
     * Of a setup whose orientation hangs on one length: a line shot along, a backsight, a baseline.
     *
     * @param  Position|null  $far  the far end of what is to be staked; null where nothing is listed, and then nothing is judged
     */
    public static function ofShort(ShortBase $short, SetupSolution $solution, Accuracy $accuracy, ?Position $far): ?Weakness
    {
        if ($far === null || ! $solution->precision->oriented) {
            return null;
        }
        $station = $solution->station->mark;
        $off = $station->distanceTo($far);
        $reach = $solution->precision->at($station, $far)->major;
        $good = self::WEAK * self::ofShot($accuracy, $off);
        if ($reach <= $good) {
            return null;
        }

        return new Weakness(
            $short->kind, $short->name === null ? [] : [$short->name], $short->metres, null, $off, true, $reach,
            mended: ceil($short->metres * $reach / $good),
        );
    }

    /** What a shot itself does so far out, 95 %. */
    private static function ofShot(Accuracy $accuracy, float $off): float
    {
        return Ellipse::NINETY_FIVE * hypot($accuracy->centring, max($accuracy->distance, $off * $accuracy->angle));
    }

    /** @return array{WeaknessKind, list<string>, ?float, ?float} kind, names, metres, direction */
    private function why(float $off): array
    {
        $angles = array_filter($this->sights, static fn (PlannedSight $s) => $s->distance) === [];
        $distances = count(array_filter($this->sights, static fn (PlannedSight $s) => $s->direction)) <= 1;

        return match (true) {
            $angles && ($marks = $this->nearCircle()) !== null => [WeaknessKind::NearCircle, $marks, null, null],
            $this->allOneWay() => [WeaknessKind::OneWay, [], null, $this->middle()],
            $angles && $this->flattest() < self::FLAT => [WeaknessKind::AnglesInLine, [], null, null],
            $distances && $this->flattest() < self::FLAT => [WeaknessKind::DistancesInLine, [], null, null],
            $this->longest() < $off / 2 => [WeaknessKind::ShortSights, [], $this->longest(), null],
            $this->flattest() < self::FLAT => [WeaknessKind::InLine, [], null, null],
            $this->far !== null && abs(Angle::signed($this->station->azimuthTo($this->far) - $this->middle())) > M_PI_2 => [
                WeaknessKind::OneSide, [], null, null,
            ],
            default => [WeaknessKind::Weak, [], null, null],
        };
    }

    /** @return array{?string, float, ?float} the mark to sight, its direction or where one is wanted, and what the reach comes down to */
    private function mend(Position $far, float $reach): array
    {
        [$positions, $deviations] = [
            array_map(static fn (PlannedSight $s) => $s->control, $this->sights),
            array_map(static fn (PlannedSight $s) => $s->planDeviation, $this->sights),
        ];
        $names = array_map(static fn (PlannedSight $s) => $s->name, $this->sights);
        [$best, $least] = [null, 0.7 * $reach];
        foreach ($this->control as $name => $c) {
            if (in_array((string) $name, $names, true) || $c->distanceTo($this->station) < 2.0) {
                continue;
            }
            $with = Expected::precision($this->station, [...$positions, $c], [...$deviations, 0.0], $this->accuracy)?->at(
                $this->station, $far,
            )->major;
            if ($with !== null && $with < $least) {
                [$best, $least] = [(string) $name, $with];
            }
        }

        return $best === null
            ? [null, Angle::wrap($this->middle() + M_PI_2), null]
            : [$best, $this->station->azimuthTo($this->control[$best]), $least];
    }

    private function farthestControl(): Position
    {
        $by = $this->sights;
        usort(
            $by,
            fn (PlannedSight $a, PlannedSight $b) => $this->station->distanceTo($b->control) <=> $this->station->distanceTo($a->control),
        );

        return $by[0]->control;
    }

    private function longest(): float
    {
        return max([0.0, ...array_map(fn (PlannedSight $s) => $this->station->distanceTo($s->control), $this->sights)]);
    }

    /** Mean direction of the sights. */
    private function middle(): float
    {
        $n = $e = 0.0;
        foreach ($this->sights as $s) {
            $a = $this->station->azimuthTo($s->control);
            $n += cos($a);
            $e += sin($a);
        }

        return Angle::wrap(atan2($e, $n));
    }

    private function allOneWay(): bool
    {
        foreach ($this->sights as $s) {
            if (abs(Angle::signed($this->station->azimuthTo($s->control) - $this->middle())) > self::SAME_WAY / 2) {
                return false;
            }
        }

        return true;
    }

    /** The widest angle off a common line that any two sights make; small means all in line. */
    private function flattest(): float
    {
        $widest = 0.0;
        foreach ($this->sights as $i => $a) {
            foreach (array_slice($this->sights, $i + 1) as $b) {
                $angle = abs(Angle::signed($this->station->azimuthTo($a->control) - $this->station->azimuthTo($b->control)));
                $widest = max($widest, min($angle, M_PI - $angle));
            }
        }

        return $widest;
    }

    /** @return array{string, string, string}|null three marks, where the instrument is near the circle through every three of them */
    private function nearCircle(): ?array
    {
        $n = count($this->sights);
        $names = null;
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                for ($k = $j + 1; $k < $n; $k++) {
                    [$a, $b, $c] = [$this->sights[$i], $this->sights[$j], $this->sights[$k]];
                    try {
                        $circle = Circle::through($a->control, $b->control, $c->control);
                    } catch (NoConstruction) {
                        return null;
                    }
                    if (abs($circle->centre->distanceTo($this->station) - $circle->radius) > self::NEAR_CIRCLE * $circle->radius) {
                        return null;
                    }
                    $names ??= [$a->name, $b->name, $c->name];
                }
            }
        }

        return $names;
    }
}
