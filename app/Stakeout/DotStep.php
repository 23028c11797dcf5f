<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Points\Models\Code;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\Models\KeptAim;
use App\Stakeout\Models\RunStep;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Stakeout\DotSearch;
use Parlay\Core\Stakeout\MarkedOn;
use Parlay\Core\Stakeout\RunOrder;
use Parlay\Core\Stakeout\Tolerance;

/** What the red dot is brought onto for one point of a run, and as what it is marked. */
final readonly class DotStep
{
    /** The ends of a pair that lie nearer to each other have no line between them, metres. */
    private const ONE_PLACE = 0.05;

    private Against $against;

    private Position $design;

    /** @throws \DomainException where the point is gone */
    public function __construct(private Project $project, private RunSettings $settings, private RunStep $step)
    {
        $this->against = $step->aim_id !== null
            ? Against::kept(KeptAim::query()->where('project_id', $project->id)->findOrFail($step->aim_id))
            : Against::point(StakeoutPoint::of($project)->find($step->point_id) ?? throw new \DomainException("{$step->name} is gone. Skip it."));
        // A point, a spot or a place: designed there, wherever one stands.
        $this->design = $this->against->aim->designedAt(new Position(0, 0))->place;
    }

    /** @param  Position|null  $hitBefore  where the slab was hit last */
    public function search(?Position $hitBefore): DotSearch
    {
        $s = $this->settings;
        $station = self::station($this->project);
        $tolerance = Code::toleranceOf($this->project, $this->against->code);

        return DotSearch::begin(
            $s->on === MarkedOn::Slab || $s->elevation === null ? $this->design : $this->design->at($s->elevation), $s->on,
            $station->mark->at($station->mark->elevation === null ? null : $station->mark->elevation + $station->instrumentHeight),
            // The other half is left to the measurement of the mark.
            new Tolerance($tolerance->plan / 2, $tolerance->height / 2, $tolerance->above === null ? null : $tolerance->above / 2), $s->tries, $this->wall(), $s->floor, $this->through(), $hitBefore,
        );
    }

    public function marked(): DotMarked
    {
        $miss = $this->step->miss ?? [];

        return new DotMarked(
            $this->settings->on, $this->wall() ?? (isset($miss['wall']) ? (float) $miss['wall'] : null), $this->settings->elevation, $this->through(),
        );
    }

    /** Of a pair, the direction of its own line: from one wall to the other. */
    private function through(): ?float
    {
        if ($this->settings->on !== MarkedOn::Wall || $this->step->point_id === null) {
            return null;
        }
        $steps = RunStep::query()->where('run_id', $this->step->run_id)->whereNotNull('point_id')->orderBy('place')->get(['place', 'name', 'point_id']);
        $own = $steps->search(fn (RunStep $s) => $s->place === $this->step->place);
        $partner = $own === false ? null : RunOrder::partners($steps->map(static fn (RunStep $s) => $s->name)->values()->all())[$own];
        $other = $partner === null ? null : StakeoutPoint::of($this->project)->find($steps[$partner]->point_id)?->position();

        return $other === null || $other->distanceTo($this->design) < self::ONE_PLACE ? null : $this->design->azimuthTo($other);
    }

    /** Azimuth in which the wall runs there; null where nobody said. */
    private function wall(): ?float
    {
        $line = $this->settings->wallId === null ? null : KeptAim::query()->where('project_id', $this->project->id)
            ->where('kind', AimKind::Line)->find($this->settings->wallId);

        return $line?->line()->foot($this->design)->azimuth;
    }

    public static function station(Project $project): Station
    {
        return (Setup::current($project)->first() ?? throw new \DomainException('Set up the instrument first.'))->station();
    }
}
