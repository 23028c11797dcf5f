<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\Heights;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Geometry\Spline;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Shapes, blocks, units, layers and heights. */
final class DxfReaderTest extends TestCase
{
    use DxfFiles;

    /** A drawing that ezdxf writes is read as ezdxf itself explodes it: nested, turned, mirrored and scaled blocks, bulges both ways. */
    #[DataProvider('versions')]
    public function test_it_agrees_with_ezdxf(string $version): void
    {
        $file = tempnam(sys_get_temp_dir(), 'dxf');
        $expected = Reference::python(self::EZDXF, ['file' => $file, 'version' => $version, 'seed' => crc32($version)]);
        $drawing = self::open((string) file_get_contents($file));
        unlink($file);
        $ours = [];
        foreach ($drawing->layers as $layer) {
            for ($i = 0; $i < $layer->count; $i++) {
                $s = $layer->shape($i);
                if (! in_array($s->kind, [ShapeKind::Insert, ShapeKind::Text], true)) {
                    $ours[] = [$layer->name, $s->kind->word(), ...self::places($s)];
                }
            }
        }
        self::assertCount(count($expected), $ours);
        $sort = static function (array $a): array {
            usort($a, static fn (array $p, array $q) => array_map(
                static fn ($x) => is_float($x) ? round($x, 3) : $x, $p,
            ) <=> array_map(static fn ($x) => is_float($x) ? round($x, 3) : $x, $q));

            return $a;
        };
        foreach (array_map(null, $sort($expected), $sort($ours)) as [$theirs, $mine]) {
            self::assertSame(array_slice($theirs, 0, 2), array_slice($mine, 0, 2));
            self::assertEqualsWithDelta(array_slice($theirs, 2), array_slice($mine, 2), 1e-6, json_encode([$theirs, $mine]));
        }
    }

    public static function versions(): array
    {
        return [['R12'], ['R2000'], ['R2004'], ['R2007'], ['R2010'], ['R2013'], ['R2018']];
    }

    /**
     * Ends and middle of what is open, centre and a radius of what is round; ends in a fixed order, since mirroring swaps them.
     *
     * @return list<float>
     */
    private static function places(Shape $s): array
    {
        $xy = static fn (float $part) => [$s->pointAt($part)->easting, $s->pointAt($part)->northing];
        if ($s->kind === ShapeKind::Circle) {
            return [$s->v[0], $s->v[1], $s->v[3]];
        }
        if ($s->kind === ShapeKind::Point) {
            return $xy(0);
        }
        $ends = [$xy(0), $xy(1)];
        usort($ends, static fn (array $p, array $q) => [round($p[0], 4), round($p[1], 4)] <=> [round($q[0], 4), round($q[1], 4)]);

        return [...$ends[0], ...$ends[1], ...$xy(0.5)];
    }

    private const EZDXF = <<<'PY'
        import ezdxf, math, random
        from ezdxf.math import Vec3
        random.seed(input['seed'])
        r = lambda a, b: round(random.uniform(a, b), 4)
        doc = ezdxf.new(input['version'])
        msp = doc.modelspace()
        layers = ['WALLS', 'Kanäle' if input['version'] != 'R12' else 'KANAL', 'BOLTS']
        for i, l in enumerate(layers):
            doc.layers.add(l, color=i + 1)
        def fill(space, n):
            for i in range(n):
                a = {'layer': random.choice(layers)}
                p, q = (r(0, 100), r(0, 100)), (r(0, 100), r(0, 100))
                k = i % 5
                if k == 0: space.add_line(p, q, dxfattribs=a)
                elif k == 1: space.add_arc(p, r(1, 20), r(0, 360), r(0, 360), dxfattribs=a)
                elif k == 2: space.add_circle(p, r(1, 20), dxfattribs=a)
                elif k == 3: space.add_point(p, dxfattribs=a)
                else:
                    pts = [(r(0, 100), r(0, 100), random.choice([0, 0, r(-2, 2)])) for _ in range(5)]
                    if input['version'] == 'R12': space.add_polyline2d(pts, format='xyb', close=i % 2 == 0, dxfattribs=a)
                    else: space.add_lwpolyline(pts, format='xyb', close=i % 2 == 0, dxfattribs=a)
        inner = doc.blocks.new('INNER', base_point=(3, 4)); fill(inner, 10)
        outer = doc.blocks.new('OUTER', base_point=(1, 2)); fill(outer, 5)
        outer.add_blockref('INNER', (5, 6), dxfattribs={'layer': 'WALLS', 'rotation': 33, 'xscale': 2, 'yscale': 2})
        fill(msp, 40)
        for x, y in [(1, 1), (-1, 1), (2, 2), (1, -1)]:
            msp.add_blockref('OUTER', (r(0, 900), r(0, 900)), dxfattribs={'layer': 'BOLTS', 'rotation': r(0, 360), 'xscale': x, 'yscale': y})
        doc.saveas(input['file'])
        out = []
        def ends(name, layer, s, m, e):
            a, b = sorted([(s.x, s.y), (e.x, e.y)], key=lambda p: (round(p[0], 4), round(p[1], 4)))
            out.append([layer, name, *a, *b, m.x, m.y])
        def walk(e):
            t = e.dxftype()
            if t == 'INSERT':
                for c in e.virtual_entities(): walk(c)
            elif t == 'LINE': ends('line', e.dxf.layer, e.dxf.start, (e.dxf.start + e.dxf.end) / 2, e.dxf.end)
            elif t == 'ARC':
                sweep = (e.dxf.end_angle - e.dxf.start_angle) % 360 or 360
                s, m, f = list(e.vertices([e.dxf.start_angle, e.dxf.start_angle + sweep / 2, e.dxf.end_angle]))
                ends('arc', e.dxf.layer, s, m, f)
            elif t == 'CIRCLE':
                c = e.ocs().to_wcs(e.dxf.center); out.append([e.dxf.layer, 'circle', c.x, c.y, e.dxf.radius])
            elif t == 'POINT': out.append([e.dxf.layer, 'point', e.dxf.location.x, e.dxf.location.y])
            elif t in ('LWPOLYLINE', 'POLYLINE'):
                for c in e.virtual_entities(): walk(c)
        for e in msp: walk(e)
        print(json.dumps(out))
        PY;

    public function test_an_unevenly_scaled_circle_becomes_an_ellipse_of_the_right_shape(): void
    {
        $drawing = self::open(self::dxf(
            "0\nINSERT\n8\nX\n2\nB\n10\n100\n20\n50\n41\n3\n42\n1\n50\n90\n",
            "0\nBLOCK\n8\n0\n2\nB\n10\n0\n20\n0\n0\nCIRCLE\n8\n0\n10\n1\n20\n0\n40\n2\n0\nENDBLK\n8\n0\n",
        ));
        $shape = self::shapes($drawing)[1];
        self::assertSame(ShapeKind::Ellipse, $shape->kind);
        self::assertEqualsWithDelta([100.0, 53.0], [$shape->v[0], $shape->v[1]], 1e-9);
        self::assertEqualsWithDelta([98.0, 47.0, 102.0, 59.0], $shape->bounds(), 1e-9);
        // Layer 0 inside a block stands for the layer of the insertion.
        self::assertSame('X', $drawing->layers[0]->name);
    }

    public function test_an_arrayed_block_stands_in_rows_and_columns(): void
    {
        $drawing = self::open(self::dxf(
            "0\nINSERT\n8\nX\n2\nB\n10\n0\n20\n0\n70\n3\n71\n2\n44\n10\n45\n5\n",
            "0\nBLOCK\n2\nB\n0\nPOINT\n8\n0\n10\n0\n20\n0\n0\nENDBLK\n",
        ));
        $points = array_filter(self::shapes($drawing), static fn (Shape $s) => $s->kind === ShapeKind::Point);
        self::assertEqualsWithDelta(
            [[0, 0], [10, 0], [20, 0], [0, 5], [10, 5], [20, 5]],
            array_values(array_map(static fn (Shape $s) => [$s->v[0], $s->v[1]], $points)), 1e-12,
        );
    }

    /** The published DXF reference: $INSUNITS 0 unitless, 1 inch, 2 foot, 4 mm, 5 cm, 6 m, 21 US survey foot. */
    public function test_the_declared_unit_is_read_and_the_chosen_one_used(): void
    {
        foreach ([
            0 => null, 1 => LengthUnit::Inch, 2 => LengthUnit::Foot, 4 => LengthUnit::Millimetre, 5 => LengthUnit::Centimetre,
            6 => LengthUnit::Metre, 21 => LengthUnit::UsFoot,
        ] as $code => $unit) {
            self::assertSame($unit, self::open(
                "0\nSECTION\n2\nHEADER\n9\n\$INSUNITS\n70\n$code\n0\nENDSEC\n".self::dxf("0\nLINE\n8\nA\n10\n0\n20\n0\n11\n5000\n21\n0\n"),
            )->declaredUnit);
        }
        $millimetres = self::open(
            self::dxf("0\nLINE\n8\nA\n10\n0\n20\n0\n30\n4600\n11\n5000\n21\n0\n31\n4600\n"), new ReadOptions(LengthUnit::Millimetre),
        );
        self::assertEqualsWithDelta([0.0, 0.0, 5.0, 0.0], $millimetres->extent(), 1e-12);
        self::assertEqualsWithDelta([4.6, 4.6], $millimetres->heights, 1e-12);
    }

    public function test_heights_are_used_dropped_or_fixed(): void
    {
        $line = self::dxf("0\nLINE\n8\nA\n10\n0\n20\n0\n30\n4.6\n11\n5\n21\n0\n31\n4.8\n");
        $end = static fn (Heights $h) => self::shapes(self::open($line, new ReadOptions(heights: $h)))[0]->pointAt(1.0)->elevation;
        self::assertSame([4.8, null, 12.0], [$end(Heights::used()), $end(Heights::dropped()), $end(Heights::fixed(12.0))]);
    }

    public function test_only_the_chosen_layers_are_taken_and_what_is_left_out_is_said(): void
    {
        $drawing = self::open(self::dxf(
            "0\nPOINT\n8\nA\n10\n1\n20\n1\n0\nPOINT\n8\nB\n10\n1\n20\n1\n0\nBODY\n8\nA\n0\nBODY\n8\nA\n0\nPOINT\n67\n1\n8\nA\n10\n0\n20\n0\n",
        ), new ReadOptions(layers: ['B']));
        self::assertSame(['B'], array_map(static fn ($l) => $l->name, $drawing->layers));
        self::assertContains('2 entities left out: BODY, a shape in another program’s own form: ask for it as polylines or faces.', $drawing->remarks);
        self::assertContains('1 entity left out: on paper space.', $drawing->remarks);
    }

    /** The published DXF reference: a bulge is the tangent of a quarter of the included angle, positive counter-clockwise. */
    public function test_a_bulge_of_one_is_a_half_circle_to_the_right_of_the_chord(): void
    {
        $shape = self::shapes(self::open(self::dxf("0\nLWPOLYLINE\n8\nA\n90\n2\n70\n0\n10\n0\n20\n0\n42\n1\n10\n10\n20\n0\n")))[0];
        self::assertEqualsWithDelta([5.0, 0.0, 5.0, M_PI], [$shape->v[0], $shape->v[1], $shape->v[3], $shape->v[5]], 1e-9);
        self::assertEqualsWithDelta(-5.0, $shape->pointAt(0.5)->northing, 1e-9);
    }

    public function test_construction_lines_without_end_are_named_as_left_out(): void
    {
        $drawing = self::open(self::dxf("0\nPOINT\n8\nA\n10\n1\n20\n1\n0\nRAY\n8\nA\n0\nXLINE\n8\nA\n0\nXLINE\n8\nA\n"));
        self::assertContains('1 entity left out: RAY, a construction line without end.', $drawing->remarks);
        self::assertContains('2 entities left out: XLINE, a construction line without end.', $drawing->remarks);
    }

    public function test_a_mesh_is_read_whole_or_refused_with_its_place_and_a_smoothed_one_is_named(): void
    {
        $corners = "10\n0\n20\n0\n30\n1\n10\n4\n20\n0\n30\n1\n10\n4\n20\n3\n30\n2\n";
        $mesh = static fn (string $faces, int $level = 0): string => self::dxf("0\nPOINT\n8\nA\n10\n1\n20\n1\n0\nMESH\n8\nA\n91\n$level\n92\n3\n{$corners}93\n4\n$faces");
        $kinds = self::open($mesh("90\n3\n90\n0\n90\n1\n90\n2\n94\n1\n90\n0\n90\n1\n"))->layers[0]->kinds();
        self::assertSame([3, 1], [$kinds['line'], $kinds['face']]);
        foreach (["90\n3\n90\n0\n90\n1\n90\n7\n", "90\n3\n90\n0\n90\n1\n", "90\n-1\n90\n0\n", "90\n0\n90\n0\n"] as $broken) {
            try {
                self::open($mesh($broken));
                self::fail('A mesh of faces that are not there was taken.');
            } catch (UnreadableDrawing $e) {
                self::assertStringContainsString('MESH', $e->getMessage());
            }
        }
        self::assertContains('1 entity left out: MESH that is smoothed: its corners do not lie on what is drawn.', self::open($mesh("90\n3\n90\n0\n90\n1\n90\n2\n", 1))->remarks);
    }

    public function test_a_block_that_inserts_itself_or_multiplies_without_limit_is_left_out_by_name(): void
    {
        $point = "0\nPOINT\n8\nA\n10\n1\n20\n1\n";
        $own = self::open(
            self::dxf($point."0\nINSERT\n8\nA\n2\nB\n10\n0\n20\n0\n", "0\nBLOCK\n2\nB\n0\nINSERT\n8\n0\n2\nB\n10\n1\n20\n1\n0\nENDBLK\n"),
        );
        self::assertStringContainsString('block “B” inserts itself', implode(' ', $own->remarks));
        $array = self::open(
            self::dxf($point."0\nINSERT\n8\nA\n2\nB\n10\n0\n20\n0\n70\n30000\n71\n30000\n", "0\nBLOCK\n2\nB\n{$point}0\nENDBLK\n"),
        );
        self::assertStringContainsString('block “B” (line 33) would multiply', implode(' ', $array->remarks));
        self::assertSame(1, $array->layers[0]->count);
        // Ten insertions of ten insertions of ten … : known to be too many before any is made.
        $nested = '';
        for ($k = 0; $k < 12; $k++) {
            $nested .= "0\nBLOCK\n2\nB$k\n".str_repeat($k === 0 ? $point : '0
INSERT
8
0
2
B'.($k - 1)."\n10\n0\n20\n0\n", 10)."0\nENDBLK\n";
        }
        $bomb = self::open(self::dxf($point."0\nINSERT\n8\nA\n2\nB11\n10\n0\n20\n0\n", $nested));
        self::assertStringContainsString('“B11”', implode(' ', $bomb->remarks));
    }

    /** A circle about a horizontal axis along (1, 1, 0): an edge 2r long at the height of its centre, square to the axis. */
    public function test_an_upright_circle_keeps_its_centre_and_height(): void
    {
        $layer = self::open(self::dxf("0\nCIRCLE\n8\nA\n10\n2\n20\n3\n30\n4\n40\n0.5\n210\n1\n220\n1\n230\n0\n"))->layers[0];
        [$edge, $centre] = [$layer->shape(0), $layer->shape(1)];
        self::assertSame([ShapeKind::Line, ShapeKind::Point], [$edge->kind, $centre->kind]);
        // The arbitrary axis of the DXF reference: Wz × N = (-1, 1, 0)/√2 is the x axis of its plane, world Z the y axis.
        $n = M_SQRT1_2;
        [$x, $y, $z] = [-$n * 2 + 4 * $n, $n * 2 + 4 * $n, 3.0];
        self::assertEqualsWithDelta([$x, $y, $z], array_slice($centre->v, 0, 3), 1e-12);
        self::assertEqualsWithDelta(
            [$z, $z, 1.0], [$edge->v[2], $edge->v[5], hypot($edge->v[3] - $edge->v[0], $edge->v[4] - $edge->v[1])], 1e-12,
        );
        self::assertEqualsWithDelta([$x, $y], [($edge->v[0] + $edge->v[3]) / 2, ($edge->v[1] + $edge->v[4]) / 2], 1e-12);
    }

    public function test_a_long_curve_takes_time_that_grows_with_its_length_and_keeps_its_shape(): void
    {
        $arc = static function (int $n): Spline {
            $points = array_map(static fn (int $i): array => [100 * cos(M_PI_2 * $i / $n), 100 * sin(M_PI_2 * $i / $n), 0.0], range(0, $n));

            return Spline::through($points) ?? self::fail();
        };
        self::assertEqualsWithDelta(157.0796, $arc(5000)->length(), 1e-3, 'a quarter of a circle of radius 100');
        self::assertEqualsWithDelta($arc(40)->at(0.5), $arc(5000)->at(0.5), 1e-4);
        self::assertCount(4 * 5000 + 1, $arc(5000)->chords());
    }

    public function test_a_missing_external_reference_is_named_with_its_file(): void
    {
        $drawing = self::open(self::dxf(
            "0\nPOINT\n8\nA\n10\n1\n20\n1\n0\nINSERT\n8\nA\n2\nSITE\n10\n0\n20\n0\n",
            "0\nBLOCK\n2\nSITE\n70\n4\n1\nplans\\site survey.dwg\n0\nENDBLK\n",
        ));
        self::assertStringContainsString('“SITE” (plans\\site survey.dwg) is not in this file', implode(' ', $drawing->remarks));
    }

    /** GDAL draws arcs in chords of 4 degrees, so lengths of curves come short by at most 2 parts in ten thousand; straight lines agree. */
    public function test_lengths_agree_with_gdal(): void
    {
        $path = tempnam(sys_get_temp_dir(), 'dxf').'.dxf';
        $gdal = Reference::python("import ezdxf, random\nfrom osgeo import ogr\nogr.UseExceptions()\nrandom.seed(5)\ndoc = "
            ."ezdxf.new('R2000')\nmsp = doc.modelspace()\nr = lambda: random.uniform(0, 90)\nfor i in range(60):\n    "
                ."msp.add_line((r(), r()), (r(), r()), dxfattribs={'layer': 'LINES'})\n    msp.add_lwpolyline([(r(), r()) for _ in "
                    ."range(5)], close=i % 2 == 0, dxfattribs={'layer': 'CHAINS'})\n    msp.add_arc((r(), r()), 1 + r(), r(), 100 + "
                        ."r(), dxfattribs={'layer': 'ARCS'})\n    msp.add_circle((r(), r()), 1 + r(), dxfattribs={'layer': "
                            ."'CIRCLES'})\n    msp.add_lwpolyline([(r(), r(), random.uniform(-1, 1)) for _ in range(4)], "
                                ."format='xyb', dxfattribs={'layer': 'BULGES'})\n    msp.add_ellipse((r(), r()), (5 + r(), r()), 0.6, "
                                    ."dxfattribs={'layer': 'ELLIPSES'})\ndoc.saveas(input)\nsums = {}\nds = ogr.Open(input)\nfor f in "
                                        ."ds.GetLayer(0):\n    g = f.GetGeometryRef()\n    sums[f.GetField('Layer')] = "
                                            ."sums.get(f.GetField('Layer'), 0) + (g.Boundary().Length() if g.GetGeometryName() == "
                                                ."'POLYGON' else g.Length())\nprint(json.dumps(sums))", $path);
        foreach (DxfReader::read(fopen($path, 'rb'))->layers as $layer) {
            $ours = 0.0;
            for ($i = 0; $i < $layer->count; $i++) {
                $ours += $layer->shape($i)->length() ?? 0.0;
            }
            $short = ($ours - $gdal[$layer->name]) / $ours;
            in_array($layer->name, ['LINES', 'CHAINS'], true)
                ? self::assertEqualsWithDelta(0.0, $short, 1e-12, $layer->name)
                : self::assertTrue($short > 0 && $short < 3e-4, "{$layer->name}: $short");
        }
        unlink($path);
    }

    /**
     * What an insertion fills in belongs to it, as ezdxf writes it: with umlauts and quotes, none, twice the same, and in a block of a
     * block.
     */
    public function test_an_insertion_keeps_its_attributes(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'dxf');
        Reference::python(<<<'PY'
            import ezdxf
            doc = ezdxf.new('R2010')
            block = doc.blocks.new('BOLT')
            block.add_circle((0, 0), 0.1)
            block.add_attdef('NO', (0, 0))
            group = doc.blocks.new('GROUP')
            inner = group.add_blockref('BOLT', (1, 0))
            inner.add_attrib('NO', 'inner', (1, 0))
            msp = doc.modelspace()
            for i, texts in enumerate([{'NO': 'A-1 „groß“', '2': 'x'}, {}, {'NO': 'A-1 „groß“'}]):
                ref = msp.add_blockref('BOLT', (10 * i, 5))
                for tag, text in texts.items():
                    ref.add_attrib(tag, text, (10 * i, 5))
            msp.add_blockref('GROUP', (100, 0))
            msp.add_point((1, 2))
            doc.saveas(input)
            print(json.dumps(None))
            PY, $file);
        $drawing = self::open((string) file_get_contents($file));
        unlink($file);
        $found = [];
        $points = 0;
        foreach ($drawing->layers as $layer) {
            for ($i = 0; $i < $layer->count; $i++) {
                $s = $layer->shape($i);
                $points += $s->kind === ShapeKind::Point ? 1 : 0;
                if ($s->kind === ShapeKind::Insert) {
                    $found[] = [$layer->strings[(int) $s->v[4]], $s->v[0], Attributes::of($layer, $s)];
                } else {
                    self::assertSame('', Attributes::textOf($layer, $s));
                }
            }
        }
        usort($found, static fn (array $a, array $b) => [$a[1], $a[0]] <=> [$b[1], $b[0]]);
        self::assertSame([
            ['BOLT', 0.0, ['NO' => 'A-1 „groß“', 2 => 'x']], ['BOLT', 10.0, []],
            ['BOLT', 20.0, ['NO' => 'A-1 „groß“']], ['GROUP', 100.0, []], ['BOLT', 101.0, ['NO' => 'inner']],
        ], $found);
        self::assertSame(1, $points, 'what follows the last attribute is read');
    }

    /** A damaged polyline or insertion takes nothing with it: what follows is read, and so is one at the very end of a cut file. */
    public function test_what_follows_a_damaged_entity_of_several_records_is_not_lost(): void
    {
        $point = "0\nPOINT\n8\nA\n10\n1\n20\n1\n";
        $block = "0\nBLOCK\n2\nB\n0\nPOINT\n8\nA\n10\n0\n20\n0\n0\nENDBLK\n";
        $mending = new ReadOptions(mend: true);
        $damaged = self::dxf("0\nINSERT\n8\nA\n2\nB\n10\n5\n{$point}", $block);
        $drawing = self::open($damaged, $mending);
        self::assertCount(1, array_filter(self::shapes($drawing), static fn (Shape $s) => $s->kind === ShapeKind::Point));
        self::assertStringContainsString('INSERT', implode(' ', $drawing->repairs));
        $cut = substr(
            self::dxf("{$point}0\nINSERT\n8\nA\n2\nB\n10\n5\n20\n5\n66\n1\n0\nATTRIB\n8\nA\n2\nNO\n1\n7\n10\n5\n20\n5\n40\n1\n", $block),
            0, -strlen("0\nENDSEC\n0\nEOF\n"),
        );
        $inserted = array_values(
            array_filter(self::shapes(self::open($cut, $mending)), static fn (Shape $s) => $s->kind === ShapeKind::Insert),
        );
        self::assertEqualsWithDelta([5.0, 5.0], array_slice($inserted[0]->v ?? [], 0, 2), 1e-12);
    }
}
