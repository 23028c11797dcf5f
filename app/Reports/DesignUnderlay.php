<?php

declare(strict_types=1);

namespace App\Reports;

use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Projects\Models\Project;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Window;

/** What of the designs is shown and lies behind a printed plan, as lines cut at its frame. */
final readonly class DesignUnderlay
{
    /** More lines than this hide what lies over them. */
    private const MOST = 6_000;

    /** A layer of more pieces is a model's edges, and not what a plan is drawn over. */
    private const LARGEST_LAYER = 60_000;

    /** Of all layers together, looked at. */
    private const MOST_SHAPES = 300_000;

    /** Shorter ones are a dot on paper: parts of the frame. */
    private const SHORTEST = 1 / 800;

    /** A round one is drawn by so many chords. */
    private const CHORDS = 24;

    public function __construct(private Project $project) {}

    /** @return \Generator<array{array{float, float}, array{float, float}}> easting and northing of both ends, metres */
    public function lines(Window $window): \Generator
    {
        $count = $looked = 0;
        foreach (Design::of($this->project)->where('current', true)->with('layers')->orderBy('id')->get() as $design) {
            foreach ($design->layers as $layer) {
                if (! $this->isBehind($layer, $window) || $looked + $layer->count > self::MOST_SHAPES) {
                    continue;
                }
                $looked += $layer->count;
                foreach (self::chordsOf($layer->drawing()) as [$a, $b]) {
                    $cut = hypot($b[0] - $a[0], $b[1] - $a[1]) < self::SHORTEST * $window->across() ? null : $window->cut($a, $b);
                    if ($cut !== null) {
                        yield $cut;
                        if (++$count >= self::MOST) {
                            return;
                        }
                    }
                }
            }
        }
    }

    private function isBehind(DesignLayer $layer, Window $w): bool
    {
        // West, south, east and north; null of a layer of nothing.
        $extent = $layer->extent;

        return $layer->visible && $layer->count <= self::LARGEST_LAYER && is_array($extent)
            && $extent[0] <= $w->east && $extent[2] >= $w->west && $extent[1] <= $w->north && $extent[3] >= $w->south;
    }

    /** @return \Generator<array{array{float, float}, array{float, float}}> */
    private static function chordsOf(DrawingLayer $layer): \Generator
    {
        for ($i = 0; $i < $layer->count; $i++) {
            $before = null;
            foreach (self::places($layer, $layer->shape($i)) as $p) {
                $at = [$p->easting, $p->northing];
                if ($before !== null) {
                    yield [$before, $at];
                }
                $before = $at;
            }
        }
    }

    /** @return iterable<Position> along it; none of what is no line */
    private static function places(DrawingLayer $layer, Shape $shape): iterable
    {
        return match ($shape->kind) {
            ShapeKind::Line => [$shape->pointAt(0.0), $shape->pointAt(1.0)],
            ShapeKind::Arc, ShapeKind::Circle, ShapeKind::Ellipse => array_map(static fn (int $k): Position => $shape->pointAt($k / self::CHORDS), range(0, self::CHORDS)),
            ShapeKind::Spline => array_map(static fn (array $p): Position => new Position($p[1], $p[0]), ($layer->curves[(int) $shape->v[6]] ?? null)?->chords() ?? []),
            default => [],
        };
    }
}
