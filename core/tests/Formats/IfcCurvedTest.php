<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Buildings\Example\Parts;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\SeenFromAbove;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Faces on curved surfaces, against the volume and the area of what they bound by its formula. */
final class IfcCurvedTest extends TestCase
{
    private static function vertex(IfcText $f, float ...$c): string
    {
        return $f->add("IFCVERTEXPOINT({$f->point(array_values($c))})");
    }

    private static function edge(IfcText $f, string $from, string $to, string $curve, string $sense = 'T'): string
    {
        return $f->add("IFCEDGECURVE($from,$to,$curve,.$sense.)");
    }

    private static function line(IfcText $f): string
    {
        return $f->add("IFCLINE({$f->point([0, 0, 0])},{$f->add("IFCVECTOR({$f->direction([0, 0, 1])},1.)")})");
    }

    /** @param  list<list<array{string, string}>>  $bounds  of each its edges and which way they are gone */
    private static function face(IfcText $f, array $bounds, string $surface, string $sense = 'T'): string
    {
        $loops = array_map(static fn (array $edges): string => $f->add('IFCEDGELOOP(('.implode(',', array_map(
            static fn (array $e) => $f->add("IFCORIENTEDEDGE(*,*,$e[0],.$e[1].)"), $edges,
        )).'))'), $bounds);
        $bound = array_map(static fn (string $loop, int $k): string => $f->add(($k === 0 ? 'IFCFACEOUTERBOUND' : 'IFCFACEBOUND')."($loop,.T.)"), $loops, array_keys($loops));

        return $f->add('IFCADVANCEDFACE(('.implode(',', $bound)."),$surface,.$sense.)");
    }

    /** @return list<string> */
    private static function solid(IfcText $f, string ...$faces): array
    {
        return [$f->add("IFCADVANCEDBREP({$f->add('IFCCLOSEDSHELL(('.implode(',', $faces).'))')})")];
    }

    private static function circle(IfcText $f, float $z, float $radius): string
    {
        return $f->add("IFCCIRCLE({$f->axes([0, 0, $z], [0, 0, 1], [1, 0, 0])},".IfcText::number($radius).')');
    }

    private static function plane(IfcText $f, float $z, int $up): string
    {
        return $f->add("IFCPLANE({$f->axes([0, 0, $z], [0, 0, $up], [1, 0, 0])})");
    }

    /** @return \Generator<string, array{\Closure(IfcText): list<string>, float, float}> how it is written (millimetres), its volume (metres³), and by what share it may fall short */
    public static function solids(): \Generator
    {
        yield 'a dome on a circle' => [static function (IfcText $f): array {
            $v = self::vertex($f, 400, 0, 0);
            $rim = self::edge($f, $v, $v, self::circle($f, 0, 400));
            $dome = $f->add("IFCSPHERICALSURFACE({$f->axes([0, 0, 0])},400.)");

            return self::solid($f, self::face($f, [[[$rim, 'F']]], self::plane($f, 0, -1)), self::face($f, [[[$rim, 'T']]], $dome));
        }, 2 / 3 * M_PI * 0.064, 0.02];
        yield 'a dish below a circle' => [static function (IfcText $f): array {
            $v = self::vertex($f, 400, 0, 0);
            $rim = self::edge($f, $v, $v, self::circle($f, 0, 400));

            return self::solid(
                $f, self::face($f, [[[$rim, 'T']]], self::plane($f, 0, 1)), self::face($f, [[[$rim, 'F']]], $f->add("IFCSPHERICALSURFACE({$f->axes([0, 0, 0])},400.)")),
            );
        }, 2 / 3 * M_PI * 0.064, 0.02];
        yield 'a ball with a seam' => [static function (IfcText $f): array {
            [$south, $north] = [self::vertex($f, 0, 0, -300), self::vertex($f, 0, 0, 300)];
            $seam = self::edge($f, $south, $north, $f->add("IFCCIRCLE({$f->axes([0, 0, 0], [0, -1, 0], [1, 0, 0])},300.)"));

            return self::solid($f, self::face($f, [[[$seam, 'T'], [$seam, 'F']]], $f->add("IFCSPHERICALSURFACE({$f->axes([0, 0, 0])},300.)")));
        }, 4 / 3 * M_PI * 0.027, 0.02];
        yield 'an eighth of a ball' => [static function (IfcText $f): array {
            [$x, $y, $z, $o] = [self::vertex($f, 500, 0, 0), self::vertex($f, 0, 500, 0), self::vertex($f, 0, 0, 500), self::vertex($f, 0, 0, 0)];
            $arc = static fn (string $a, string $b, array $up, array $at) => self::edge($f, $a, $b, $f->add("IFCCIRCLE({$f->axes([0, 0, 0], $up, $at)},500.)"));
            [$xy, $yz, $zx] = [$arc($x, $y, [0, 0, 1], [1, 0, 0]), $arc($y, $z, [1, 0, 0], [0, 1, 0]), $arc($z, $x, [0, 1, 0], [0, 0, 1])];
            [$ox, $oy, $oz] = array_map(static fn (string $v) => self::edge($f, $o, $v, self::line($f)), [$x, $y, $z]);

            return self::solid(
                $f, self::face($f, [[[$xy, 'T'], [$yz, 'T'], [$zx, 'T']]], $f->add("IFCSPHERICALSURFACE({$f->axes([0, 0, 0])},500.)")),
                self::face($f, [[[$ox, 'F'], [$oy, 'T'], [$xy, 'F']]], self::plane($f, 0, -1)),
                self::face($f, [[[$oy, 'F'], [$oz, 'T'], [$yz, 'F']]], $f->add("IFCPLANE({$f->axes([0, 0, 0], [-1, 0, 0], [0, 1, 0])})")),
                self::face($f, [[[$oz, 'F'], [$ox, 'T'], [$zx, 'F']]], $f->add("IFCPLANE({$f->axes([0, 0, 0], [0, -1, 0], [1, 0, 0])})")),
            );
        }, M_PI * 0.125 / 6, 0.03];
        yield 'a ring by two seams' => [static function (IfcText $f): array {
            $v = self::vertex($f, 600, 0, 0);
            $round = self::edge($f, $v, $v, self::circle($f, 0, 600));
            $tube = self::edge($f, $v, $v, $f->add("IFCCIRCLE({$f->axes([500, 0, 0], [0, -1, 0], [1, 0, 0])},100.)"));

            return self::solid($f, self::face($f, [[[$round, 'T'], [$tube, 'T'], [$round, 'F'], [$tube, 'F']]], $f->add("IFCTOROIDALSURFACE({$f->axes([0, 0, 0])},500.,100.)")));
        }, 2 * M_PI ** 2 * 0.5 * 0.01, 0.03];
        yield 'an elbow between two circles' => [static function (IfcText $f): array {
            [$one, $two] = [self::vertex($f, 600, 0, 0), self::vertex($f, 0, 600, 0)];
            $begin = self::edge($f, $one, $one, $f->add("IFCCIRCLE({$f->axes([500, 0, 0], [0, -1, 0], [1, 0, 0])},100.)"));
            $end = self::edge($f, $two, $two, $f->add("IFCCIRCLE({$f->axes([0, 500, 0], [1, 0, 0], [0, 1, 0])},100.)"));
            $plane = static fn (array $at, array $z, array $x): string => $f->add("IFCPLANE({$f->axes($at, $z, $x)})");

            return self::solid(
                $f, self::face($f, [[[$begin, 'T']]], $plane([500, 0, 0], [0, -1, 0], [1, 0, 0])), self::face($f, [[[$end, 'F']]], $plane([0, 500, 0], [-1, 0, 0], [0, 1, 0])),
                self::face($f, [[[$begin, 'F']], [[$end, 'T']]], $f->add("IFCTOROIDALSURFACE({$f->axes([0, 0, 0])},500.,100.)")),
            );
        }, M_PI / 2 * 0.5 * M_PI * 0.01, 0.03];
        yield 'a cone that was turned' => [static function (IfcText $f): array {
            [$low, $high] = [self::vertex($f, 400, 0, 0), self::vertex($f, 200, 0, 600)];
            [$base, $top] = [self::edge($f, $low, $low, self::circle($f, 0, 400)), self::edge($f, $high, $high, self::circle($f, 600, 200))];
            $profile = $f->add("IFCARBITRARYOPENPROFILEDEF(.CURVE.,$,{$f->add("IFCPOLYLINE(({$f->point([400, 0])},{$f->point([200, 600])}))")})");
            $turned = $f->add("IFCSURFACEOFREVOLUTION($profile,{$f->axes([0, 0, 0], [0, -1, 0], [1, 0, 0])},{$f->add("IFCAXIS1PLACEMENT({$f->point([0, 0, 0])},{$f->direction([0, 1, 0])})")})");

            return self::solid(
                $f, self::face($f, [[[$base, 'F']]], self::plane($f, 0, -1)), self::face($f, [[[$top, 'T']]], self::plane($f, 600, 1)),
                self::face($f, [[[$base, 'T']], [[$top, 'F']]], $turned),
            );
        }, M_PI * 0.6 / 3 * (0.16 + 0.08 + 0.04), 0.01];
        yield 'half a cylinder that was drawn' => [static function (IfcText $f): array {
            $v = array_map(static fn (array $p) => self::vertex($f, ...$p), [[100, 0, 0], [-100, 0, 0], [100, 0, 400], [-100, 0, 400]]);
            [$low, $high] = [self::edge($f, $v[0], $v[1], self::circle($f, 0, 100)), self::edge($f, $v[2], $v[3], self::circle($f, 400, 100))];
            [$right, $left, $lowChord, $highChord] = array_map(static fn (array $e) => self::edge($f, $v[$e[0]], $v[$e[1]], self::line($f)), [[0, 2], [1, 3], [1, 0], [3, 2]]);
            $arc = $f->add("IFCTRIMMEDCURVE({$f->add("IFCCIRCLE({$f->add("IFCAXIS2PLACEMENT2D({$f->point([0, 0])},$)")},100.)")},(IFCPARAMETERVALUE(0.)),(IFCPARAMETERVALUE(".IfcText::number(M_PI).')),.T.,.PARAMETER.)');
            $drawn = $f->add("IFCSURFACEOFLINEAREXTRUSION({$f->add("IFCARBITRARYOPENPROFILEDEF(.CURVE.,$,$arc)")},$,{$f->direction([0, 0, 1])},400.)");

            return self::solid(
                $f, self::face($f, [[[$low, 'T'], [$left, 'T'], [$high, 'F'], [$right, 'F']]], $drawn), self::face($f, [[[$low, 'F'], [$lowChord, 'F']]], self::plane($f, 0, -1)),
                self::face($f, [[[$high, 'T'], [$highChord, 'T']]], self::plane($f, 400, 1)),
                self::face($f, [[[$lowChord, 'T'], [$right, 'T'], [$highChord, 'F'], [$left, 'F']]], $f->add("IFCPLANE({$f->axes([0, 0, 0], [0, -1, 0], [1, 0, 0])})")),
            );
        }, M_PI * 0.01 / 2 * 0.4, 0.02];
        // z = 4 c x(1-x) y(1-y) over a square of 2 m with c = 0.9 m: a ninth of c above each of its square metres.
        yield 'a pillow by splines' => [static function (IfcText $f): array {
            $v = array_map(static fn (array $p) => self::vertex($f, ...$p), [[0, 0, 0], [2000, 0, 0], [2000, 2000, 0], [0, 2000, 0]]);
            $sides = array_map(static fn (int $k) => self::edge($f, $v[$k], $v[($k + 1) % 4], self::line($f)), [0, 1, 2, 3]);
            $net = implode(',', array_map(static fn (int $i) => '('.implode(',', array_map(
                static fn (int $j) => $f->point([1000 * $i, 1000 * $j, $i === 1 && $j === 1 ? 900 : 0]), [0, 1, 2],
            )).')', [0, 1, 2]));
            $patch = $f->add("IFCBSPLINESURFACEWITHKNOTS(2,2,($net),.UNSPECIFIED.,.F.,.F.,.F.,(3,3),(3,3),(0.,1.),(0.,1.),.UNSPECIFIED.)");

            return self::solid(
                $f, self::face($f, [[[$sides[0], 'T'], [$sides[1], 'T'], [$sides[2], 'T'], [$sides[3], 'T']]], $patch),
                self::face($f, [[[$sides[3], 'F'], [$sides[2], 'F'], [$sides[1], 'F'], [$sides[0], 'F']]], self::plane($f, 0, -1)),
            );
        }, 4 * 0.9 / 9, 0.03];
    }

    /** A disc whose rim is a spline of forty-one points: an edge is cut as finely as it bends, not as its writer wrote it. */
    public function test_an_edge_along_a_spline_is_cut_as_it_bends(): void
    {
        $e = self::drawn(static function (IfcText $f): array {
            $at = static fn (float $t): array => [500 * cos($t), 500 * sin($t)];
            $points = $knots = [];
            for ($k = 0; $k <= 40; $k++) {
                // Where the tangents of neighbouring pieces meet: the curve runs so near to the circle that its chords tell no difference.
                $points[] = $f->point($k === 0 || $k === 40 ? [...$at(M_PI / 2 * $k / 40), 0] : [...array_map(static fn (float $v): float => $v / cos(M_PI / 160), $at(M_PI / 2 * $k / 40)), 0]);
            }
            for ($k = 0; $k <= 39; $k++) {
                $knots[] = IfcText::number((float) $k);
            }
            $curve = $f->add('IFCBSPLINECURVEWITHKNOTS(2,('.implode(',', $points).'),.UNSPECIFIED.,.F.,.F.,(3,'.str_repeat('1,', 38).'3),('.implode(',', $knots).'),.UNSPECIFIED.)');
            [$a, $b, $o] = [self::vertex($f, 500, 0, 0), self::vertex($f, 0, 500, 0), self::vertex($f, 0, 0, 0)];
            [$rim, $one, $two] = [self::edge($f, $a, $b, $curve), self::edge($f, $b, $o, self::line($f)), self::edge($f, $o, $a, self::line($f))];

            return self::solid($f, self::face($f, [[[$rim, 'T'], [$one, 'T'], [$two, 'T']]], self::plane($f, 0, 1)));
        });
        self::assertNull($e->fault);
        [$solid] = $e->shape[0];
        self::assertLessThan(30, count($solid->corners));
        self::assertGreaterThan(15, count($solid->corners));
        foreach ($solid->corners as $k => [$x, $y]) {
            self::assertTrue(hypot($x, $y) < 1e-9 || abs(hypot($x, $y) - 0.5) < 0.002, "corner $k");
        }
    }

    /** @param  \Closure(IfcText): list<string>  $make */
    #[DataProvider('solids')]
    public function test_what_curved_faces_bound_has_its_volume_and_no_gap(\Closure $make, float $volume, float $short): void
    {
        $e = self::drawn($make);
        self::assertNull($e->fault);
        self::assertLessThanOrEqual($volume * (1 + 1e-9), $e->volume(), 'chords lie within');
        self::assertGreaterThan($volume * (1 - $short), $e->volume());
        self::assertSame([], self::gaps($e), 'every edge is gone once each way');
    }

    /** @param  \Closure(IfcText): list<string>  $make */
    #[DataProvider('solids')]
    public function test_between_pieces_of_what_curves_there_is_no_edge_and_no_corner(\Closure $make): void
    {
        $e = self::drawn($make);
        [$solid, $frame] = $e->shape[0];
        $plane = array_values(array_filter($solid->faces, static fn (Face $f): bool => $f->round === null));
        self::assertLessThan(5, count($plane));
        $ends = [];
        foreach ($plane as $face) {
            $ends += array_flip($face->outline);
        }
        $seen = SeenFromAbove::of($solid, $frame);
        foreach ($seen->top as [$a, $b]) {
            $level = abs($solid->corners[$a][2] - $solid->corners[$b][2]) < 0.02;
            self::assertTrue((isset($ends[$a]) && isset($ends[$b])) || $level, 'the rim of a plane face, or where it turns from up to down');
        }
        foreach (Parts::of($e->shape)->sharpCorners() as $corner) {
            self::assertNotSame([], array_filter(array_keys($ends), static fn (int $i): bool => max(array_map(static fn (float $p, float $q): float => abs($p - $q), $solid->corners[$i], $corner)) < 1e-9));
        }
    }

    public function test_a_ball_is_a_circle_on_the_plan_and_has_no_spot_to_be_staked(): void
    {
        foreach ([
            static fn (IfcText $f): array => [$f->add("IFCCSGSOLID({$f->add("IFCSPHERE({$f->axes([0, 0, 0])},250.)")})")],
            static fn (IfcText $f): array => [$f->add("IFCCSGSOLID({$f->add("IFCRIGHTCIRCULARCONE({$f->axes([0, 0, 0])},600.,200.)")})")],
        ] as $make) {
            $e = self::drawn($make);
            $seen = SeenFromAbove::of($e->shape[0][0], $e->shape[0][1]);
            self::assertCount(36, $seen->top, 'its rim');
            self::assertSame([], Parts::of($e->shape)->sharpCorners());
            self::assertSame([], Parts::of($e->shape)->cornerFaces());
        }
    }

    public function test_a_cylinder_may_have_windows(): void
    {
        $e = self::drawn(static function (IfcText $f): array {
            [$low, $high] = [self::vertex($f, 100, 0, 0), self::vertex($f, 100, 0, 400)];
            [$base, $top] = [self::edge($f, $low, $low, self::circle($f, 0, 100)), self::edge($f, $high, $high, self::circle($f, 400, 100))];
            // A sixth of the way round, from 100 to 300 up, on the far side from the seam.
            $at = static fn (float $t, float $z): string => self::vertex($f, 100 * cos($t), 100 * sin($t), $z);
            [$from, $to] = [M_PI - M_PI / 6, M_PI + M_PI / 6];
            $v = [$at($from, 100), $at($to, 100), $at($to, 300), $at($from, 300)];
            $window = [
                [self::edge($f, $v[0], $v[3], self::line($f)), 'T'], [self::edge($f, $v[3], $v[2], self::circle($f, 300, 100)), 'T'],
                [self::edge($f, $v[2], $v[1], self::line($f)), 'T'], [self::edge($f, $v[0], $v[1], self::circle($f, 100, 100)), 'F'],
            ];

            return self::solid($f, self::face($f, [[[$base, 'T']], [[$top, 'F']], $window], $f->add("IFCCYLINDRICALSURFACE({$f->axes([0, 0, 0])},100.)")));
        });
        self::assertNull($e->fault);
        [$solid] = $e->shape[0];
        self::assertSame(0.1, $solid->round[0]->radius);
        $area = 0.0;
        foreach ($solid->faces as $face) {
            [$a, $b, $c] = array_map(static fn (int $k): array => $solid->corners[$k], $face->outline);
            $cross = [
                ($b[1] - $a[1]) * ($c[2] - $a[2]) - ($b[2] - $a[2]) * ($c[1] - $a[1]), ($b[2] - $a[2]) * ($c[0] - $a[0]) - ($b[0] - $a[0]) * ($c[2] - $a[2]),
                ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]),
            ];
            $area += sqrt($cross[0] ** 2 + $cross[1] ** 2 + $cross[2] ** 2) / 2;
            self::assertSame(0, $face->round);
        }
        self::assertEqualsWithDelta(2 * M_PI * 0.1 * 0.4 - M_PI / 3 * 0.1 * 0.2, $area, 0.004 * 2 * M_PI * 0.1 * 0.4);
    }

    public function test_what_bounds_cross_is_named_and_not_drawn(): void
    {
        $e = self::drawn(static function (IfcText $f): array {
            $v = array_map(static fn (array $p) => self::vertex($f, ...$p), [[0, 0, 0], [2000, 2000, 0], [2000, 0, 0], [0, 1500, 0]]);
            $sides = array_map(static fn (int $k) => [self::edge($f, $v[$k], $v[($k + 1) % 4], self::line($f)), 'T'], [0, 1, 2, 3]);
            $net = "({$f->point([0, 0, 0])},{$f->point([0, 2000, 0])}),({$f->point([2000, 0, 0])},{$f->point([2000, 2000, 0])})";

            return self::solid($f, self::face($f, [$sides], $f->add("IFCBSPLINESURFACEWITHKNOTS(1,1,($net),.UNSPECIFIED.,.F.,.F.,.F.,(2,2),(2,2),(0.,1.),(0.,1.),.UNSPECIFIED.)")));
        });
        self::assertStringContainsString('cross one another', (string) $e->fault);
        self::assertSame([], $e->shape);
    }

    /** @param  \Closure(IfcText): list<string>  $make */
    private static function drawn(\Closure $make): Element
    {
        $f = new IfcText;
        $f->product('it', $make($f));
        $stream = fopen('php://memory', 'r+b') ?: throw new \RuntimeException('no memory');
        fwrite($stream, $f->text());
        rewind($stream);
        foreach ((new IfcModel(StepFile::open($stream)))->elements() as $e) {
            return $e;
        }
        throw new \RuntimeException('nothing was read');
    }

    /** @return list<string> edges that are not gone once each way */
    private static function gaps(Element $e): array
    {
        [$solid] = $e->shape[0];
        $gone = [];
        foreach ($solid->faces as $face) {
            foreach ([$face->outline, ...$face->holes] as $loop) {
                foreach ($loop as $k => $i) {
                    $j = $loop[($k + 1) % count($loop)];
                    $gone[min($i, $j).' '.max($i, $j)] = ($gone[min($i, $j).' '.max($i, $j)] ?? 0) + ($i < $j ? 1 : -1);
                }
            }
        }

        return array_keys(array_filter($gone));
    }
}
