<?php

declare(strict_types=1);

namespace App\Practice;

use App\Designs\Models\DesignLayer;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Parlay\Core\Designs\ShapeKind;

/** A floor, walls and a ceiling for the practice site, from the layers of the project's drawings. */
final class SiteSurfaces
{
    /** metres from the floor to the ceiling of a hall */
    private const STOREY = 7.0;

    private const MOST_WALLS = 200;

    /** metres */
    private const DULL = 0.12;

    /** Of so many points two lie where nothing comes back. */
    private const FEWEST_POINTS = 10;

    /** @return array<string, mixed>|null the deed that lays them; null where no layer is one of walls */
    public static function of(Project $project): ?array
    {
        $walls = [];
        $heights = [];
        $layers = DesignLayer::query()->where('name', 'like', '%WALL%')
            ->whereHas('design', static fn ($q) => $q->where('project_id', $project->id)->whereNull('removed_at'))->get();
        foreach ($layers as $layer) {
            $drawing = $layer->drawing();
            for ($i = 0; $i < $drawing->count && count($walls) < self::MOST_WALLS; $i++) {
                $shape = $drawing->shape($i);
                if ($shape->kind === ShapeKind::Line) {
                    [$from, $to] = [$shape->pointAt(0.0), $shape->pointAt(1.0)];
                    $walls[] = [$from->northing, $from->easting, $to->northing, $to->easting];
                    $heights[] = $from->elevation;
                }
            }
        }
        $known = array_filter($heights, static fn (?float $z) => $z !== null);
        if ($walls === [] || $known === []) {
            return null;
        }
        $floor = array_sum($known) / count($known);

        return [
            'do' => 'surfaces', 'floor' => $floor, 'ceiling' => $floor + self::STOREY,
            'walls' => array_map(static fn (array $w) => [...$w, $floor, $floor + self::STOREY], $walls), 'dull' => self::dull($project),
        ];
    }

    /** @return list<array{float, float, float}> */
    private static function dull(Project $project): array
    {
        $count = StakeoutPoint::of($project)->count();
        if ($count < self::FEWEST_POINTS) {
            return [];
        }

        return array_map(static function (int $skip) use ($project): array {
            $p = StakeoutPoint::of($project)->orderBy('id')->skip($skip)->firstOrFail();

            return [$p->northing, $p->easting, self::DULL];
        }, [intdiv($count, 2), intdiv(4 * $count, 5)]);
    }
}
