<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\TestCase;

/** Where things of a model stand, what they belong to, and what becomes of what is careless or damaged. */
final class IfcModelTest extends TestCase
{
    private static function model(string $text): IfcModel
    {
        $stream = fopen('php://memory', 'w+b') ?: throw new \RuntimeException('no memory');
        fwrite($stream, $text);

        return new IfcModel(StepFile::open($stream));
    }

    /** @return array<string, Element> by name */
    private static function elements(IfcModel $m): array
    {
        $elements = [];
        foreach ($m->elements() as $e) {
            $elements[$e->name] = $e;
        }

        return $elements;
    }

    private static function metreBox(IfcText $f, string $position = ''): string
    {
        return $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},1000.,1000.)"), 1000, $position);
    }

    public function test_placements_turned_nested_mirrored_and_stretched_as_by_matrices(): void
    {
        mt_srand(15);
        $random = static fn (float $to): float => round((mt_rand() / mt_getrandmax() * 2 - 1) * $to, 4);
        $axes = static fn (): array => ['at' => [$random(2e6), $random(2e6), $random(5e4)], 'z' => [$random(1), $random(1), $random(1) + 1.5], 'x' => [$random(1) + 1.2, $random(1), $random(1)]];
        $cases = [];
        for ($i = 0; $i < 40; $i++) {
            $cases[] = [
                'places' => array_map($axes, range(0, $i % 3)),
                'operator' => $i % 2 === 0 ? null : $axes() + ['y' => [$random(1), $random(1) < 0 ? -1.5 : 1.5, $random(0.3)], 'scale' => [1 + abs($random(2)), 1 + abs($random(1)), 0.5]],
                'origin' => $axes(), 'solid' => $axes(),
            ];
        }
        $f = new IfcText;
        $put = static fn (array $a): string => $f->axes($a['at'], $a['z'], $a['x']);
        foreach ($cases as $i => $case) {
            $place = '$';
            foreach ($case['places'] as $a) {
                $place = $f->add("IFCLOCALPLACEMENT($place,{$put($a)})");
            }
            $item = self::metreBox($f, $put($case['solid']));
            if ($case['operator'] !== null) {
                $o = $case['operator'];
                $body = $f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','SweptSolid',($item))");
                $item = $f->add("IFCMAPPEDITEM({$f->add("IFCREPRESENTATIONMAP({$put($case['origin'])},$body)")},".$f->add(
                    "IFCCARTESIANTRANSFORMATIONOPERATOR3DNONUNIFORM({$f->direction($o['x'])},{$f->direction($o['y'])},{$f->point($o['at'])},"
                    .implode(',', [IfcText::number($o['scale'][0]), $f->direction($o['z']), IfcText::number($o['scale'][1]), IfcText::number($o['scale'][2])]).')',
                ).')');
            }
            $f->product("case $i", [$item], $place);
        }
        $elements = self::elements(self::model($f->text()));
        $wanted = Reference::python((string) file_get_contents(__DIR__.'/placements.py'), $cases);
        $mirrored = 0;
        foreach ($wanted as $i => $corners) {
            $e = $elements["case $i"];
            self::assertNull($e->fault);
            [[$solid, $frame]] = $e->shape;
            $whole = $e->place->after($frame);
            $mirrored += $whole->determinant() < 0.0 ? 1 : 0;
            foreach ($corners as $c) {
                $nearest = min(array_map(static function (array $own) use ($whole, $c): float {
                    [$x, $y, $z] = $whole->point(...$own);

                    return sqrt(($x - $c[0]) ** 2 + ($y - $c[1]) ** 2 + ($z - $c[2]) ** 2);
                }, $solid->corners));
                self::assertLessThan(1e-6, $nearest, "case $i");
            }
        }
        self::assertGreaterThan(3, $mirrored, 'some are mirrored');
    }

    public function test_units_of_length_and_angle(): void
    {
        foreach ([
            "IFCCONVERSIONBASEDUNIT(*,.LENGTHUNIT.,'FOOT',#3)" => 0.3048,
            'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)' => 1.0,
            'IFCSIUNIT(*,.LENGTHUNIT.,.CENTI.,.METRE.)' => 0.01,
        ] as $unit => $metres) {
            $f = new IfcText('IFC2X3', $unit);
            $text = strtr($f->text(), ['#3)' => '#9001)']);
            $text = str_replace("ENDSEC;\nEND", "#9001=IFCMEASUREWITHUNIT(IFCLENGTHMEASURE(0.3048),#9002);\n#9002=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);\nENDSEC;\nEND", $text);
            self::assertSame($metres, self::model($text)->units->length, $unit);
        }
        self::assertFalse(self::model((new IfcText('IFC4', 'IFCSIUNIT(*,.AREAUNIT.,$,.SQUARE_METRE.)'))->text())->units->said, 'no length is said');
        // A quarter of a circle, its angles in degrees.
        $f = new IfcText('IFC4', 'IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.)', "IFCCONVERSIONBASEDUNIT(*,.PLANEANGLEUNIT.,'DEGREE',#9001)");
        $arc = $f->add("IFCTRIMMEDCURVE({$f->add("IFCCIRCLE({$f->flat()},1000.)")},(IFCPARAMETERVALUE(0.)),(IFCPARAMETERVALUE(90.)),.T.,.PARAMETER.)");
        $legs = $f->add("IFCPOLYLINE(({$f->point([0, 1000])},{$f->point([0, 0])},{$f->point([1000, 0])}))");
        $curve = $f->add("IFCCOMPOSITECURVE(({$f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,$arc)")},{$f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,$legs)")}),.F.)");
        $f->product('quarter', [$f->extrusion($f->add("IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,$curve)"), 1000)]);
        $text = str_replace("ENDSEC;\nEND", '#9001=IFCMEASUREWITHUNIT(IFCPLANEANGLEMEASURE('.(M_PI / 180)."),#9002);\n#9002=IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.);\nENDSEC;\nEND", $f->text());
        self::assertEqualsWithDelta(9 * sin(M_PI / 18) / 2, self::elements(self::model($text))['quarter']->volume(), 1e-9);
    }

    public function test_who_belongs_to_whom(): void
    {
        $f = new IfcText;
        $column = $f->product('Stütze 1', [self::metreBox($f)], '', 'IFCCOLUMN');
        $plate = $f->add("IFCPLATE({$f->id()},$,'Plate',$,'as said by the writer',".$f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([0, 0, 0])})").',$,$,$)');
        $f->add("IFCRELAGGREGATES({$f->id()},$,$,$,$column,($plate))");
        $type = $f->add("IFCCOLUMNTYPE({$f->id()},$,'C 300',$,$,$,$,$,$,.COLUMN.)");
        $f->add("IFCRELDEFINESBYTYPE({$f->id()},$,$,$,($column),$type)");
        $grid = static fn (string $tag, array $from, array $to): string => $f->add("IFCGRIDAXIS('$tag',{$f->add("IFCPOLYLINE(({$f->point($from)},{$f->point($to)}))")},.T.)");
        $f->add("IFCGRID({$f->id()},$,'Grid',$,$,".$f->add("IFCLOCALPLACEMENT($,{$f->axes([1000, 0, 0])})").",$,({$grid('A', [0, 0], [0, 9000])},{$grid('B', [6000, 0], [6000, 9000])}),({$grid('1', [0, 0], [6000, 0])}),$)");
        $m = self::model($f->text());
        $e = self::elements($m);
        self::assertSame(['Stütze 1', 'Plate'], array_keys($e), 'storeys, sites and grids are no things');
        self::assertSame(['Column', 'C 300', (int) substr($column, 1)], [$e['Stütze 1']->class, $e['Stütze 1']->typeName, $e['Plate']->partOf]);
        self::assertSame('as said by the writer', $e['Plate']->typeName);
        self::assertSame('Ground', $m->storeys()[0]->name);
        self::assertSame([$m->storeys()[0]->number, $m->storeys()[0]->number], [$e['Stütze 1']->storey, $e['Plate']->storey], 'a part stands where its whole does');
        self::assertSame(['A', 'B', '1'], array_column($m->grids->axes(), 'name'));
        self::assertSame([[7.0, 0.0, 0.0], [7.0, 9.0, 0.0]], $m->grids->axes()[1]->places);
    }

    public function test_what_is_said_of_a_thing_beside_its_shape(): void
    {
        $f = new IfcText;
        $column = $f->product('C1', [self::metreBox($f)], '', 'IFCCOLUMN');
        $single = static fn (string $name, string $value): string => $f->add("IFCPROPERTYSINGLEVALUE('$name',$,$value,$)");
        $own = $f->add("IFCPROPERTYSET({$f->id()},$,'Pset_ColumnCommon',$,({$single('LoadBearing', 'IFCBOOLEAN(.T.)')},{$single('Slope', 'IFCREAL(0.250)')},{$single('Mark', "IFCLABEL('K\\X2\\00F6\\X0\\nig')")},{$single('Bare', '$')}))");
        $f->add("IFCRELDEFINESBYPROPERTIES({$f->id()},$,$,$,($column),$own)");
        $quantity = $f->add("IFCELEMENTQUANTITY({$f->id()},$,'Qto',$,$,({$f->add("IFCQUANTITYLENGTH('Length',$,$,1000.,$)")}))");
        $f->add("IFCRELDEFINESBYPROPERTIES({$f->id()},$,$,$,($column),$quantity)");
        $ofType = $f->add("IFCPROPERTYSET({$f->id()},$,'Pset_Type',$,({$single('Mark', "IFCLABEL('of the type')")},{$single('Coating', "IFCLABEL('zinc')")}))");
        $type = $f->add("IFCCOLUMNTYPE({$f->id()},$,'C 300',$,$,($ofType),$,$,$,.COLUMN.)");
        $f->add("IFCRELDEFINESBYTYPE({$f->id()},$,$,$,($column),$type)");
        $layers = $f->add("IFCMATERIALLAYERSETUSAGE({$f->add("IFCMATERIALLAYERSET(({$f->add("IFCMATERIALLAYER({$f->add("IFCMATERIAL('Concrete',$,$)")},200.,$,$,$,$,$)")},{$f->add("IFCMATERIALLAYER({$f->add("IFCMATERIAL('Plaster',$,$)")},10.,$,$,$,$,$)")}),$,$)")},.AXIS2.,.POSITIVE.,0.,$)");
        $f->add("IFCRELASSOCIATESMATERIAL({$f->id()},$,$,$,($column),$layers)");
        $f->add("IFCRELASSOCIATESCLASSIFICATION({$f->id()},$,$,$,($column),{$f->add("IFCCLASSIFICATIONREFERENCE($,'331','Columns',$,$,$)")})");
        $m = self::model($f->text());
        self::assertSame([
            'material' => 'Concrete, Plaster', 'classification' => '331 Columns', 'LoadBearing' => 'yes', 'Slope' => '0.25', 'Mark' => 'König', 'Length' => '1000',
            'Coating' => 'zinc',
        ], $m->properties->of((int) substr($column, 1)));
        self::assertSame([], $m->structure->faults);
    }

    public function test_what_is_said_by_bounds_tables_and_parts_is_said_too(): void
    {
        $f = new IfcText;
        $column = $f->product('C1', [self::metreBox($f)], '', 'IFCCOLUMN');
        $bounded = static fn (string $name, string $figures): string => $f->add("IFCPROPERTYBOUNDEDVALUE('$name',$,$figures)");
        $single = static fn (string $name, string $value): string => $f->add("IFCPROPERTYSINGLEVALUE('$name',$,$value,$)");
        $depth = $f->add("IFCCOMPLEXPROPERTY('Anchor',$,'of four',({$single('Bolt', "IFCLABEL('M24')")},{$bounded('Depth', 'IFCLENGTHMEASURE(320.),IFCLENGTHMEASURE(280.),$,$')}))");
        $properties = implode(',', [
            $bounded('Gap', 'IFCLENGTHMEASURE(25.),IFCLENGTHMEASURE(5.),$,IFCLENGTHMEASURE(15.)'), $bounded('Load', 'IFCREAL(40.),$,$,$'), $bounded('Cover', '$,IFCREAL(30.),$,$'),
            $depth, $f->add("IFCPROPERTYTABLEVALUE('Torque',$,(IFCLABEL('M16'),IFCLABEL('M24')),(IFCREAL(120.),IFCREAL(410.)),$,$,$,$)"),
            $f->add("IFCPROPERTYREFERENCEVALUE('Drawing',$,$,{$f->add("IFCDOCUMENTREFERENCE($,'D-17','Bases',$,$)")})"),
        ]);
        $f->add("IFCRELDEFINESBYPROPERTIES({$f->id()},$,$,$,($column),{$f->add("IFCPROPERTYSET({$f->id()},$,'Bases',$,($properties))")})");
        $parts = $f->add("IFCPHYSICALCOMPLEXQUANTITY('Grout',$,({$f->add("IFCQUANTITYVOLUME('Net',$,$,0.018,$)")}),'of one',$,$)");
        $f->add("IFCRELDEFINESBYPROPERTIES({$f->id()},$,$,$,($column),{$f->add("IFCELEMENTQUANTITY({$f->id()},$,'Qto',$,$,($parts))")})");
        $m = self::model($f->text());
        self::assertSame([
            'Gap' => '15 (5 to 25)', 'Load' => 'at most 40', 'Cover' => 'at least 30', 'Anchor: Bolt' => 'M24', 'Anchor: Depth' => '280 to 320',
            'Torque' => 'M16: 120, M24: 410', 'Drawing' => 'D-17', 'Grout: Net' => '0.018',
        ], $m->properties->of((int) substr($column, 1)));
        self::assertSame([], $m->structure->faults);
    }

    public function test_an_opening_leaves_a_face_with_a_hole(): void
    {
        $f = new IfcText;
        $wall = $f->product('wall', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},4000.,200.)"), 3000)], '', 'IFCWALL');
        $shape = $f->add('IFCPRODUCTDEFINITIONSHAPE($,$,('.$f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','SweptSolid',({$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},1000.,400.)"), 1200)}))").'))');
        $opening = $f->add("IFCOPENINGELEMENT({$f->id()},$,'hole',$,$,".$f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([500, 0, 900])})").",$shape,$,.OPENING.)");
        $f->add("IFCRELVOIDSELEMENT({$f->id()},$,$,$,$wall,$opening)");
        $e = self::elements(self::model($f->text()));
        self::assertSame(['wall'], array_keys($e), 'what is not there is no thing');
        self::assertEqualsWithDelta(0.2 * (12.0 - 1.2), $e['wall']->volume(), 1e-9);
        self::assertCount(10, $e['wall']->shape[0][0]->faces, 'six of the wall, four within the opening');
        self::assertCount(2, array_filter($e['wall']->shape[0][0]->faces, static fn ($f) => count($f->holes) === 1));
    }

    public function test_what_is_careless_is_named_and_the_rest_stands(): void
    {
        $f = new IfcText;
        $f->product('good', [self::metreBox($f)]);
        $f->product('unknown', [$f->add('IFCSECTIONEDSOLID($,$)')]);
        $f->product('flat', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},0.,1000.)"), 1000)]);
        $f->product('missing', ['#70000']);
        $f->product('far', [self::metreBox($f, $f->axes([1e300, 0, 0]))]);
        $f->product('nowhere', [self::metreBox($f)], '#70001');
        $f->product('along itself', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},10.,10.)"), 10, '', $f->direction([1, 0, 0]))]);
        $f->product('in a circle', [$f->add('IFCMAPPEDITEM(#80001,$)')]);
        $f->product('cut by itself', [$f->add('IFCBOOLEANRESULT(.DIFFERENCE.,#80003,#80003)')]);
        $f->product('placed in itself', [self::metreBox($f)], '#80004');
        $more = "#80001=IFCREPRESENTATIONMAP($,#80002);\n#80002=IFCSHAPEREPRESENTATION(\$,'Body','MappedRepresentation',(#80005));\n#80005=IFCMAPPEDITEM(#80001,\$);\n"
            ."#80003=IFCBOOLEANRESULT(.DIFFERENCE.,#80003,#80003);\n#80004=IFCLOCALPLACEMENT(#80004,\$);\n";
        $m = self::model(str_replace("ENDSEC;\nEND", $more."ENDSEC;\nEND", $f->text()));
        $e = self::elements($m);
        self::assertNull($e['good']->fault);
        foreach ([
            'unknown' => 'IFCSECTIONEDSOLID is a shape Parlay does not read', 'flat' => 'missing, 0 or below', 'missing' => '#70000 is spoken of',
            'far' => 'farther out than the earth', 'along itself' => 'along its own plane',
            'in a circle' => 'in a circle', 'cut by itself' => 'in a circle',
        ] as $name => $said) {
            self::assertStringContainsString($said, (string) $e[$name]->fault, $name);
        }
        // What has no place is left out by its name: it would stand at the origin.
        foreach (['nowhere' => '#70001 is spoken of', 'placed in itself' => 'in a circle'] as $name => $said) {
            self::assertArrayNotHasKey($name, $e);
            self::assertMatchesRegularExpression("~“{$name}” was left out: .*$said~", implode("\n", $m->structure->faults));
        }
        self::assertSame(['not drawn' => 1], $m->leftOut()['IFCSECTIONEDSOLID']);
    }

    public function test_what_would_grow_without_end_is_stopped_and_named(): void
    {
        $f = new IfcText;
        $f->product('good', [self::metreBox($f)]);
        // Each shows the one before twice: thirty times over that would be a thousand millions.
        $shown = self::metreBox($f);
        for ($i = 0; $i < 25; $i++) {
            $map = $f->add("IFCREPRESENTATIONMAP({$f->axes([0, 0, 0])},{$f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','MappedRepresentation',($shown,$shown))")})");
            $shown = $f->add("IFCMAPPEDITEM($map,$)");
        }
        $f->product('again and again', [$shown]);
        $curve = $f->add("IFCPOLYLINE(({$f->point([0, 0])},{$f->point([10, 0])},{$f->point([10, 10])}))");
        for ($i = 0; $i < 14; $i++) {
            $segment = $f->add("IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,$curve)");
            $curve = $f->add("IFCCOMPOSITECURVE(($segment,$segment,$segment,$segment),.F.)");
        }
        $f->product('round and round', [$f->extrusion($f->add("IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,$curve)"), 100)]);
        // A face of twenty thousand corners, no two sides of it alike.
        $corners = [];
        for ($i = 0; $i < 20_000; $i++) {
            $r = 1000 + 500 * ($i % 2);
            $corners[] = sprintf('(%.4F,%.4F,0.)', $r * cos($i / 3_300), $r * sin($i / 3_300));
        }
        $list = $f->add('IFCCARTESIANPOINTLIST3D(('.implode(',', $corners).'))');
        $face = $f->add('IFCINDEXEDPOLYGONALFACE(('.implode(',', range(1, 20_000)).'))');
        $f->product('a large face', [$f->add("IFCPOLYGONALFACESET($list,.F.,($face),$)")]);
        // Without a stop each of these would take days.
        $e = self::elements(self::model($f->text()));
        self::assertNull($e['good']->fault);
        self::assertStringContainsString('again and again', (string) $e['again and again']->fault);
        self::assertStringContainsString('places', (string) $e['round and round']->fault);
        self::assertCount(1, $e['a large face']->shape[0][0]->faces, 'it is there, by its outline');
        self::assertSame(0.0, $e['a large face']->volume());
    }

    public function test_a_body_by_another_name_is_drawn_and_an_axis_alone_is_said(): void
    {
        $f = new IfcText;
        $f->product('body', [self::metreBox($f)]);
        $f->product('model', [self::metreBox($f)]);
        $f->product('axis', [self::metreBox($f)]);
        $parts = explode("'Body'", $f->text());
        self::assertCount(4, $parts);
        $m = self::model($parts[0]."'Body'".$parts[1]."'Model'".$parts[2]."'Axis'".$parts[3]);
        $e = self::elements($m);
        self::assertSame([1, 1, 0], array_map(static fn (string $n) => count($e[$n]->shape), ['body', 'model', 'axis']));
        self::assertSame(1, array_sum($m->leftOut()['IFCBUILDINGELEMENTPROXY']));
    }

    public function test_another_schema_is_refused_by_name(): void
    {
        $this->expectException(UnreadableStep::class);
        $this->expectExceptionMessage('AP214');
        self::model((new IfcText('AP214'))->text());
    }

    public function test_two_thousand_damaged_files_neither_crash_nor_hang(): void
    {
        $f = new IfcText;
        foreach (IfcShapesTest::kinds() as $name => [$make]) {
            if (! str_contains($name, 'bored') && ! str_contains($name, 'ellipse')) {
                $f->product($name, $make($f));
            }
        }
        $whole = $f->text();
        mt_srand(2000);
        $ends = ['read' => 0, 'refused' => 0];
        $signs = ['#', ',', '(', ')', ';', "'", '=', '$', '.', '0', '9', '-', 'E', "\n", "\0", "\xFF", '/*', '*/'];
        for ($i = 0; $i < 2000; $i++) {
            $text = $whole;
            for ($k = mt_rand(1, 6); $k > 0; $k--) {
                $at = mt_rand(0, strlen($text) - 1);
                $text = match ($i % 5) {
                    0 => substr($text, 0, $at),
                    1 => substr_replace($text, $signs[array_rand($signs)], $at, 1),
                    2 => substr_replace($text, $signs[array_rand($signs)], $at, 0),
                    3 => substr_replace($text, '', $at, mt_rand(1, 300)),
                    default => substr_replace($text, substr($text, mt_rand(0, strlen($text) - 1), mt_rand(1, 200)), $at, 0),
                };
                if ($text === '') {
                    break;
                }
            }
            try {
                $m = self::model($text);
                $m->storeys();
                $m->grids->axes();
                // Of each kind of damage one in eight is built, too: building takes its time.
                if ($i % 40 < 5) {
                    foreach ($m->elements() as $e) {
                        $e->volume();
                    }
                }
                $ends['read']++;
            } catch (UnreadableStep $e) {
                self::assertNotSame('', $e->getMessage());
                $ends['refused']++;
            }
        }
        self::assertSame(2000, array_sum($ends));
        self::assertGreaterThan(1000, $ends['read'], 'most are read for what is left of them');
    }
}
