<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\SpaceMeasured;
use App\Cogo\SpacePick;
use App\Cogo\Words;
use App\Projects\Models\Project;
use Parlay\Core\Geometry\Between;
use Parlay\Core\Geometry\Space;

/** Measures between faces, axes and places of things; stores nothing. */
final class MeasureInSpace
{
    public function __invoke(Project $project, SpacePick $first, SpacePick $second): SpaceMeasured
    {
        $shapes = new DrawnShapes($project);
        [$p, $q] = [self::found($project, $shapes, $first), self::found($project, $shapes, $second)];
        $between = self::between($p, $q);

        return new SpaceMeasured(
            first: $p[1], second: $q[1], distance: $between->distance, angle: $between->angle, east: $between->way[0] ?? null, north: $between->way[1] ?? null,
            up: $between->way[2] ?? null, from: $p[2], to: $q[2],
        );
    }

    /** @return array{string, string, array{float, float, float}, array{float, float, float}} what it is, in words, a place of it, and its normal or direction */
    private static function found(Project $project, DrawnShapes $shapes, SpacePick $pick): array
    {
        if ($pick->part !== null) {
            $part = $shapes->things->part($pick->part);
            $at = [$part->place->easting, $part->place->northing, (float) $part->place->elevation];
            $normal = $part->lay->normal;
            if (count($normal) === 3) {
                return ['plane', $part->name, $at, [$normal[0], $normal[1], $normal[2]]];
            }
            [$from, $to] = $part->lay->places();

            return ['line', $part->name, $at, Space::unit(Space::way($from, $to)) ?? [0.0, 0.0, 1.0]];
        }
        $given = $pick->place ?? throw new \DomainException('Touch what is to be measured from, and to.');
        $place = (new Givens($project, $shapes))->place($given);
        $height = $place->elevation ?? throw new \DomainException('That place has no elevation: in space nothing can be measured to it.');

        return ['place', (new Words($project, $shapes))->place($given), [$place->easting, $place->northing, $height], [0.0, 0.0, 1.0]];
    }

    /**
     * @param  array{string, string, array{float, float, float}, array{float, float, float}}  $p
     * @param  array{string, string, array{float, float, float}, array{float, float, float}}  $q
     */
    private static function between(array $p, array $q): Between
    {
        return match ([$p[0], $q[0]]) {
            ['place', 'place'] => Between::places($p[2], $q[2]),
            ['place', 'plane'] => Between::placeAndPlane($p[2], $q[2], $q[3]),
            ['place', 'line'] => Between::placeAndLine($p[2], $q[2], $q[3]),
            ['plane', 'plane'] => Between::planes($p[2], $p[3], $q[2], $q[3]),
            ['plane', 'line'] => Between::planeAndLine($p[2], $p[3], $q[2], $q[3]),
            ['line', 'line'] => Between::lines($p[2], $p[3], $q[2], $q[3]),
            default => self::between($q, $p),
        };
    }
}
