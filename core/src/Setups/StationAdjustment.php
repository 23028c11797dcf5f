<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\Constrained;
use Parlay\Core\Adjustment\GroupedSolution;
use Parlay\Core\Adjustment\Likeliest;
use Parlay\Core\Adjustment\NoSolution;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Units\Angle;

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
        private StationConstraint $given = new StationConstraint,
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
        [$model, $solutions] = $this->solved();

        return array_map(fn (GroupedSolution $s) => $this->found($model, $s), $solutions);
    }

    /**
     * The likeliest place alone, as it was solved: what is given has moved with the rest as far as its deviations let it.
     *
     * @return array{StationModel, GroupedSolution, Station}
     *
     * @throws CannotSetUp
     */
    public function likeliest(): array
    {
        [$model, [$solution]] = $this->solved();

        return [$model, $solution, $this->station($model, $solution->unknowns)];
    }

    /**
     * @return array{StationModel, non-empty-list<GroupedSolution>}
     *
     * @throws CannotSetUp
     */
    private function solved(): array
    {
        $origin = $this->given->place ?? ($this->used[0] ?? throw CannotSetUp::tooFewSights(0))->control;
        $model = $this->model($this->used, $origin);
        $starts = array_map(static fn (array $s) => $model->start(...$s), $this->starts($this->used, $origin));
        try {
            return [$model, Likeliest::of($model, $starts)];
        } catch (NoSolution $e) {
            throw CannotSetUp::noSolution($e->getMessage(), count($this->used));
        }
    }

    /** @param  list<float>  $unknowns */
    private function station(StationModel $model, array $unknowns): Station
    {
        return new Station(
            $model->mark($unknowns), Angle::wrap($model->orientation === null ? 0.0 : $unknowns[$model->orientation]),
            $this->instrumentHeight,
        );
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

    private function found(StationModel $model, GroupedSolution $solution): SetupSolution
    {
        [$unknowns, $covariance] = $this->held($model, $solution);
        $station = $this->station($model, $unknowns);

        return new SetupSolution(
            station: $station,
            precision: Precision::from($covariance, $model->orientation, $model->height),
            residuals: (new SightsJudged($station, $solution, $model->before(), $this->given->place === null))->of($this->sights),
            redundancy: $solution->redundancy,
            unitWeightDeviation: $solution->unitWeightDeviation(),
            cautions: [],
            passes: $solution->passes(),
            placeFound: $this->given->place === null,
            scale: $this->scale($model, $solution),
        );
    }

    /** @return array{list<float>, list<list<float>>} unknowns and covariance, with what is given held as it is given */
    private function held(StationModel $model, GroupedSolution $solution): array
    {
        $held = $model->given();
        if ($held === []) {
            return [$solution->unknowns, $solution->cofactors];
        }
        $found = Constrained::at($solution, $held);

        return [$found->unknowns, $found->covariance];
    }

    /** A free scale beside it, as a check, by one step from the solution; null where the distances can't tell. */
    private function scale(StationModel $model, GroupedSolution $solution): ?FreeScale
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
