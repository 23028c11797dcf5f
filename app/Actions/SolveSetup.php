<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\DraftBody;
use App\Http\Bodies\DraftSightBody;
use App\Http\Bodies\SetupMethod;
use App\Models\ControlPoint;
use App\Models\Observation;
use App\Models\Project;
use Illuminate\Support\Collection;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setup\CannotSetUp;
use Parlay\Core\Setup\ControlSight;
use Parlay\Core\Setup\KnownBacksight;
use Parlay\Core\Setup\Resection;
use Parlay\Core\Setup\SetupSolution;
use Parlay\Core\Setup\Why\Explanation;
use Parlay\Core\Setup\Why\WhyBad;

/** What the draft's sights give; stores nothing. */
final class SolveSetup
{
    /** @throws \DomainException where they give nothing yet */
    public function __invoke(Project $project, DraftBody $draft): SetupSolution
    {
        $control = self::control($project);
        $observations = self::observations($project, $draft);
        $sights = self::sights($draft, $control, $observations);
        $accuracy = self::accuracy($observations);

        return $draft->method === SetupMethod::Resection
            ? Resection::solve($sights, $draft->instrumentHeight, $accuracy)
            : self::fromBacksight($control->get($draft->stationControlId), $sights, $draft->instrumentHeight, $accuracy);
    }

    /** Distance of the farthest point that is still to be staked; null where there is none. */
    public static function farthest(Project $project, Position $from): ?float
    {
        $square = $project->points()->whereNotExists(static fn ($q) => $q->from('marks')->where('marks.project_id', $project->id)->where('kind', 'stake')->whereColumn('point_id', 'stakeout_points.id'))
            ->toBase()->selectRaw('max((northing - ?) * (northing - ?) + (easting - ?) * (easting - ?)) AS d', [$from->northing, $from->northing, $from->easting, $from->easting])->value('d');

        return $square === null ? null : sqrt((float) $square);
    }

    /**
     * Why the sights in use don't fit; null where nothing is suspected.
     *
     * @return list<Explanation>|null the likeliest first
     */
    public function explanations(Project $project, DraftBody $draft): ?array
    {
        if ($draft->method !== SetupMethod::Resection || count($draft->sights) < 3) {
            return null;
        }
        $control = self::control($project);
        $observations = self::observations($project, $draft);
        $used = array_values(array_filter(self::sights($draft, $control, $observations), static fn (ControlSight $s) => $s->used));

        return WhyBad::explain($used, $control->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all(), self::accuracy($observations), $project->length_style->format(...));
    }

    /**
     * @param  Collection<int, ControlPoint>  $control
     * @param  Collection<int, Observation>  $observations
     * @return list<ControlSight>
     */
    private static function sights(DraftBody $draft, Collection $control, Collection $observations): array
    {
        $sights = [];
        foreach ($draft->sights as $s) {
            $mark = $control->get($s->controlId);
            $observation = $observations->get($s->observationId);
            if ($mark !== null && $observation !== null) {
                $sights[] = new ControlSight($mark->name, $mark->position(), $observation->sight(), $s->used);
            }
        }

        return $sights;
    }

    /** @param  Collection<int, Observation>  $observations */
    private static function accuracy(Collection $observations): Accuracy
    {
        return $observations->last()?->accuracy() ?? Accuracy::stated(2, 1, 1.5);
    }

    /** @return Collection<int, ControlPoint> by id */
    public static function control(Project $project): Collection
    {
        return ControlPoint::query()->where('project_id', $project->id)->get()->keyBy('id');
    }

    /** @return Collection<int, Observation> by id */
    public static function observations(Project $project, DraftBody $draft): Collection
    {
        $ids = array_map(static fn (DraftSightBody $s) => $s->observationId, $draft->sights);

        return Observation::query()->where('project_id', $project->id)->whereIn('id', $ids)->get()->keyBy('id');
    }

    /** @param  list<ControlSight>  $sights */
    private static function fromBacksight(?ControlPoint $station, array $sights, float $instrumentHeight, Accuracy $accuracy): SetupSolution
    {
        if ($station === null) {
            throw new \DomainException('Say which control point the instrument stands on.');
        }
        $used = array_values(array_filter($sights, static fn (ControlSight $s) => $s->used));
        if ($used === []) {
            throw new \DomainException('Sight the backsight: a second control point, as far away as the work is.');
        }
        if (count($used) > 1) {
            throw new \DomainException('A known backsight takes one sight. Leave the others out, or choose resection to use them all.');
        }
        if ($used[0]->name === $station->name) {
            throw CannotSetUp::backsightIsStation($station->name);
        }

        return KnownBacksight::solve($station->position(), $instrumentHeight, $used[0], $accuracy);
    }
}
