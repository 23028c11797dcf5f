<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Frame;

/** Where a solid is cut by a level plane: lines through its faces, and circles through what is round and upright. */
final readonly class CutAtHeight
{
    /** Shorter lines are none, metres. */
    private const SHORTEST = 1e-6;

    /**
     * @param  list<array{float, float, float, float}>  $lines  east and north of both ends
     * @param  list<array{float, float, float}>  $circles  east and north of the centre, radius
     */
    private function __construct(public array $lines, public array $circles) {}

    /** @param  Frame  $frame  where it stands, metres */
    public static function of(Solid $solid, Frame $frame, float $height): self
    {
        $at = array_map(static fn (array $c): array => $frame->point(...$c), $solid->corners);
        $heights = array_column($at, 2);
        if ($heights === [] || min($heights) > $height || max($heights) < $height) {
            return new self([], []);
        }
        $circles = $round = [];
        foreach (SeenFromAbove::of($solid, $frame)->circles as $k) {
            [$p, $q] = [$frame->point(...$solid->round[$k]->from), $frame->point(...$solid->round[$k]->to)];
            $round[$k] = true;
            if (($p[2] > $height) !== ($q[2] > $height)) {
                $share = ($height - $p[2]) / ($q[2] - $p[2]);
                $circles[] = [$p[0] + $share * ($q[0] - $p[0]), $p[1] + $share * ($q[1] - $p[1]), $solid->round[$k]->radius * ($frame->stretch() ?? 1.0)];
            }
        }
        $lines = [];
        foreach ($solid->faces as $face) {
            if ($face->round === null || ! isset($round[$face->round])) {
                array_push($lines, ...self::through($at, $face, $height));
            }
        }

        return new self($lines, $circles);
    }

    /**
     * A face is crossed an even number of times: between the first and the second one is inside, and so on.
     *
     * @param  list<array{float, float, float}>  $at
     * @return list<array{float, float, float, float}>
     */
    private static function through(array $at, Face $face, float $height): array
    {
        $crossed = [];
        foreach ([$face->outline, ...$face->holes] as $loop) {
            $before = $at[$loop[count($loop) - 1]];
            foreach ($loop as $i) {
                $corner = $at[$i];
                // A corner that lies just there counts as above, in every face it belongs to.
                if (($before[2] >= $height) !== ($corner[2] >= $height)) {
                    $share = ($height - $before[2]) / ($corner[2] - $before[2]);
                    $crossed[] = [$before[0] + $share * ($corner[0] - $before[0]), $before[1] + $share * ($corner[1] - $before[1])];
                }
                $before = $corner;
            }
        }
        if (count($crossed) < 2) {
            return [];
        }
        [$x, $y] = [array_column($crossed, 0), array_column($crossed, 1)];
        $along = max($x) - min($x) >= max($y) - min($y) ? 0 : 1;
        usort($crossed, static fn (array $p, array $q): int => $p[$along] <=> $q[$along]);
        $lines = [];
        for ($k = 1; $k < count($crossed); $k += 2) {
            [[$a, $b], [$c, $d]] = [$crossed[$k - 1], $crossed[$k]];
            if (hypot($c - $a, $d - $b) >= self::SHORTEST) {
                $lines[] = [$a, $b, $c, $d];
            }
        }

        return $lines;
    }
}
