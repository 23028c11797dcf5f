<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\FitPair;
use App\Cogo\GivenDirection;
use App\Cogo\GivenLine;
use App\Cogo\GivenPlace;
use App\Cogo\Givens;
use App\Cogo\Move;
use App\Cogo\MoveKind;
use App\Cogo\PointsMoved;
use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use Parlay\Core\Fit\PointFit;
use Parlay\Core\Geometry\Affine;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;

/** Moves, turns, scales, mirrors or fits points: shown first, then done. What was moved by hand no longer comes from its source. */
final class MovePoints
{
    public function preview(Project $project, Move $body): PointsMoved
    {
        [$transform, $rise, $fit] = $this->transform($project, $body);
        $places = [];
        $farthest = 0.0;
        $rows = self::rows($project, $body->ids, 'stakeout_points');
        foreach ([...$rows, ...self::rows($project, $body->controlIds, 'control_points')] as $row) {
            $at = new Position((float) $row->northing, (float) $row->easting);
            $to = $transform->apply($at);
            array_push($places, $to->easting, $to->northing);
            $farthest = max($farthest, hypot($at->distanceTo($to), $rise));
        }
        $staked = count(array_intersect_key(StakeoutPoint::stakes($project), array_flip($body->ids)));

        return new PointsMoved(
            count: intdiv(count($places), 2),
            staked: $staked,
            farthest: $farthest,
            places: $places,
            residuals: $fit === null ? [] : $fit->residuals,
            deviation: $fit?->deviation,
            outlier: $fit?->outlier,
            scale: $fit?->scale,
            rotation: $fit?->rotation,
        );
    }

    public function move(Project $project, Move $body): int
    {
        return Preparation::step($project, 'Moved '.count($body->ids).' points', function (Preparation $step) use ($project, $body): int {
            [$transform, $rise] = $this->transform($project, $body);
            $count = 0;
            foreach (['stakeout_points' => $body->ids, 'control_points' => $body->controlIds] as $table => $ids) {
                $before = $after = [];
                foreach (self::rows($project, $ids, $table) as $row) {
                    $to = $transform->apply(new Position((float) $row->northing, (float) $row->easting));
                    $own = $table === 'stakeout_points' ? ['origin' => $row->origin, 'recipe' => $row->recipe] : [];
                    $before[$row->id] = ['northing' => $row->northing, 'easting' => $row->easting, 'elevation' => $row->elevation] + $own;
                    $after[$row->id] = [
                        'northing' => $to->northing, 'easting' => $to->easting,
                        'elevation' => $row->elevation === null ? null : $row->elevation + $rise,
                    ] + ($own === [] ? [] : ['origin' => 'computed', 'recipe' => self::recipe($row->recipe)]);
                }
                $step->updateMany($table, $before, $after);
                $count += count($after);
            }

            return $count;
        });
    }

    /** Where it came from is still said; it is no longer worked out from there. */
    private static function recipe(?string $recipe): string
    {
        $description = (string) ((json_decode((string) $recipe, true) ?: [])['description'] ?? 'typed');

        return json_encode(
            ['description' => str_starts_with($description, 'Moved; ') ? $description : "Moved; was: $description"],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );
    }

    /** @return array{Affine, float, PointFit|null} */
    private function transform(Project $project, Move $b): array
    {
        $givens = new Givens($project, new DrawnShapes($project));
        try {
            return match ($b->kind) {
                MoveKind::Shift => self::shift($givens, $b),
                MoveKind::Rotate => [
                    Affine::about($givens->place($b->about ?? new GivenPlace), self::turn($givens, $b)), $b->dElevation, null,
                ],
                MoveKind::Scale => [Affine::about(
                    $givens->place($b->about ?? new GivenPlace), 0.0,
                    $b->factor > 0.0 ? $b->factor : throw NoConstruction::notPositive('The scale'),
                ), $b->dElevation, null],
                MoveKind::Mirror => [self::mirror($givens, $b), $b->dElevation, null],
                MoveKind::Fit => self::fit($givens, $b),
            };
        } catch (NoConstruction $e) {
            throw new \DomainException($e->in($project->length_style));
        }
    }

    /** @return array{Affine, float, null} */
    private static function shift(Givens $givens, Move $b): array
    {
        if ($b->from === null || $b->to === null) {
            return [Affine::shift($b->dNorthing, $b->dEasting), $b->dElevation, null];
        }
        [$from, $to] = [$givens->place($b->from), $givens->place($b->to)];
        $rise = $from->elevation === null || $to->elevation === null ? $b->dElevation : $to->elevation - $from->elevation;

        return [Affine::shift($to->northing - $from->northing, $to->easting - $from->easting), $rise, null];
    }

    private static function turn(Givens $givens, Move $b): float
    {
        return $b->directionNow === null
            ? $b->angle
            : $givens->direction($b->directionWanted ?? new GivenDirection) - $givens->direction($b->directionNow);
    }

    private static function mirror(Givens $givens, Move $b): Affine
    {
        $line = $givens->line($b->line ?? new GivenLine);

        return Affine::mirror($line->from, $line->azimuth);
    }

    /** @return array{Affine, float, PointFit} */
    private static function fit(Givens $givens, Move $b): array
    {
        $fit = PointFit::of(
            array_map(static fn (FitPair $p) => [$givens->place($p->from), $givens->place($p->to)], $b->pairs),
            array_map(static fn (FitPair $p) => $p->used, $b->pairs), $b->fit,
        );

        return [$fit->transform, $b->dElevation, $fit];
    }

    /**
     * @param  list<int>  $ids
     * @return list<\stdClass>
     */
    private static function rows(Project $project, array $ids, string $table): array
    {
        $wanted = array_flip($ids);
        $query = $table === 'stakeout_points'
            ? StakeoutPoint::of($project)->toBase()->select(['id', 'northing', 'easting', 'elevation', 'origin', 'recipe'])
            : ControlPoint::of($project)->toBase()->select(['id', 'northing', 'easting', 'elevation']);

        return $ids === [] ? [] : array_values($query->get()->filter(static fn (object $r) => isset($wanted[$r->id]))->all());
    }
}
