<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Corners;
use Parlay\Core\Buildings\Curved\CurvedFace;
use Parlay\Core\Buildings\Curved\CurvedSurface;
use Parlay\Core\Buildings\Curved\Turned;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\RoundFace;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/**
 * A boundary representation whose faces lie on planes, cylinders and other curved surfaces, bounded by edges along curves. A cylinder is cut
 * into strips at the corners of its bounds, so that they meet what lies beside it; what is curved otherwise into triangles that keep its bounds.
 */
final class IfcAdvancedFaces
{
    /** Angles nearer than this are one, radians. */
    private const SAME_ANGLE = 1e-7;

    private const MOST_CORNERS = 200_000;

    private Corners $corners;

    /** @var list<Face> */
    private array $faces = [];

    /** @var list<RoundFace> */
    private array $round = [];

    /** The last of the faces that curve otherwise than round. */
    private int $curved = 0;

    private readonly IfcSurfaces $surfaces;

    public function __construct(private readonly StepFile $file, private readonly IfcPlaces $places, private readonly IfcCurves $curves)
    {
        $this->surfaces = new IfcSurfaces($file, $places, $curves);
    }

    /**
     * @param  list<int>  $shells
     *
     * @throws BrokenInstance
     */
    public function solid(array $shells): Solid
    {
        [$this->corners, $this->faces, $this->round] = [new Corners, [], []];
        foreach ($shells as $shell) {
            foreach ($this->file->get($shell)->references(0) as $number) {
                $this->face($this->file->get($number));
            }
        }

        return (new Solid($this->corners->all, $this->faces, $this->round))->insideIn();
    }

    private function face(Instance $face): void
    {
        $loops = [];
        foreach ($face->references(0) as $bound) {
            $b = $this->file->get($bound);
            $loop = $this->loop($b->reference(0) ?? throw $this->places->broken($bound, 'a face without a bound'));
            $loops[] = $b->word(1) === 'F' ? array_reverse($loop) : $loop;
            if ($b->class === 'IFCFACEOUTERBOUND') {
                array_unshift($loops, array_pop($loops));
            }
        }
        $surface = $this->file->get($face->reference(1) ?? throw $this->places->broken($face->number, 'a face on no surface'));
        if ($loops === []) {
            return;
        }
        match ($surface->class) {
            'IFCPLANE' => $this->plane($this->numbered($loops[0]), array_values(array_filter(array_map($this->numbered(...), array_slice($loops, 1))))),
            'IFCCYLINDRICALSURFACE' => $this->cylinder($surface, $face, $loops),
            default => $this->curved($this->surfaces->of($surface), $face, $loops),
        };
    }

    /**
     * @param  list<int>  $outline
     * @param  list<list<int>>  $holes
     */
    private function plane(array $outline, array $holes): void
    {
        if ($outline !== []) {
            $this->faces[] = new Face($outline, $holes);
        }
    }

    /** @return list<array{float, float, float}> */
    private function loop(int $number): array
    {
        $loop = $this->file->get($number);
        if ($loop->class !== 'IFCEDGELOOP') {
            throw $this->places->broken($number, "{$loop->class} is a bound of a face Parlay does not read");
        }
        $places = [];
        foreach ($loop->references(0) as $oriented) {
            $o = $this->file->get($oriented);
            $edge = $this->edge($this->file->get($o->reference(2) ?? throw $this->places->broken($oriented, 'a side along no edge')));
            // The last place of each edge is the first of the next.
            array_push($places, ...array_slice($o->word(3) === 'F' ? array_reverse($edge) : $edge, 0, -1));
        }

        return $places;
    }

    /** @return list<array{float, float, float}> from its start to its end */
    private function edge(Instance $edge): array
    {
        $vertex = fn (int $attribute): array => $this->places->point($this->file->get(
            $edge->reference($attribute) ?? throw $this->places->broken($edge->number, 'an edge without an end'),
        )->reference(0) ?? throw $this->places->broken($edge->number, 'an end without a place'));
        [$from, $to] = [$vertex(0), $vertex(1)];
        $number = $edge->reference(2);
        $curve = $number === null ? null : $this->file->get($number);

        return $curve === null || $curve->class === 'IFCLINE' ? [$from, $to] : $this->curves->between($curve, $from, $to, $edge->word(3) !== 'F');
    }

    /**
     * @param  non-empty-list<list<array{float, float, float}>>  $loops
     */
    private function cylinder(Instance $surface, Instance $face, array $loops): void
    {
        $frame = $this->places->axes($surface->reference(0) ?? throw $this->places->broken($surface->number, 'a cylinder without an axis'));
        $radius = $this->places->coordinate($surface->number(1) ?? 0.0, $surface->number);
        if ($radius <= 0.0) {
            throw $this->places->broken($surface->number, 'a radius of 0, or below');
        }
        $unrolled = array_map(static fn (array $loop): array => self::unrolled($frame, $loop), $loops);
        $flat = self::opened($unrolled);
        if ($flat === null) {
            $this->withWindows($face, $frame, $radius, $unrolled, $loops);

            return;
        }
        $angles = $heights = [];
        foreach ($flat as [$t, $h]) {
            $angles[] = $t;
            $heights[] = $h;
        }
        if ($angles === [] || $heights === []) {
            return;
        }
        sort($angles);
        $of = count($this->round);
        $this->round[] = new RoundFace($frame->point(0.0, 0.0, min($heights)), $frame->point(0.0, 0.0, max($heights)), $radius, $face->word(2) === 'F');
        for ($i = 1, $n = count($angles); $i < $n; $i++) {
            if ($angles[$i] - $angles[$i - 1] < self::SAME_ANGLE) {
                continue;
            }
            $strip = self::within(self::within($flat, $angles[$i - 1], 1.0), $angles[$i], -1.0);
            if (count($strip) >= 3) {
                $loop = $this->numbered(array_map(static fn (array $p): array => $frame->point($radius * cos($p[0]), $radius * sin($p[0]), $p[1]), $strip));
                if (count($loop) >= 3) {
                    $this->faces[] = new Face($loop, [], $of);
                }
            }
        }
    }

    /**
     * @param  list<list<array{float, float}>>  $unrolled
     * @param  non-empty-list<list<array{float, float, float}>>  $loops
     */
    private function withWindows(Instance $face, Frame $frame, float $radius, array $unrolled, array $loops): void
    {
        $heights = array_column(array_merge(...$unrolled), 1);
        if ($heights === [] || max($heights) <= min($heights)) {
            return;
        }
        $of = count($this->round);
        [$low, $high] = [min($heights), max($heights)];
        $this->round[] = new RoundFace($frame->point(0.0, 0.0, $low), $frame->point(0.0, 0.0, $high), $radius, $face->word(2) === 'F');
        $this->curved(new Turned($frame, [$frame->point($radius, 0.0, $low), $frame->point($radius, 0.0, $high)]), $face, $loops, $of);
    }

    /**
     * @param  non-empty-list<list<array{float, float, float}>>  $loops
     * @param  int|null  $of  which round face it is a piece of
     */
    private function curved(CurvedSurface $surface, Instance $face, array $loops, ?int $of = null): void
    {
        if (array_sum(array_map(count(...), $loops)) > CurvedFace::MOST) {
            throw $this->places->broken($face->number, 'a curved face within more than '.CurvedFace::MOST.' corners');
        }
        try {
            $triangles = CurvedFace::triangles($surface, $loops, $face->word(2) !== 'F');
        } catch (NoSurface) {
            throw $this->places->broken($face->number, 'the bounds of a curved face cross one another');
        }
        $this->curved--;
        foreach ($triangles as $triangle) {
            $loop = $this->numbered($triangle);
            if ($loop !== []) {
                $this->faces[] = new Face($loop, [], $of ?? $this->curved);
            }
        }
    }

    /**
     * Angle about the axis, going on without a jump, and height along it.
     *
     * @param  list<array{float, float, float}>  $loop
     * @return list<array{float, float}>
     */
    private static function unrolled(Frame $f, array $loop): array
    {
        $flat = [];
        $before = null;
        foreach ($loop as [$x, $y, $z]) {
            [$dx, $dy, $dz] = [$x - $f->x, $y - $f->y, $z - $f->z];
            $t = atan2($dx * $f->b + $dy * $f->e + $dz * $f->h, $dx * $f->a + $dy * $f->d + $dz * $f->g);
            if ($before !== null) {
                $t += 2 * M_PI * round(($before - $t) / (2 * M_PI));
            }
            $flat[] = [$t, $dx * $f->c + $dy * $f->f + $dz * $f->i];
            $before = $t;
        }

        return $flat;
    }

    /**
     * One closed line on the unrolled cylinder; of two that go once round each, the band between them; null where it has windows.
     *
     * @param  list<list<array{float, float}>>  $loops
     * @return list<array{float, float}>|null
     */
    private static function opened(array $loops): ?array
    {
        $round = static fn (array $l): float => $l[count($l) - 1][0] - $l[0][0];
        if (count($loops) === 1) {
            return $loops[0];
        }
        if (count($loops) === 2 && abs($round($loops[0])) > M_PI && abs($round($loops[1])) > M_PI) {
            [$low, $high] = $loops;
            if ($round($low) * $round($high) > 0.0) {
                $high = array_reverse($high);
            }
            $side = $round($low) > 0.0 ? 1.0 : -1.0;
            // Each comes back to where it began, a turn further on.
            $low[] = [$low[0][0] + $side * 2 * M_PI, $low[0][1]];
            $high[] = [$high[0][0] - $side * 2 * M_PI, $high[0][1]];
            $shift = 2 * M_PI * round(($low[count($low) - 1][0] - $high[0][0]) / (2 * M_PI));

            foreach ($high as [$t, $h]) {
                $low[] = [$t + $shift, $h];
            }

            return $low;
        }

        return null;
    }

    /**
     * The part of an unrolled line beyond an angle, or before it.
     *
     * @param  list<array{float, float}>  $flat
     * @return list<array{float, float}>
     */
    private static function within(array $flat, float $angle, float $side): array
    {
        $kept = [];
        $count = count($flat);
        foreach ($flat as $i => $p) {
            $q = $flat[($i + 1) % $count];
            [$d, $e] = [$side * ($p[0] - $angle), $side * ($q[0] - $angle)];
            if ($d >= -self::SAME_ANGLE) {
                $kept[] = $p;
            }
            if (($d > self::SAME_ANGLE && $e < -self::SAME_ANGLE) || ($d < -self::SAME_ANGLE && $e > self::SAME_ANGLE)) {
                $t = $d / ($d - $e);
                $kept[] = [$p[0] + $t * ($q[0] - $p[0]), $p[1] + $t * ($q[1] - $p[1])];
            }
        }

        return $kept;
    }

    /**
     * @param  list<array{float, float, float}>  $loop
     * @return list<int>
     */
    private function numbered(array $loop): array
    {
        $numbers = $this->corners->loop($loop);

        return count($this->corners->all) <= self::MOST_CORNERS ? $numbers : throw new BrokenInstance('A shape of more than '.self::MOST_CORNERS.' corners.');
    }
}
