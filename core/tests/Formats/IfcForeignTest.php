<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\Ifc\IfcDrawing;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What models of other makes say in ways of their own: never put at the origin, never denied, and nothing of it dropped without a word. */
final class IfcForeignTest extends TestCase
{
    private static function read(string $text, LengthUnit $unit = LengthUnit::Metre): Drawing
    {
        $path = tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($path, $text);
        try {
            return IfcDrawing::read($path, new ReadOptions(unit: $unit));
        } finally {
            unlink($path);
        }
    }

    private static function model(string $text): IfcModel
    {
        $stream = fopen('php://temp', 'w+b');
        fwrite($stream, $text);
        rewind($stream);

        return new IfcModel(StepFile::open($stream));
    }

    private static function box(IfcText $f): string
    {
        return $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)"), 20);
    }

    /** @return array{float, float, float} metres, where the first thing stands */
    private static function stands(Drawing $d): array
    {
        foreach ($d->layers as $layer) {
            if (! str_contains($layer->name, ',') && $layer->count > 0) {
                $v = $layer->shape(0)->v;

                return [$v[0], $v[1], $v[2]];
            }
        }
        self::fail('nothing stands there');
    }

    public function test_a_model_that_was_cut_off_before_its_first_thing_says_so(): void
    {
        $f = new IfcText('IFC4');
        $text = $f->text();
        $this->expectException(UnreadableDrawing::class);
        $this->expectExceptionMessageMatches('~^The model holds nothing .*It was cut off on its way~');
        self::read(substr($text, 0, (int) strrpos($text, '#') + 6));
    }

    /** By hand: the model's place 10, 0 (metres), turned by 0.6 and 0.8, lies at 6, 8 from the map's own place. */
    #[DataProvider('maps')]
    public function test_every_way_of_saying_a_place_on_the_map_is_read(string $schema, string $length, \Closure $say, array $place): void
    {
        $f = new IfcText($schema, $length);
        $by = str_contains($length, 'MILLI') ? 10_000 : 10;
        $f->product('P', [self::box($f)], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([$by, 0, 0])})"));
        $say($f);
        $d = self::read($f->text(), $by === 10 ? LengthUnit::Metre : LengthUnit::Millimetre);
        self::assertEqualsWithDelta($place, self::stands($d), 1e-4);
        self::assertStringNotContainsString('says no place', implode(' ', $d->remarks));
    }

    public static function maps(): array
    {
        $milli = 'IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)';
        $metre = 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)';
        $crs = static fn (IfcText $f): string => $f->add("IFCPROJECTEDCRS('grid',$,$,$,$,$,$)");
        $property = static fn (IfcText $f, string $name, string $value): string => $f->add("IFCPROPERTYSINGLEVALUE('$name',$,$value,$)");

        return [
            'millimetres, and a scale to metres of a map that names no unit' => ['IFC4', $milli, static fn (IfcText $f) => $f->add("IFCMAPCONVERSION({$f->context},{$crs($f)},412345.5,5678901.25,104.5,0.6,0.8,0.001)"), [412351.5, 5678909.25, 104.5]],
            'the scaled kind of IFC 4.3' => ['IFC4X3_ADD2', $metre, static fn (IfcText $f) => $f->add("IFCMAPCONVERSIONSCALED({$f->context},{$crs($f)},412345.5,5678901.25,104.5,0.6,0.8,1.,0.9996,0.9996,1.)"), [412345.5 + 0.9996 * 6, 5678901.25 + 0.9996 * 8, 104.5]],
            'the rigid kind of IFC 4.3' => ['IFC4X3_ADD2', $metre, static fn (IfcText $f) => $f->add("IFCRIGIDOPERATION({$f->context},{$crs($f)},IFCLENGTHMEASURE(412345.5),IFCLENGTHMEASURE(5678901.25),104.5)"), [412355.5, 5678901.25, 104.5]],
            'properties of IFC2X3' => ['IFC2X3', $milli, static function (IfcText $f) use ($property): void {
                $set = implode(',', [
                    $property($f, 'Eastings', 'IFCLENGTHMEASURE(412345.5)'), $property($f, 'Northings', 'IFCLENGTHMEASURE(5678901.25)'), $property($f, 'OrthogonalHeight', 'IFCLENGTHMEASURE(104.5)'),
                    $property($f, 'XAxisAbscissa', 'IFCREAL(0.6)'), $property($f, 'XAxisOrdinate', 'IFCREAL(0.8)'), $property($f, 'Scale', 'IFCREAL(0.001)'),
                ]);
                $f->add("IFCPROPERTYSET({$f->id()},$,'ePSet_MapConversion',$,($set))");
            }, [412351.5, 5678909.25, 104.5]],
        ];
    }

    public function test_a_context_with_a_system_of_its_own_and_one_that_can_not_be_read_are_told(): void
    {
        $f = new IfcText('IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $f->product('P', [self::box($f)], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([10, 0, 0])})"));
        $own = $f->axes([100, 200, 5], [0, 0, 1], [0, 1, 0]);
        $d = self::read(preg_replace('~(3,1\.E-05,)#\d+~', '${1}'.$own, $f->text()) ?? '');
        self::assertEqualsWithDelta([100.0, 210.0, 5.0], self::stands($d), 1e-9);
        self::assertStringContainsString('WorldCoordinateSystem', implode(' ', $d->remarks));
        $f->add("IFCRIGIDOPERATION({$f->context},{$f->add("IFCGEOGRAPHICCRS('WGS84',$,$,$,$,$)")},IFCPLANEANGLEMEASURE(11.5),IFCPLANEANGLEMEASURE(48.1),0.)");
        self::assertStringContainsString('can’t read', implode(' ', self::read($f->text())->remarks));
    }

    /** At the crossing of B and 2, half a metre to the left of B; along an alignment by the place that is written beside it; what is neither is left out by name, never put at the origin. */
    public function test_placements_by_a_grid_and_along_an_alignment(): void
    {
        $f = new IfcText('IFC4X3_ADD2', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $line = static fn (array $a, array $b): string => $f->add("IFCPOLYLINE(({$f->point($a)},{$f->point($b)}))");
        $b = $f->add("IFCGRIDAXIS('B',{$line([0, 6], [40, 6])},.T.)");
        $two = $f->add("IFCGRIDAXIS('2',{$line([12, 0], [12, 30])},.T.)");
        $f->add("IFCGRID({$f->id()},$,'Grid',$,$,".$f->add("IFCLOCALPLACEMENT($,{$f->axes([1000, 2000, 3])})").",$,($b),($two),$,$)");
        $at = $f->add("IFCVIRTUALGRIDINTERSECTION(($b,$two),(0.5,0.,1.25))");
        $f->product('on the grid', [self::box($f)], $f->add("IFCGRIDPLACEMENT($,$at,$)"), 'IFCFOOTING');
        $linear = $f->add('IFCAXIS2PLACEMENTLINEAR($,$,$)');
        $f->product('beside the rail', [self::box($f)], $f->add("IFCLINEARPLACEMENT($,$linear,{$f->axes([512, 77, 8])})"), 'IFCSIGN');
        $f->product('nowhere', [self::box($f)], $f->add("IFCLINEARPLACEMENT($,$linear,$)"), 'IFCSIGNAL');
        $model = self::model($f->text());
        $found = [];
        foreach ($model->elements() as $e) {
            $found[$e->name] = [$e->place->x, $e->place->y, $e->place->z];
        }
        self::assertSame(['on the grid', 'beside the rail'], array_keys($found));
        self::assertEqualsWithDelta([1012.0, 2006.5, 4.25], $found['on the grid'], 1e-9);
        self::assertEqualsWithDelta([512.0, 77.0, 8.0], $found['beside the rail'], 1e-9);
        self::assertStringContainsString('“nowhere” was left out', implode(' ', $model->structure->faults));
    }

    /** Terrain of a site, lines of an annotation and a second body are drawn; spaces and the like are counted by class. */
    public function test_nothing_is_dropped_without_a_word(): void
    {
        $f = new IfcText('IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $place = $f->add("IFCLOCALPLACEMENT($,{$f->axes([50, 0, 0])})");
        $body = static fn (string $items): string => $f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','SweptSolid',($items))");
        $one = $body(self::box($f));
        $shape = $f->add("IFCPRODUCTDEFINITIONSHAPE($,$,($one))");
        $f->add("IFCSITE({$f->id()},$,'Terrain',$,$,$place,$shape,$,.ELEMENT.,$,$,$,$,$)");
        $f->add("IFCSPACE({$f->id()},$,'Room',$,$,$place,$shape,$,.ELEMENT.,.INTERNAL.,$)");
        $line = $f->add("IFCPOLYLINE(({$f->point([0, 0, 0])},{$f->point([10, 5, 1])}))");
        $drawn = $f->add("IFCPRODUCTDEFINITIONSHAPE($,$,({$f->add("IFCSHAPEREPRESENTATION({$f->context},'Annotation','GeometricCurveSet',({$f->add("IFCGEOMETRICCURVESET(($line))")}))")}))");
        $f->add("IFCANNOTATION({$f->id()},$,'Axis A',$,$,$place,$drawn)");
        $two = $f->add("IFCPRODUCTDEFINITIONSHAPE($,$,($one,{$body($f->extrusion($f->add("IFCCIRCLEPROFILEDEF(.AREA.,$,{$f->flat()},10.)"), 30))}))");
        $f->add("IFCBUILDINGELEMENTPROXY({$f->id()},$,'both',$,$,$place,$two,$,$)");
        $d = self::read($f->text());
        $layers = array_column($d->layers, null, 'name');
        self::assertArrayHasKey('Site', $layers);
        self::assertEqualsWithDelta([50.0, 0.0, 0.0, 60.0, 5.0, 1.0], array_slice($layers['Annotation']->shape(0)->v, 0, 6), 1e-9);
        self::assertStringContainsString('1 × IFCSPACE', implode(' ', $d->remarks));
        foreach (self::model($f->text())->elements() as $e) {
            self::assertCount($e->name === 'both' ? 2 : 1, $e->shape, $e->name);
        }
    }

    /** A plate with sixty holes, each cut out of what the one before it left. */
    public function test_a_plate_with_many_cuts_has_them_all(): void
    {
        $f = new IfcText;
        $solid = $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},6000.,400.)"), 20);
        $square = $f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},10.,10.)");
        for ($i = 0; $i < 60; $i++) {
            $solid = $f->add("IFCBOOLEANRESULT(.DIFFERENCE.,$solid,{$f->extrusion($square, 60, $f->axes([-2950 + 100 * $i, 0, -20]))})");
        }
        $f->product('plate', [$solid]);
        foreach (self::model($f->text())->elements() as $e) {
            self::assertNull($e->fault);
            self::assertEqualsWithDelta((6.0 * 0.4 - 60 * 0.01 * 0.01) * 0.02, $e->shape[0][0]->volume(), 1e-9);
        }
    }

    /** A million of them took nine seconds to be refused: the places need not be read for that, so it does not matter that none is there. */
    public function test_a_face_of_too_many_corners_is_refused_before_its_places_are_read(): void
    {
        $f = new IfcText;
        $loop = $f->add('IFCPOLYLOOP(('.substr(str_repeat('#999999999,', 300_001), 0, -1).'))');
        $shell = $f->add("IFCCLOSEDSHELL(({$f->add("IFCFACE(({$f->add("IFCFACEOUTERBOUND($loop,.T.)")}))")}))");
        $f->product('slab', [$f->add("IFCFACETEDBREP($shell)")], kind: 'Brep');
        foreach (self::model($f->text())->elements() as $e) {
            self::assertStringContainsString('more than 300000 corners', (string) $e->fault);
        }
    }
}
