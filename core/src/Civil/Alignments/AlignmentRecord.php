<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;

/** An alignment as it is kept: an element is its kind, northing, easting, azimuth, length, curvature at both ends and law. */
final class AlignmentRecord
{
    /** @return array{elements: list<list<string|float>>, start: float, equations: list<array{float, float, float}>} */
    public static function of(Alignment $alignment): array
    {
        return [
            'elements' => array_map(static fn (Element $e): array => [
                $e->kind->value, $e->start->northing, $e->start->easting, $e->azimuth, $e->length, $e->from, $e->to, $e->law->value,
            ], $alignment->elements),
            'start' => $alignment->stationing->start,
            'equations' => array_map(static fn (StationEquation $q): array => [$q->at, $q->back, $q->ahead], $alignment->stationing->equations),
        ];
    }

    /**
     * @param  array{elements: list<array{string, float, float, float, float, float, float, string}>, start: float, equations: list<array{float, float, float}>}  $kept
     *
     * @throws NoAlignment
     */
    public static function read(array $kept): Alignment
    {
        return new Alignment(
            array_map(self::element(...), $kept['elements']),
            new Stationing((float) $kept['start'], array_map(
                static fn (array $q) => new StationEquation((float) $q[0], (float) $q[1], (float) $q[2]), $kept['equations'],
            )),
        );
    }

    /** @param  array{string, float, float, float, float, float, float, string}  $e */
    private static function element(array $e): Element
    {
        $start = new Position((float) $e[1], (float) $e[2]);

        return match (ElementKind::from($e[0])) {
            ElementKind::Line => Element::line($start, (float) $e[3], (float) $e[4]),
            ElementKind::Arc => Element::arc($start, (float) $e[3], (float) $e[4], (float) $e[5]),
            ElementKind::Spiral => Element::spiral($start, (float) $e[3], (float) $e[4], (float) $e[5], (float) $e[6], TransitionLaw::from($e[7])),
        };
    }
}
