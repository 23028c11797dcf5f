<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Adjustment\BlockSolution;
use Parlay\Core\Adjustment\Held;
use Parlay\Core\Adjustment\Likeliest;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;

/** One weighted least squares over all observations in space, with all statistics; every way to set up on control goes through it. */
final readonly class StationAdjustment
{
    /** @var list<ControlSight> that enter with at least one observation */
    private array $used;

    /** @param  list<ControlSight>  $sights  all, used or not; all get residuals */
    public function __construct(
        private array $sights,
        private float $instrumentHeight,
        private Accuracy $accuracy,
        private Given $given = new Given,
    ) {
        $this->used = array_values(array_filter($sights, static fn (ControlSight $s) => StationModel::observed($s) !== []));
    }

    /**
     * @return non-empty-list<SetupSolution> the likeliest place first; a second one where the readings can't tell them apart
     *
     * @throws CannotSetUp
     */
    public function places(): array
    {
        $used = $this->used;
        $origin = $this->given->place ?? $used[0]->control;
        $model = $this->model($used, $origin);
        $starts = array_map(static fn (array $s) => $model->start(...$s), $this->starts($used, $origin));
        try {
            return array_map(fn (BlockSolution $s) => $this->found($model, $s), Likeliest::of($model, $starts));
        } catch (NoSolution $e) {
            throw CannotSetUp::noSolution($e->getMessage());
        }
    }

    /** @param  list<ControlSight>  $used */
    private function model(array $used, Position $origin): StationModel
    {
        // Around a near origin, so that squares are not formed of coordinates in millions.
        return new StationModel($used, $origin, $this->accuracy, $this->instrumentHeight, $this->given);
    }

    /**
     * @param  list<ControlSight>  $used
     * @return list<array{Position, float}>
     */
    private function starts(array $used, Position $origin): array
    {
        return $this->given->place === null ? StationStart::find($used, $origin)
            : [[$this->given->place, $this->given->orientation ?? StationStart::orientation($this->given->place, $used)]];
    }

    private function found(StationModel $model, BlockSolution $solution): SetupSolution
    {
        [$unknowns, $covariance] = $this->held($model, $solution);
        $orientation = $model->orientation === null ? 0.0 : $unknowns[$model->orientation];
        $station = new Station($model->mark($unknowns), Angle::wrap($orientation), $this->instrumentHeight);

        return new SetupSolution(
            station: $station,
            precision: Precision::from($covariance, $model->orientation, $model->height),
            residuals: $this->residuals($model, $solution, $station),
            redundancy: $solution->redundancy,
            fit: $solution->fit(),
            cautions: [],
            passes: $solution->passes(),
            placeFound: $this->given->place === null,
            scale: $this->scale($model, $solution),
        );
    }

    /** @return array{list<float>, list<list<float>>} unknowns and covariance, with what is given held as it is given */
    private function held(StationModel $model, BlockSolution $solution): array
    {
        $held = $model->given();
        if ($held === []) {
            return [$solution->unknowns, $solution->cofactors];
        }
        $found = Held::at($solution, $held);

        return [$found->unknowns, $found->covariance];
    }

    /** @return list<SightResidual> */
    private function residuals(StationModel $model, BlockSolution $solution, Station $station): array
    {
        $residuals = [];
        $block = $model->before();
        foreach ($this->sights as $s) {
            $kinds = StationModel::observed($s);
            $residuals[] = $kinds === [] ? $this->residual($station, $s) : $this->judged($station, $s, $solution, $block++, $kinds);
        }

        return $residuals;
    }

    /** @param  list<ObservedKind>  $kinds */
    private function judged(Station $station, ControlSight $s, BlockSolution $solution, int $block, array $kinds): SightResidual
    {
        $b = $solution->blocks[$block];
        $judged = $solution->judge($block);
        $observed = [];
        foreach ($kinds as $i => $kind) {
            $r = $judged->reliability[$i];
            $observed[] = new ObservedResidual($kind, $b->misclosures[$i], sqrt($b->covariance[$i][$i]), $r->redundancy, $r->normalised, $r->detectable);
        }

        return $this->residual($station, $s, $observed, $judged->without === null || $this->given->place !== null ? null : hypot($judged->without[0], $judged->without[1]));
    }

    /** @param  list<ObservedResidual>  $observed */
    private function residual(Station $station, ControlSight $s, array $observed = [], ?float $moves = null): SightResidual
    {
        $known = $station->mark->distanceTo($s->control);
        $hasDistance = $s->sight->hasDistance();
        $direction = Angle::signed($station->azimuthOf($s->sight->circle) - $station->mark->azimuthTo($s->control));
        $height = $hasDistance ? $station->locate($s->sight)->elevation : $station->heightAt($s->sight, $known);
        // A direction that nothing checks always fits: that is no residual.
        if ($observed !== [] && $observed[0]->kind === ObservedKind::Direction && $observed[0]->normalised === null) {
            $direction = null;
        }
        $detectable = $normalised = $checked = null;
        foreach ($observed as $o) {
            $checked = min($checked ?? 1.0, $o->redundancy);
            $detectable = $o->detectable === null ? INF : max($detectable ?? 0.0, $o->detectable * ($o->kind->isAngle() ? $known : 1.0));
            $normalised = $o->normalised === null ? $normalised : max($normalised ?? 0.0, $o->normalised);
        }

        return new SightResidual(
            $s->name, $s->plan, $s->height, $direction, $direction === null ? null : $direction * $known, $hasDistance ? $s->sight->distance - $known : null,
            $height === null || $s->control->elevation === null ? null : $height - $s->control->elevation,
            $checked, $detectable === null || is_infinite($detectable) ? null : $detectable, $normalised, $moves, $observed,
        );
    }

    /** A free scale beside it, as a check, by one step from the solution; null where the distances can't tell. */
    private function scale(StationModel $model, BlockSolution $solution): ?FreeScale
    {
        $columns = [];
        $distances = 0;
        foreach ($this->used as $i => $s) {
            $distances += $s->givesDistance() ? 1 : 0;
            $columns[$model->before() + $i] = StationModel::scaled($s);
        }
        if ($solution->redundancy < 2 || $distances < 2) {
            return null;
        }
        $found = $solution->another($columns);

        return $found === null ? null : new FreeScale(1e6 * $found[0], 1e6 * $found[1]);
    }
}
