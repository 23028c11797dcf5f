<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\Transform;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Formats\Ifc\IfcBodies;
use Parlay\Core\Formats\Ifc\IfcFile;
use Parlay\Core\Formats\Ifc\IfcThings;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** A building model as the plan has it. */
final class IfcDrawingTest extends TestCase
{
    /** @return array<string, DrawingLayer> */
    private static function layers(Drawing $d): array
    {
        return array_combine(array_map(static fn (DrawingLayer $l) => $l->name, $d->layers), $d->layers);
    }

    private static function read(string $text, LengthUnit $unit = LengthUnit::Millimetre): Drawing
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($file, $text);
        try {
            return DrawingFile::read($file, new ReadOptions(unit: $unit));
        } finally {
            unlink($file);
        }
    }

    private static function plate(IfcText $f): string
    {
        $plate = $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)"), 20);
        $hole = $f->extrusion($f->add("IFCCIRCLEPROFILEDEF(.AREA.,$,{$f->flat()},13.)"), 60, $f->axes([100, 50, -20]));

        return $f->add("IFCBOOLEANRESULT(.DIFFERENCE.,$plate,$hole)");
    }

    public function test_a_plate_shows_its_sides_its_hole_and_where_it_is_placed(): void
    {
        $f = new IfcText;
        $f->product('P1', [self::plate($f)], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([5000, 3000, 1000], [0, 0, 1], [0, 1, 0])})"), 'IFCPLATE');
        $d = self::read($f->text());
        self::assertSame(LengthUnit::Millimetre, $d->declaredUnit);
        self::assertSame([1.0, 1.02], $d->heights);
        $layers = self::layers($d);
        self::assertEqualsCanonicalizing(['Ground · Plate', 'Ground · Plate, top', 'Ground · Plate, underside'], array_keys($layers));
        self::assertSame([false, true], [$layers['Ground · Plate, top']->off, $layers['Ground · Plate, underside']->off]);
        $symbol = $layers['Ground · Plate']->shape(0);
        self::assertEqualsWithDelta([5.0, 3.0, 1.0, M_PI / 2], array_slice($symbol->v, 0, 4), 1e-9);
        self::assertSame('P1', Attributes::of($layers['Ground · Plate'], $symbol)['name']);
        foreach (['top' => 1.02, 'underside' => 1.0] as $which => $height) {
            $layer = $layers["Ground · Plate, $which"];
            $shapes = array_map($layer->shape(...), range(0, $layer->count - 1));
            $lines = array_values(array_filter($shapes, static fn ($s) => $s->kind === ShapeKind::Line));
            $circles = array_values(array_filter($shapes, static fn ($s) => $s->kind === ShapeKind::Circle));
            self::assertCount(4, $lines, "the sides of the $which");
            self::assertSame('P1', Attributes::of($layer, $lines[0])['name']);
            self::assertEqualsCanonicalizing(
                [[4.9, 2.85], [4.9, 3.15], [5.1, 2.85], [5.1, 3.15]],
                array_values(array_unique(array_merge(...array_map(
                    static fn ($s) => [[round($s->v[0], 9), round($s->v[1], 9)], [round($s->v[3], 9), round($s->v[4], 9)]], $lines,
                )), SORT_REGULAR)),
            );
            self::assertEqualsWithDelta([$height, $height], [$lines[0]->v[2], $lines[0]->v[5]], 1e-9);
            // A hole at 100 along and 50 across, turned by a right angle, is at 50 left and 100 up.
            self::assertCount(1, $circles);
            self::assertEqualsWithDelta([4.95, 3.1, 0.013], [$circles[0]->v[0], $circles[0]->v[1], $circles[0]->v[3]], 1e-9);
        }
    }

    public function test_the_map_conversion_puts_it_where_it_lies(): void
    {
        $f = new IfcText;
        $f->product('P1', [self::plate($f)], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([10000, 0, 0])})"), 'IFCPLATE');
        // In metres of the map; a turn whose cosine is 0.6 and sine 0.8.
        $metre = $f->add('IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $f->add("IFCMAPCONVERSION({$f->context},{$f->add("IFCPROJECTEDCRS('grid',$,$,$,$,$,$metre)")},412345.5,5678901.25,104.5,0.6,0.8,0.001)");
        $d = self::read($f->text());
        self::assertEqualsWithDelta([412351.5, 5678909.25, 104.5], array_slice(self::layers($d)['Ground · Plate']->shape(0)->v, 0, 3), 1e-6);
        self::assertStringContainsString('map conversion', $d->remarks[0]);
        // Scale 1 between millimetres and metres can only mean that the projection stretches nothing.
        $d = self::read(str_replace('0.6,0.8,0.001)', '0.6,0.8,1.)', $f->text()));
        self::assertEqualsWithDelta([412351.5, 5678909.25, 104.5], array_slice(self::layers($d)['Ground · Plate']->shape(0)->v, 0, 3), 1e-6);
    }

    public function test_grid_axes_come_with_their_names_and_what_is_not_drawn_is_said(): void
    {
        $f = new IfcText;
        $f->product('odd', [$f->add('IFCSECTIONEDSOLID($,$)')]);
        $axis = $f->add("IFCGRIDAXIS('A',{$f->add("IFCPOLYLINE(({$f->point([0, 0])},{$f->point([9000, 0])}))")},.T.)");
        $f->add("IFCGRID({$f->id()},$,'Grid',$,$,".$f->add("IFCLOCALPLACEMENT($,{$f->axes([0, 0, 0])})").",$,($axis),($axis),$)");
        $d = self::read($f->text());
        $grid = self::layers($d)['Grid'];
        self::assertSame('A', $grid->strings[(int) $grid->shape(1)->v[5]] ?? null);
        self::assertContains('1 × IFCSECTIONEDSOLID: not drawn.', $d->remarks);
        self::assertNotEmpty(array_filter($d->remarks, static fn (string $r) => str_contains($r, '“odd”') && str_contains($r, 'does not read')));
    }

    public function test_packed_to_be_looked_at_each_solid_comes_once_and_stands_where_it_should(): void
    {
        $f = new IfcText;
        $solid = $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},300.,200.)"), 20);
        foreach ([[5000, 3000, 1000], [9000, 3000, 1000]] as $k => $at) {
            $f->product("P$k", [$solid], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes($at, [0, 0, 1], [0, 1, 0])})"), 'IFCPLATE');
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($file, $f->text());
        // Shifted by a kilometre to the east, and turned by nothing.
        $packed = IfcBodies::pack($file, LengthUnit::Millimetre, Transform::plane(1.0, 0.0, 1000.0, 0.0));
        unlink($file);
        $length = unpack('V', $packed)[1];
        $head = json_decode(substr($packed, 4, $length), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame([[8, 12, 1]], $head['solids'], 'one solid, twelve triangles');
        self::assertSame([2, ['Plate'], ['Ground']], [$head['stands'], $head['classes'], $head['storeys']]);
        self::assertSame(['P0', 'P1'], array_column($head['things'], 1));
        self::assertSame(0, $length % 4);
        $from = 4 + $length + 8 * 12 + 12 * 12;
        self::assertSame($from + 2 * 56, strlen($packed));
        [$x, $y, $z] = $head['origin'];
        foreach ([[1005.0, 3.0, 1.0], [1009.0, 3.0, 1.0]] as $k => [$east, $north, $height]) {
            $m = array_values(unpack('g12', $packed, $from + 56 * $k + 8) ?: []);
            self::assertEqualsWithDelta([$east, $north, $height], [$x + $m[3], $y + $m[7], $z + $m[11]], 1e-5);
            self::assertEqualsWithDelta([0.0, -1.0, 1.0, 0.0], [$m[0], $m[1], $m[4], $m[5]], 1e-6, 'turned by a right angle');
        }
    }

    public function test_a_thing_of_several_solids_is_as_large_as_all_of_them_along_its_own_axes(): void
    {
        $f = new IfcText;
        $post = static fn (int $x): string => $f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},100.,100.)"), 2000, $f->axes([$x, 0, 500]));
        // Two posts a metre apart, turned by an angle whose cosine is 0.6, and put somewhere by a fit that shrinks the plan a little.
        $f->product('frame', [$post(0), $post(1000)], $f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([7000, 0, 1000], [0, 0, 1], [0.6, 0.8, 0])})"));
        $file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($file, $f->text());
        $head = static function (LengthUnit $unit, ?Transform $placement) use ($file): array {
            $packed = IfcBodies::pack($file, $unit, $placement);

            return json_decode(substr($packed, 4, unpack('V', $packed)[1]), true, flags: JSON_THROW_ON_ERROR);
        };
        self::assertEqualsWithDelta([1.1, 0.1, 2.0], $head(LengthUnit::Millimetre, null)['things'][0][5], 1e-9);
        self::assertEqualsWithDelta([1.5, 3.5], $head(LengthUnit::Millimetre, null)['heights'], 1e-9);
        self::assertEqualsWithDelta([1.1, 0.1, 2.0], $head(LengthUnit::Millimetre, Transform::plane(0.9996, 0.01, 1000.0, 0.0))['things'][0][5], 1e-9);
        self::assertEqualsWithDelta([11.0, 1.0, 20.0], $head(LengthUnit::Centimetre, null)['things'][0][5], 1e-9, 'taken in another unit than the file says');
        unlink($file);
    }

    public function test_two_of_one_id_are_said(): void
    {
        $f = new IfcText;
        $f->product('P1', [self::plate($f)], '', 'IFCPLATE');
        $f->product('P2', [self::plate($f)], '', 'IFCPLATE');
        preg_match_all("~IFCPLATE\\(('[^']+')~", $f->text(), $ids);
        $d = self::read(str_replace($ids[1][1], $ids[1][0], $f->text()));
        self::assertContains('One thing carries the id of another: by their id alone they can’t be told apart.', $d->remarks);
    }

    public function test_it_comes_in_a_zip_and_what_is_none_is_refused(): void
    {
        $f = new IfcText('IFC2X3', 'IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)');
        $f->product('P1', [self::plate($f)], '', 'IFCPLATE');
        $path = sys_get_temp_dir().'/model-'.bin2hex(random_bytes(5)).'.ifczip';
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::CREATE);
        $zip->addFromString('a folder/Höhe model.ifc', $f->text());
        $zip->close();
        self::assertSame('IFC2X3', DrawingFile::read($path, new ReadOptions)->version);
        $zip->open($path);
        $zip->addFromString('second.ifc', $f->text());
        $zip->close();
        try {
            DrawingFile::read($path, new ReadOptions);
            self::fail('which of the two?');
        } catch (UnreadableDrawing $e) {
            self::assertStringContainsString('2 building models', $e->getMessage());
        } finally {
            unlink($path);
        }
        $this->expectExceptionMessage('“AP214”');
        self::read((new IfcText('AP214'))->text());
    }

    public function test_a_zip_that_can_not_be_used_says_why(): void
    {
        $text = (new IfcText)->text();
        foreach ([
            'no building model' => static fn (\ZipArchive $z) => $z->addFromString('readme.txt', 'nothing'),
            'has a password' => static function (\ZipArchive $z) use ($text): void {
                $z->addFromString('model.ifc', $text);
                $z->setEncryptionName('model.ifc', \ZipArchive::EM_AES_256, 'secret');
            },
            // Hidden files and those of a system are none that a person packed.
            'no building  model' => static fn (\ZipArchive $z) => $z->addFromString('__MACOSX/._model.ifc', $text),
        ] as $said => $fill) {
            $path = sys_get_temp_dir().'/model-'.bin2hex(random_bytes(5)).'.ifczip';
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::CREATE);
            $fill($zip);
            $zip->close();
            try {
                IfcFile::stream($path);
                self::fail($said);
            } catch (UnreadableStep $e) {
                self::assertStringContainsString(str_replace('  ', ' ', $said), $e->getMessage());
            } finally {
                unlink($path);
            }
        }
        self::assertFalse(IfcFile::isIn(__FILE__));
    }

    public function test_classes_are_named_as_people_write_them(): void
    {
        foreach (['IFCMECHANICALFASTENER' => 'Mechanical fastener', 'IFCWALLSTANDARDCASE' => 'Wall', 'IFCBUILDINGELEMENTPROXY' => 'Building element proxy', 'IFCCOLUMN' => 'Column', 'IFCREINFORCINGBAR' => 'Reinforcing bar'] as $class => $name) {
            self::assertSame($name, IfcThings::plainClass($class));
        }
    }

    public function test_true_north_is_told_and_turns_nothing(): void
    {
        $f = new IfcText;
        $f->product('P', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},2000.,1000.)"), 500)], '', 'IFCSLAB');
        // True north 30 degrees to the west of up on the sheet: its own y axis runs at 30 degrees from it.
        $north = $f->direction([-0.5, 0.8660254037844386]);
        $text = (string) preg_replace('~(IFCGEOMETRICREPRESENTATIONCONTEXT\\([^;]*),\\$\\);~', "\$1,$north);", $f->text());
        $file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($file, $text);
        $drawing = DrawingFile::read($file, new ReadOptions);
        unlink($file);
        self::assertNotSame([], array_filter($drawing->remarks, static fn (string $r) => str_contains($r, 'its own y axis runs at 30.0000° from true north')));
        self::assertEqualsWithDelta([-1000.0, -500.0, 1000.0, 500.0], $drawing->extent(), 1e-9);
    }
}
