<?php

declare(strict_types=1);

namespace App\Civil;

use App\Typed\Values;
use Parlay\Core\Civil\Roads\CrossSection;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Civil\Roads\RoadShape;
use Parlay\Core\Civil\Roads\RoadTemplate;
use Parlay\Core\Civil\Roads\SectionPoint;

/** What lies across a road, as it is kept: sections as flat lists, or a template as it was typed. */
final class RoadShapes
{
    /** @return array<string, mixed> */
    public static function kept(RoadShape $shape): array
    {
        return match (true) {
            $shape instanceof CrossSections => [
                'name' => $shape->name, 'sections' => array_map(static fn (CrossSection $s): array => [
                    $s->along, array_map(static fn (SectionPoint $p): array => [$p->offset, $p->elevation, $p->code], $s->points),
                ], $shape->sections),
            ],
            $shape instanceof RoadTemplate => ['name' => $shape->name, 'template' => json_decode((string) json_encode($shape), true)],
            default => throw new \LogicException('A road has sections or a template.'),
        };
    }

    /** @param  array<string, mixed>  $kept */
    public static function read(array $kept): RoadShape
    {
        if (isset($kept['template'])) {
            return Values::of($kept['template'], RoadTemplate::class);
        }

        return new CrossSections(array_map(static fn (array $s) => new CrossSection(
            (float) $s[0], array_map(static fn (array $p) => new SectionPoint((float) $p[0], (float) $p[1], (string) $p[2]), $s[1]),
        ), $kept['sections']), (string) $kept['name']);
    }
}
