<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** What is wrong with the triangles of a surface from outside. */
final readonly class SurfaceFaults
{
    /** More triangles are not gone through. */
    public const MOST = 300_000;

    /** Places nearer than this are one, metres; so are heights. */
    private const SAME = 1e-4;

    private const SAME_HEIGHT = 1e-3;

    /**
     * @param  int  $overlapping  edges with two triangles on one side: there are two heights at one place
     * @param  int  $twoHeights  points at the place of another one with another height
     */
    private function __construct(public int $overlapping, public int $twoHeights) {}

    public static function of(Surface $surface): self
    {
        $places = [];
        $twoHeights = 0;
        foreach ($surface->northings as $i => $n) {
            $key = round($n / self::SAME).'/'.round($surface->eastings[$i] / self::SAME);
            $known = $places[$key] ?? null;
            if ($known !== null && abs($known - $surface->elevations[$i]) > self::SAME_HEIGHT) {
                $twoHeights++;
            }
            $places[$key] = $known ?? $surface->elevations[$i];
        }
        unset($places);
        $count = count($surface->northings);
        $seen = [];
        $overlapping = 0;
        foreach ($surface->corners as $edge => $from) {
            $key = $from * $count + $surface->corners[$edge % 3 === 2 ? $edge - 2 : $edge + 1];
            $overlapping += isset($seen[$key]) ? 1 : 0;
            $seen[$key] = true;
        }

        return new self($overlapping, $twoHeights);
    }
}
