<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

use Parlay\Core\Adjustment\Equation;
use Parlay\Core\Adjustment\LeastSquares;
use Parlay\Core\Adjustment\Model;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Setup\ResectionStart;

/**
 * A station solved in plan and height together, free or on a known mark, with one thing more that may be wrong with all distances. Only how well it
 * fits, and where it says that each sight went, matter here.
 */
final readonly class Figure implements Model
{
    /**
     * @param  list<ControlSight>  $sights
     * @param  bool  $constant  all distances may be too long by a length
     * @param  bool  $scale  or by a part of their length
     */
    private function __construct(
        private array $sights,
        private Position $origin,
        private Accuracy $accuracy,
        private bool $constant,
        private bool $scale,
        private ?Occupied $on,
    ) {}

    /**
     * @param  list<ControlSight>  $sights
     * @param  Occupied|null  $on  the mark it stands on: three observations more; null for a free station
     * @return Solved|null null where the figure can't be solved
     */
    public static function solve(array $sights, Accuracy $accuracy, ?Occupied $on = null, bool $constant = false, bool $scale = false): ?Solved
    {
        $axis = $on?->axis();
        $origin = $axis ?? $sights[0]->control;
        $level = $origin->elevation ?? 0.0;
        $model = new self($sights, $origin, $accuracy, $constant, $scale, $on);
        [$n, $e, $o] = $on === null ? ResectionStart::find($sights, $origin) : [0.0, 0.0, Angle::signed($origin->azimuthTo($sights[0]->control) - $sights[0]->sight->circle)];
        $heights = array_filter($sights, static fn (ControlSight $s) => $s->control->elevation !== null);
        $start = $heights === [] || $axis?->elevation !== null ? 0.0 : array_sum(array_map(static fn (ControlSight $s) => self::axis($s) - $level, $heights)) / count($heights);
        try {
            $solution = LeastSquares::solve($model, [$n, $e, $o, ...($heights === [] && $axis?->elevation === null ? [] : [$start]), ...($constant || $scale ? [0.0] : [])]);
        } catch (NoSolution) {
            return null;
        }
        [$n, $e, $o] = $solution->unknowns;
        $squares = $solution->redundancy > 0 ? $solution->variance * $solution->redundancy : 0.0;

        return new Solved(
            new Position($origin->northing + $n, $origin->easting + $e, $heights === [] && $axis?->elevation === null ? null : $level + $solution->unknowns[3]),
            Angle::wrap($o), $squares, $solution->redundancy, $constant || $scale ? $solution->unknowns[count($solution->unknowns) - 1] : 0.0, $solution->cofactors,
        );
    }

    public function equationsAt(array $unknowns): array
    {
        [$northing, $easting, $orientation] = $unknowns;
        $level = $this->origin->elevation ?? 0.0;
        $hasHeight = count($unknowns) - ($this->constant || $this->scale ? 1 : 0) > 3;
        $extra = $this->constant || $this->scale ? $unknowns[count($unknowns) - 1] : 0.0;
        $row = static fn (array $plan, float $height, float $more): array => [...$plan, ...($hasHeight ? [$height] : []), ...($more === INF ? [] : [$more])];
        $none = $this->constant || $this->scale ? 0.0 : INF;
        $equations = $this->on === null ? [] : $this->ofMark($this->on, $row, $none, $unknowns, $hasHeight);
        foreach ($this->sights as $s) {
            $dn = $s->control->northing - $this->origin->northing - $northing;
            $de = $s->control->easting - $this->origin->easting - $easting;
            $distance = max(hypot($dn, $de), 1e-3);
            $measured = $s->sight->distance;
            $accuracy = $s->accuracy($this->accuracy);
            $equations[] = new Equation($row([$de / $distance ** 2, -$dn / $distance ** 2, -1.0], 0.0, $none), Angle::signed($s->sight->circle + $orientation - atan2($de, $dn)), $accuracy->ofDirection($measured));
            // What lengthens the slope distance lengthens its plan part and its rise in proportion.
            $part = $this->constant ? 1 / $s->sight->slope : ($this->scale ? 1.0 : INF);
            $longer = $part === INF ? 0.0 : $extra * $part;
            $equations[] = new Equation($row([-$dn / $distance, -$de / $distance, 0.0], 0.0, $part === INF ? INF : $part * $measured), $measured * (1 - $longer) - $distance, $accuracy->ofDistance($measured));
            if ($hasHeight && $s->control->elevation !== null) {
                $equations[] = new Equation($row([0.0, 0.0, 0.0], 1.0, $part === INF ? INF : -$part * $s->sight->rise), self::axis($s) + $longer * $s->sight->rise - $level - $unknowns[3], $accuracy->ofHeight($measured));
            }
        }

        return $equations;
    }

    /**
     * That it stands over its mark says three things; the origin is its axis.
     *
     * @param  callable(array{float, float, float}, float, float): list<float>  $row
     * @param  list<float>  $unknowns
     * @return list<Equation>
     */
    private function ofMark(Occupied $on, callable $row, float $none, array $unknowns, bool $hasHeight): array
    {
        $plan = $on->planError($this->accuracy);
        $equations = [new Equation($row([1.0, 0.0, 0.0], 0.0, $none), -$unknowns[0], $plan), new Equation($row([0.0, 1.0, 0.0], 0.0, $none), -$unknowns[1], $plan)];
        if ($hasHeight && $this->origin->elevation !== null) {
            $equations[] = new Equation($row([0.0, 0.0, 0.0], 1.0, $none), -$unknowns[3], $on->heightError($this->accuracy));
        }

        return $equations;
    }

    /** Elevation of the trunnion axis that a sight gives. */
    private static function axis(ControlSight $s): float
    {
        return (float) $s->control->elevation + $s->sight->target->height - $s->sight->rise;
    }
}
