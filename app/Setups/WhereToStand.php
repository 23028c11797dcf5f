<?php

declare(strict_types=1);

namespace App\Setups;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use App\Worklists\Models\Worklist;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\Stand\Site;
use Parlay\Core\Setups\Stand\Walls;
use Parlay\Core\Units\LengthStyle;
use Parlay\Words\Weaknesses;

/** Control, walls and work of a project, to look for places to stand. */
final readonly class WhereToStand
{
    private const SHOWN = 500;

    /** @param  list<string>  $names  of the points that are to be staked */
    private function __construct(
        public Site $site,
        private array $names,
        private LengthStyle $length,
    ) {}

    /** @param  list<int>  $wallLayers */
    public static function of(Project $project, array $wallLayers, ?int $worklist): self
    {
        $control = ControlPoint::of($project)->whereNot('origin', ControlOrigin::Station)->get()->keyBy('name');
        $work = self::work($project, $worklist);
        $draft = DraftInputs::of($project, SetupDrafts::of($project));

        return new self(new Site(
            $control->map(static fn (ControlPoint $c) => $c->position())->all(),
            $control->map(static fn (ControlPoint $c) => $c->planError())->all(),
            array_column($work, 1), Walls::along(self::shapes($project, $wallLayers)), $draft->accuracy(),
        ), array_column($work, 0), $project->length_style);
    }

    public function here(Position $place): StandHere
    {
        $seen = $this->site->seen($place);
        $precision = $this->site->precision($place, $seen);
        $points = [];
        foreach ($precision === null ? [] : $this->site->work as $i => $p) {
            $points[] = new PointPrecision($this->names[$i], $p, $precision->at($place, $p));
        }
        usort($points, static fn (PointPrecision $a, PointPrecision $b) => $b->ellipse->major <=> $a->ellipse->major);
        $best = $this->site->bestSights($place);
        $weakness = $this->site->weakness($place);

        return new StandHere(
            $seen, array_values(array_diff(array_map(strval(...), array_keys($this->site->control)), $seen)),
            $best[0] ?? [], $best[1] ?? null,
            $points[0]->ellipse->major ?? null, $points[0]->name ?? null, array_slice($points, 0, self::SHOWN),
            $weakness === null ? null : (new Weaknesses($this->length))->sentence($weakness),
        );
    }

    /** @return list<array{string, Position}> */
    private static function work(Project $project, ?int $worklist): array
    {
        $ids = $worklist === null ? null : Worklist::of($project)->findOrFail($worklist)->point_ids;
        $open = StakeoutPoint::of($project)->when($ids !== null, static fn ($q) => $q->whereIn('id', array_slice($ids ?? [], 0, 10_000)))
            ->open()->toBase()->get(['name', 'northing', 'easting']);

        return $open->map(static fn (object $p) => [(string) $p->name, new Position((float) $p->northing, (float) $p->easting)])
            ->values()
            ->all();
    }

    /**
     * @param  list<int>  $layers
     * @return iterable<Shape>
     */
    private static function shapes(Project $project, array $layers): iterable
    {
        foreach (DesignLayer::query()->whereIn('id', $layers)->whereIn('design_id', Design::of($project)->select('id'))->get() as $layer) {
            $drawing = $layer->drawing();
            for ($i = 0; $i < $layer->count; $i++) {
                yield $drawing->shape($i);
            }
        }
    }
}
