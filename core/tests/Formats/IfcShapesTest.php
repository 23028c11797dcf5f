<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every kind of shape, against its own formula and against what web-ifc makes of the same file. */
final class IfcShapesTest extends TestCase
{
    /** @var array<string, Element> */
    private static array $elements = [];

    /** @var array<string, array{low: list<float>, high: list<float>, volume: float, triangles: int}> */
    private static array $other = [];

    public static function setUpBeforeClass(): void
    {
        $f = new IfcText;
        foreach (self::kinds() as $name => [$make]) {
            $f->product($name, $make($f));
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($file, $f->text());
        self::$elements = self::read($file);
        exec('node '.escapeshellarg(__DIR__.'/webifc.mjs').' '.escapeshellarg($file).' 2>&1', $said, $code);
        unlink($file);
        self::$other = $code === 0 ? json_decode((string) end($said), true, flags: JSON_THROW_ON_ERROR) : throw new \RuntimeException(implode("\n", $said));
    }

    /** @return array<string, Element> by name */
    private static function read(string $file): array
    {
        $stream = fopen($file, 'rb') ?: throw new \RuntimeException('no file');
        $elements = [];
        foreach ((new IfcModel(StepFile::open($stream)))->elements() as $e) {
            $elements[$e->name] = $e;
        }

        return $elements;
    }

    /** @return array{list<float>, list<float>} smallest and largest of each coordinate, metres */
    private static function box(Element $e): array
    {
        [$low, $high] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($e->shape as [$solid, $frame]) {
            foreach ($solid->corners as $c) {
                foreach ($e->place->after($frame)->point(...$c) as $k => $v) {
                    [$low[$k], $high[$k]] = [min($low[$k], $v), max($high[$k], $v)];
                }
            }
        }

        return [$low, $high];
    }

    /**
     * How each is written (millimetres), its volume by its own formula (metres³), the greatest difference of what web-ifc makes of it (null
     * where it does not read it, or reads it otherwise), and whether that leaves slopes out: then its box alone is compared.
     *
     * @return \Generator<string, array{\Closure(IfcText): list<string>, float, 2?: float|null, 3?: bool}>
     */
    public static function kinds(): \Generator
    {
        $profile = static fn (string $class, string $figures, float $depth = 1000) => static fn (IfcText $f): array => [
            $f->extrusion($f->add("IFC{$class}PROFILEDEF(.AREA.,$,{$f->flat()},$figures)"), $depth),
        ];
        // A circle is drawn as a polygon of 36 corners within it.
        $round = 18 * sin(2 * M_PI / 36) / M_PI;
        yield 'rectangle' => [$profile('RECTANGLE', '300.,200.'), 0.06];
        yield 'circle' => [$profile('CIRCLE', '100.'), M_PI * 0.01 * $round, 5e-4];
        yield 'circle hollow' => [$profile('CIRCLEHOLLOW', '100.,10.'), M_PI * (0.01 - 0.0081) * $round, 5e-4];
        yield 'ellipse' => [$profile('ELLIPSE', '100.,50.'), M_PI * 0.005 * $round, 5e-4];
        yield 'rectangle hollow' => [$profile('RECTANGLEHOLLOW', '200.,100.,10.,$,$'), 0.02 - 0.18 * 0.08];
        yield 'i' => [$profile('ISHAPE', '200.,400.,10.,20.,$,$,$'), 2 * 0.2 * 0.02 + 0.36 * 0.01];
        yield 'l' => [$profile('LSHAPE', '150.,100.,12.,$,$,$'), 0.012 * (0.15 + 0.1 - 0.012)];
        yield 't' => [$profile('TSHAPE', '200.,150.,10.,15.,$,$,$,$,$'), 0.15 * 0.015 + 0.185 * 0.01];
        yield 'u' => [$profile('USHAPE', '200.,80.,8.,12.,$,$,$'), 2 * 0.08 * 0.012 + 0.176 * 0.008];
        yield 'c' => [$profile('CSHAPE', '200.,80.,3.,20.,$'), 0.003 * (0.2 + 2 * 0.077 + 2 * 0.017)];
        // The other lays both flanges over each other here: its box is as wide as one of them, and the standard’s picture is wider.
        yield 'z' => [$profile('ZSHAPE', '200.,80.,8.,12.,$,$'), 2 * 0.08 * 0.012 + 0.176 * 0.008, 0.08];
        yield 'trapezium' => [$profile('TRAPEZIUM', '300.,100.,200.,50.'), 0.04];
        yield 'outline with voids' => [static fn (IfcText $f): array => [$f->extrusion($f->add(
            "IFCARBITRARYPROFILEDEFWITHVOIDS(.AREA.,$,{$f->polyline([[0, 0], [1000, 0], [1000, 800], [400, 800], [400, 500], [0, 500]])},"
            ."({$f->polyline([[100, 100], [100, 300], [300, 300], [300, 100]])},{$f->polyline([[600, 200], [700, 200], [700, 700], [600, 700]])}))",
        ), 250)], (0.5 + 0.6 * 0.3 - 0.04 - 0.05) * 0.25];
        yield 'slanting' => [static fn (IfcText $f): array => [$f->extrusion(
            $f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)"), 1000, $f->axes([500, 200, 100], [1, 1, 1], [0, 1, -1]), $f->direction([0.6, 0, 0.8]),
        )], 0.06 * 0.8];
        yield 'arc' => [static function (IfcText $f): array {
            // A square whose one side is half a circle outward.
            $circle = $f->add('IFCCIRCLE('.$f->add('IFCAXIS2PLACEMENT2D('.$f->point([1000, 500]).','.$f->direction([1, 0]).')').',500.)');
            $half = $f->add("IFCTRIMMEDCURVE($circle,(IFCPARAMETERVALUE(".IfcText::number(-M_PI / 2).')),(IFCPARAMETERVALUE('.IfcText::number(M_PI / 2).')),.T.,.PARAMETER.)');
            $line = $f->add('IFCPOLYLINE(('.implode(',', [$f->point([1000, 1000]), $f->point([0, 1000]), $f->point([0, 0]), $f->point([1000, 0])]).'))');
            $parts = array_map(static fn (string $c) => $f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,$c)"), [$line, $half]);

            return [$f->extrusion($f->add("IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,{$f->add('IFCCOMPOSITECURVE(('.implode(',', $parts).'),.F.)')})"), 100)];
        }, 0.1 * (1.0 + M_PI * 0.125 * $round), 6e-4];
        yield 'indexed arc' => [static function (IfcText $f): array {
            $list = $f->add('IFCCARTESIANPOINTLIST2D(((0.,0.),(1000.,0.),(1500.,500.),(1000.,1000.),(0.,1000.)))');

            return [$f->extrusion($f->add("IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,{$f->add("IFCINDEXEDPOLYCURVE($list,(IFCLINEINDEX((1,2)),IFCARCINDEX((2,3,4)),IFCLINEINDEX((4,5,1))),.F.)")})"), 100)];
        }, 0.1 * (1.0 + M_PI * 0.125 * $round), 6e-4];
        yield 'mapped' => [static function (IfcText $f): array {
            $body = $f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','SweptSolid',({$f->extrusion($f->add("IFCLSHAPEPROFILEDEF(.AREA.,$,{$f->flat()},150.,100.,12.,$,$,$)"), 500)}))");
            $map = $f->add("IFCREPRESENTATIONMAP({$f->axes([100, 0, 0], [0, 0, 1], [0, 1, 0])},$body)");

            return [$f->add("IFCMAPPEDITEM($map,{$f->add("IFCCARTESIANTRANSFORMATIONOPERATOR3DNONUNIFORM({$f->direction([1, 1, 0])},{$f->direction([1, -1, 0])},{$f->point([2000, 300, 100])},2.,{$f->direction([0, 0, 1])},1.5,0.5)")})")];
        }, 0.012 * (0.15 + 0.1 - 0.012) * 0.5 * 2 * 1.5 * 0.5];
        yield 'brep' => [static function (IfcText $f): array {
            [$a, $b, $c, $d, $top] = array_map($f->point(...), [[0, 0, 0], [1000, 0, 0], [1000, 1000, 0], [0, 1000, 0], [500, 500, 900]]);
            $face = static fn (string ...$p): string => $f->add("IFCFACE(({$f->add("IFCFACEOUTERBOUND({$f->add('IFCPOLYLOOP(('.implode(',', $p).'))')},.T.)")}))");

            return [$f->add("IFCFACETEDBREP({$f->add('IFCCLOSEDSHELL(('.implode(',', [$face($d, $c, $b, $a), $face($a, $b, $top), $face($b, $c, $top), $face($c, $d, $top), $face($d, $a, $top)]).'))')})")];
        }, 0.3];
        yield 'triangles' => [static function (IfcText $f): array {
            $list = $f->add('IFCCARTESIANPOINTLIST3D(((0.,0.,0.),(600.,0.,0.),(600.,400.,0.),(0.,400.,0.),(0.,0.,300.),(600.,0.,300.),(600.,400.,300.),(0.,400.,300.)))');

            return [$f->add("IFCTRIANGULATEDFACESET($list,$,.T.,((1,3,2),(1,4,3),(5,6,7),(5,7,8),(1,2,6),(1,6,5),(2,3,7),(2,7,6),(3,4,8),(3,8,7),(4,1,5),(4,5,8)),$)")];
        }, 0.072];
        yield 'polygons' => [static function (IfcText $f): array {
            $list = $f->add('IFCCARTESIANPOINTLIST3D(((0.,0.,0.),(600.,0.,0.),(600.,400.,0.),(0.,400.,0.),(0.,0.,300.),(600.,0.,300.),(600.,400.,300.),(0.,400.,300.)))');
            $faces = array_map(static fn (string $c) => $f->add("IFCINDEXEDPOLYGONALFACE(($c))"), ['4,3,2,1', '5,6,7,8', '1,2,6,5', '2,3,7,6', '3,4,8,7', '4,1,5,8']);

            return [$f->add("IFCPOLYGONALFACESET($list,.T.,(".implode(',', $faces).'),$)')];
        }, 0.072];
        $ring = static fn (float $angle) => static fn (IfcText $f): array => [$f->add(
            "IFCREVOLVEDAREASOLID({$f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},200.,100.)")},{$f->axes([0, 0, 0])},{$f->add("IFCAXIS1PLACEMENT({$f->point([500, 0, 0])},{$f->direction([0, 1, 0])})")},".IfcText::number($angle).')',
        )];
        // By the way of its middle (Pappus and Guldin), along the chords of its pieces.
        yield 'turned by a quarter' => [$ring(M_PI / 2), 0.02 * 0.5 * 9 * sin(M_PI / 18), 2e-3];
        yield 'turned whole' => [$ring(2 * M_PI), 0.02 * 0.5 * 36 * sin(M_PI / 18), 8e-3];
        yield 'bar' => [static fn (IfcText $f): array => [$f->add(
            "IFCSWEPTDISKSOLID({$f->add('IFCPOLYLINE(('.implode(',', array_map($f->point(...), [[0, 0, 0], [1000, 0, 0], [1000, 800, 0], [1000, 800, 600]])).'))')},25.,$,$,$)",
        )], M_PI * 0.025 ** 2 * $round * 2.4, 2e-3];
        yield 'pipe' => [static fn (IfcText $f): array => [$f->add(
            "IFCSWEPTDISKSOLID({$f->add("IFCPOLYLINE(({$f->point([0, 0, 0])},{$f->point([0, 300, 2000])}))")},50.,45.,$,$)",
        )], M_PI * (0.05 ** 2 - 0.045 ** 2) * $round * hypot(0.3, 2.0), 2e-3];
        yield 'faces on planes and a cylinder' => [self::halfCylinder(...), M_PI * 0.01 / 2 * $round * 0.4, 6e-4];
        yield 'a pin by two circles' => [self::pin(...), M_PI * 0.01 * $round * 0.4, 5e-4];
        $beam = static fn (IfcText $f): string => $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},200.,100.)"), 1000);
        yield 'clipped' => [static fn (IfcText $f): array => [
            // Sloping over the top: what lies above is taken away.
            $f->add("IFCBOOLEANCLIPPINGRESULT(.DIFFERENCE.,{$beam($f)},{$f->add("IFCHALFSPACESOLID({$f->add('IFCPLANE('.$f->axes([0, 0, 800], [1, 0, 2], [2, 0, -1]).')')},.F.)")})"),
        ], 0.2 * 0.1 * 0.8];
        yield 'clipped within an outline' => [static fn (IfcText $f): array => [
            $f->add("IFCBOOLEANCLIPPINGRESULT(.DIFFERENCE.,{$beam($f)},{$f->add("IFCPOLYGONALBOUNDEDHALFSPACE({$f->add('IFCPLANE('.$f->axes([0, 0, 600], [0, 0, 1], [1, 0, 0]).')')},.F.,{$f->axes([0, 0, 0])},{$f->polyline([[0, -200], [200, -200], [200, 200], [0, 200]])})")})"),
        ], 0.2 * 0.1 - 0.1 * 0.1 * 0.4];
        yield 'two joined' => [static fn (IfcText $f): array => [
            $f->add("IFCBOOLEANRESULT(.UNION.,{$beam($f)},{$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},100.,400.)"), 500)})"),
        ], 0.02 + 0.1 * 0.3 * 0.5];
        yield 'what two have in common' => [static fn (IfcText $f): array => [
            $f->add("IFCBOOLEANRESULT(.INTERSECTION.,{$beam($f)},{$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},100.,400.)"), 500)})"),
        ], 0.1 * 0.1 * 0.5];
        yield 'bored through' => [static fn (IfcText $f): array => [
            $f->add("IFCBOOLEANRESULT(.DIFFERENCE.,{$beam($f)},{$f->extrusion($f->add("IFCCIRCLEPROFILEDEF(.AREA.,$,{$f->flat()},30.)"), 2000, $f->axes([0, 1000, 500], [0, -1, 0], [1, 0, 0]))})"),
        ], 0.02 - M_PI * 0.0009 * $round * 0.1];
        $at = static fn (IfcText $f): string => $f->axes([100, 200, 300], [0, 1, 0], [1, 0, 0]);
        $half = static fn (string $name, string $figures) => static fn (IfcText $f): array => [$f->add("IFCCSGSOLID({$f->add("$name({$at($f)},$figures)")})")];
        // Rings of 36 corners: the round area by the polygon's, and between two rings the frustum's.
        $rings = 0.0;
        for ($k = 0; $k < 18; $k++) {
            [$a, $b] = [-M_PI / 2 + M_PI * $k / 18, -M_PI / 2 + M_PI * ($k + 1) / 18];
            $rings += (sin($b) - sin($a)) / 3 * (cos($a) ** 2 + cos($a) * cos($b) + cos($b) ** 2);
        }
        yield 'sphere' => [$half('IFCSPHERE', '250.'), 0.25 ** 3 * M_PI * $round * $rings, 3e-3];
        yield 'cone' => [$half('IFCRIGHTCIRCULARCONE', '600.,200.'), M_PI * 0.04 * $round * 0.6 / 3, 3e-3];
        // One corner of its base stands at its place (ISO 10303-42, rectangular pyramid; recalled): the other puts its middle there.
        yield 'pyramid' => [$half('IFCRECTANGULARPYRAMID', '600.,400.,900.'), 0.6 * 0.4 * 0.9 / 3, null];
        $line = static fn (IfcText $f, array ...$places): string => $f->add('IFCPOLYLINE(('.implode(',', array_map($f->point(...), $places)).'))');
        // A leg of 1 m, one of 0.8 m, and between them a quarter of a circle of 200 about its own middle, as nine chords.
        yield 'bar with a bend' => [static fn (IfcText $f): array => [$f->add("IFCSWEPTDISKSOLIDPOLYGONAL({$line($f, [0, 0, 0], [1200, 0, 0], [1200, 1000, 0])},25.,$,$,$,200.)")],
            M_PI * 0.025 ** 2 * $round * (1.0 + 0.8 + 9 * 0.4 * sin(M_PI / 36)), null];
        yield 'part of a bar' => [static fn (IfcText $f): array => [$f->add("IFCSWEPTDISKSOLID({$line($f, [0, 0, 0], [1000, 0, 0], [1000, 800, 0], [1000, 800, 600])},25.,$,0.5,2.)")],
            M_PI * 0.025 ** 2 * $round * 1.3, 2e-3];
        yield 'led with a fixed reference' => [static fn (IfcText $f): array => [$f->add(
            "IFCFIXEDREFERENCESWEPTAREASOLID({$f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)")},{$f->axes([0, 0, 0])},{$line($f, [0, 0, 0], [1000, 0, 0], [1000, 800, 0])},$,$,{$f->direction([0, 0, 1])})",
        )], 0.06 * 1.8, null];
        yield 'led along a plane' => [static fn (IfcText $f): array => [$f->add(
            "IFCSURFACECURVESWEPTAREASOLID({$f->add("IFCLSHAPEPROFILEDEF(.AREA.,$,{$f->flat()},150.,100.,12.,$,$,$)")},{$f->axes([0, 0, 0])},{$line($f, [0, 0, 0], [1000, 0, 0])},0.,1.,{$f->add("IFCPLANE({$f->axes([0, 0, 0])})")})",
        )], 0.012 * (0.15 + 0.1 - 0.012)];
        // A prismoid between 400 × 200 and 200 × 400 over 900: by Simpson's rule, which is exact for it.
        yield 'stretched from profile to profile' => [static fn (IfcText $f): array => [$f->add(
            "IFCSECTIONEDSPINE({$f->add("IFCCOMPOSITECURVE(({$f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,{$line($f, [0, 0, 0], [0, 0, 900])})")}),.F.)")},"
            ."({$f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},400.,200.)")},{$f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},200.,400.)")}),({$f->axes([0, 0, 0])},{$f->axes([0, 0, 900])}))",
        )], 0.9 / 6 * (0.08 + 4 * 0.09 + 0.08), null];
        yield 'i with sloping flanges' => [$profile('ISHAPE', '200.,400.,10.,20.,$,$,'.IfcText::number(atan(0.14))), 2 * 0.19 * (0.02 - 0.14 * 0.0025) + 0.4 * 0.01, 1e-5, true];
        yield 'u with sloping flanges' => [$profile('USHAPE', '200.,80.,8.,12.,$,$,'.IfcText::number(atan(0.08))), 2 * 0.072 * (0.012 - 0.08 * 0.004) + 0.2 * 0.008, 1e-5, true];
        // Summed in two million columns.
        yield 't with slopes' => [$profile('TSHAPE', '200.,150.,10.,15.,$,$,$,'.IfcText::number(atan(0.02)).','.IfcText::number(atan(0.02))), 0.004035355, 1e-5, true];
        yield 'l with slopes' => [$profile('LSHAPE', '150.,100.,12.,$,$,'.IfcText::number(atan(0.02))), 0.002827944, 1e-5, true];
        $on = static fn (float $t): array => [
            ((1 - $t) ** 2 + M_SQRT2 * $t * (1 - $t)) / ((1 - $t) ** 2 + M_SQRT2 * $t * (1 - $t) + $t ** 2),
            (M_SQRT2 * $t * (1 - $t) + $t ** 2) / ((1 - $t) ** 2 + M_SQRT2 * $t * (1 - $t) + $t ** 2),
        ];
        $quarterInChords = 0.0;
        for ($k = 0; $k < 16; $k++) {
            [[$x, $y], [$u, $v]] = [$on($k / 16), $on(($k + 1) / 16)];
            $quarterInChords += ($x * $v - $u * $y) / 2;
        }
        yield 'outline by a spline' => [static function (IfcText $f): array {
            // A quarter of a circle is exactly a rational one of the second degree (Piegl & Tiller, The NURBS Book, 7.3).
            $quarter = $f->add('IFCRATIONALBSPLINECURVEWITHKNOTS(2,('.implode(',', array_map($f->point(...), [[1000, 0], [1000, 1000], [0, 1000]]))
                .'),.CIRCULAR_ARC.,.F.,.F.,(3,3),(0.,1.),.UNSPECIFIED.,(1.,'.IfcText::number(sqrt(0.5)).',1.))');
            $back = $f->add("IFCPOLYLINE(({$f->point([0, 1000])},{$f->point([0, 0])},{$f->point([1000, 0])}))");
            $parts = array_map(static fn (string $c) => $f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,$c)"), [$quarter, $back]);

            return [$f->extrusion($f->add("IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,{$f->add('IFCCOMPOSITECURVE(('.implode(',', $parts).'),.F.)')})"), 100)];
        }, 0.1 * $quarterInChords, null];
    }

    /**
     * Half of a cylinder lying flat on its cut, by its edges: radius 100, length 400.
     *
     * @return list<string>
     */
    private static function halfCylinder(IfcText $f): array
    {
        $v = array_map(static fn (array $p) => $f->add("IFCVERTEXPOINT({$f->point($p)})"), [[-100, 0, 0], [100, 0, 0], [-100, 400, 0], [100, 400, 0]]);
        $line = static fn (int $a, int $b, array $at, array $way): string => $f->add("IFCEDGECURVE({$v[$a]},{$v[$b]},{$f->add("IFCLINE({$f->point($at)},{$f->add("IFCVECTOR({$f->direction($way)},1.)")})")},.T.)");
        // Seen against the y axis: from the right over the top to the left.
        $arc = static fn (int $a, int $b, int $y): string => $f->add("IFCEDGECURVE({$v[$a]},{$v[$b]},{$f->add("IFCCIRCLE({$f->axes([0, $y, 0], [0, -1, 0], [1, 0, 0])},100.)")},.T.)");
        [$front, $back] = [$arc(1, 0, 0), $arc(3, 2, 400)];
        [$frontLine, $backLine, $left, $right] = [$line(0, 1, [-100, 0, 0], [1, 0, 0]), $line(2, 3, [-100, 400, 0], [1, 0, 0]), $line(0, 2, [-100, 0, 0], [0, 1, 0]), $line(1, 3, [100, 0, 0], [0, 1, 0])];
        $face = static fn (array $edges, string $surface): string => $f->add('IFCADVANCEDFACE(('.$f->add('IFCFACEOUTERBOUND('.$f->add('IFCEDGELOOP(('.implode(',', array_map(
            static fn (array $e) => $f->add("IFCORIENTEDEDGE(*,*,$e[0],.$e[1].)"), $edges,
        )).'))').',.T.)')."),$surface,.T.)");
        $plane = static fn (array $at, array $z, array $x): string => $f->add("IFCPLANE({$f->axes($at, $z, $x)})");

        return [$f->add('IFCADVANCEDBREP('.$f->add('IFCCLOSEDSHELL(('.implode(',', [
            $face([[$frontLine, 'T'], [$front, 'T']], $plane([0, 0, 0], [0, -1, 0], [1, 0, 0])),
            $face([[$backLine, 'F'], [$back, 'F']], $plane([0, 400, 0], [0, 1, 0], [1, 0, 0])),
            $face([[$left, 'T'], [$backLine, 'T'], [$right, 'F'], [$frontLine, 'F']], $plane([0, 0, 0], [0, 0, -1], [1, 0, 0])),
            $face([[$front, 'F'], [$right, 'T'], [$back, 'T'], [$left, 'F']], $f->add("IFCCYLINDRICALSURFACE({$f->axes([0, 0, 0], [0, -1, 0], [1, 0, 0])},100.)")),
        ]).'))').')')];
    }

    /**
     * A whole cylinder, its round face bounded by a circle below and one above: radius 100, height 400.
     *
     * @return list<string>
     */
    private static function pin(IfcText $f): array
    {
        $circle = static function (int $z) use ($f): string {
            $v = $f->add("IFCVERTEXPOINT({$f->point([100, 0, $z])})");

            return $f->add("IFCEDGECURVE($v,$v,{$f->add("IFCCIRCLE({$f->axes([0, 0, $z], [0, 0, 1], [1, 0, 0])},100.)")},.T.)");
        };
        [$low, $high] = [$circle(0), $circle(400)];
        $bound = static fn (string $class, string $edge, string $way): string => $f->add("$class({$f->add("IFCEDGELOOP(({$f->add("IFCORIENTEDEDGE(*,*,$edge,.$way.)")}))")},.T.)");
        $plane = static fn (int $z, int $up): string => $f->add("IFCPLANE({$f->axes([0, 0, $z], [0, 0, $up], [1, 0, 0])})");
        $faces = [
            $f->add("IFCADVANCEDFACE(({$bound('IFCFACEOUTERBOUND', $low, 'F')}),{$plane(0, -1)},.T.)"),
            $f->add("IFCADVANCEDFACE(({$bound('IFCFACEOUTERBOUND', $high, 'T')}),{$plane(400, 1)},.T.)"),
            $f->add("IFCADVANCEDFACE(({$bound('IFCFACEOUTERBOUND', $low, 'T')},{$bound('IFCFACEBOUND', $high, 'F')}),{$f->add("IFCCYLINDRICALSURFACE({$f->axes([0, 0, 0], [0, 0, 1], [1, 0, 0])},100.)")},.T.)"),
        ];

        return [$f->add('IFCADVANCEDBREP('.$f->add('IFCCLOSEDSHELL(('.implode(',', $faces).'))').')')];
    }

    /** @param  \Closure(IfcText): list<string>  $make */
    #[DataProvider('kinds')]
    public function test_a_shape_stands_where_it_is_built(\Closure $make, float $volume, ?float $tolerance = 1e-5, bool $boxAlone = false): void
    {
        $name = (string) $this->dataName();
        $e = self::$elements[$name];
        self::assertNull($e->fault);
        self::assertEqualsWithDelta($volume, $e->volume(), 1e-6 + 1e-5 * $volume, 'by its formula');
        if ($tolerance === null) {
            return;
        }
        $other = self::$other[$name];
        [$low, $high] = self::box($e);
        foreach ([0, 1, 2] as $k) {
            self::assertEqualsWithDelta($other['low'][$k], $low[$k], $tolerance, "the smallest of coordinate $k");
            self::assertEqualsWithDelta($other['high'][$k], $high[$k], $tolerance, "the largest of coordinate $k");
        }
        $boxAlone || self::assertEqualsWithDelta(abs($other['volume']), $e->volume(), $tolerance + 5e-3 * $volume, 'as the other makes it');
    }

    public function test_faces_are_those_a_person_would_touch(): void
    {
        $faces = static fn (string $name): array => array_merge(...array_map(static fn (array $s) => $s[0]->faces, self::$elements[$name]->shape));
        self::assertCount(6, $faces('triangles'), 'twelve triangles are the six faces of a box');
        self::assertCount(6, $faces('clipped'));
        self::assertCount(8, $faces('clipped within an outline'));
        $bored = $faces('bored through');
        $holes = array_values(array_filter($bored, static fn ($f) => $f->holes !== []));
        self::assertCount(2, $holes, 'the hole goes in on one side and out on the other');
        self::assertCount(36, array_filter($bored, static fn ($f) => $f->round !== null), 'what was bored remembers that it is round');
        [$solid] = self::$elements['bored through']->shape[0];
        self::assertEqualsWithDelta(0.03, $solid->round[0]->radius, 1e-9);
        self::assertTrue($solid->round[0]->hollow);
    }
}
