<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Profiles;

use Parlay\Core\Civil\Alignments\NoAlignment;

/** A profile as it is kept: a vertex is its place along, elevation, curve, lengths before and after, and radius. */
final class ProfileRecord
{
    /** @return array{name: string, ground: bool, vertices: list<array{float, float, string, float, float, float|null}>} */
    public static function of(Profile $profile, bool $ground): array
    {
        return [
            'name' => $profile->name, 'ground' => $ground,
            'vertices' => array_map(
                static fn (Vertex $v): array => [$v->along, $v->elevation, $v->curve->value, $v->in, $v->out, $v->radius], $profile->vertices,
            ),
        ];
    }

    /**
     * @param  array{name: string, ground: bool, vertices: list<array{float, float, string, float, float, float|null}>}  $kept
     *
     * @throws NoAlignment
     */
    public static function read(array $kept): Profile
    {
        return new Profile(array_map(static fn (array $v) => new Vertex(
            (float) $v[0], (float) $v[1], VerticalCurve::from($v[2]), (float) $v[3], (float) $v[4], $v[5] === null ? null : (float) $v[5],
        ), $kept['vertices']), $kept['name']);
    }
}
