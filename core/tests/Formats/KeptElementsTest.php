<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Buildings\Element;
use Parlay\Core\Formats\DrawingFile;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Ifc\IfcBodies;
use Parlay\Core\Formats\Ifc\IfcModel;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** A model whose things were kept is the same model: things, figures, remarks. */
final class KeptElementsTest extends TestCase
{
    private string $file;

    private string $kept;

    protected function setUp(): void
    {
        $f = new IfcText;
        foreach (IfcShapesTest::kinds() as $name => [$make]) {
            $column = $f->product("$name ü", $make($f), '', 'IFCCOLUMN');
        }
        $f->product('unknown', [$f->add('IFCSECTIONEDSOLID($,$)')]);
        $one = $f->add("IFCPROPERTYSINGLEVALUE('Mark',$,IFCLABEL('K 1'),$)");
        $f->add("IFCRELDEFINESBYPROPERTIES({$f->id()},$,$,$,($column),{$f->add("IFCPROPERTYSET({$f->id()},$,'Own',$,($one))")})");
        $wall = $f->product('wall', [$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},4000.,200.)"), 3000)], '', 'IFCWALL');
        $shape = $f->add('IFCPRODUCTDEFINITIONSHAPE($,$,('.$f->add("IFCSHAPEREPRESENTATION({$f->context},'Body','SweptSolid',({$f->extrusion($f->add("IFCRECTANGLEPROFILEDEF(.AREA.,$,{$f->flat()},1000.,400.)"), 1200)}))").'))');
        $opening = $f->add("IFCOPENINGELEMENT({$f->id()},$,'hole',$,$,".$f->add("IFCLOCALPLACEMENT({$f->storeyPlace},{$f->axes([500, 0, 900])})").",$shape,$,.OPENING.)");
        $f->add("IFCRELVOIDSELEMENT({$f->id()},$,$,$,$wall,$opening)");
        $this->file = (string) tempnam(sys_get_temp_dir(), 'ifc');
        file_put_contents($this->file, $f->text());
        $this->kept = "{$this->file}.kept";
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->file}*") ?: []);
    }

    private function model(): IfcModel
    {
        return new IfcModel(StepFile::open(fopen($this->file, 'rb') ?: throw new \RuntimeException('no file')), $this->kept);
    }

    /** @return array{list<string>, array<string, array<string, int>>, list<string>} each thing in full, what was left out, and what could not be read */
    private function all(): array
    {
        $model = $this->model();
        $all = [];
        foreach ($model->elements() as $number => $e) {
            $all[] = serialize([$number, self::figures($e), $model->properties->of($number)]);
        }

        return [$all, $model->leftOut(), $model->structure->faults];
    }

    /** @return list<mixed> */
    private static function figures(Element $e): array
    {
        return [
            $e->number, $e->id, $e->class, $e->name, $e->type, $e->typeName, $e->tag, $e->storey, $e->partOf, get_object_vars($e->place), $e->layers, $e->fault,
            array_map(static fn (array $s): array => [$s[0]->packed(), get_object_vars($s[1])], $e->shape),
        ];
    }

    public function test_what_was_kept_is_read_back_to_the_last_digit(): void
    {
        $built = $this->all();
        self::assertFileExists($this->kept);
        $read = $this->all();
        self::assertSame($built, $read);
        self::assertStringContainsString('K 1', implode('', $read[0]));
        self::assertSame(['not drawn' => 1], $read[1]['IFCSECTIONEDSOLID']);
        self::assertSame([], glob("{$this->file}*.part"));
    }

    public function test_plan_and_solids_of_it_are_the_same(): void
    {
        $drawing = function (): string {
            $d = DrawingFile::read($this->file, new ReadOptions(unit: LengthUnit::Millimetre, keptAt: $this->kept));

            return md5(serialize([$d->remarks, array_map(static fn ($l): array => [$l->name, $l->count, $l->extent()], $d->layers)]));
        };
        self::assertSame($drawing(), $drawing());
        self::assertSame(md5(IfcBodies::pack($this->file, LengthUnit::Millimetre, null)), md5(IfcBodies::pack($this->file, LengthUnit::Millimetre, null, keptAt: $this->kept)));
    }

    public function test_who_stops_on_the_way_keeps_nothing(): void
    {
        foreach ($this->model()->elements() as $e) {
            self::assertNotSame('', $e->name);
            break;
        }
        gc_collect_cycles();
        self::assertFileDoesNotExist($this->kept);
        self::assertSame([], glob("{$this->file}*.part"));
    }

    public function test_what_is_torn_empty_or_foreign_counts_for_nothing(): void
    {
        $built = $this->all();
        $whole = (string) file_get_contents($this->kept);
        foreach (['', 'no such thing', substr($whole, 0, -1), substr($whole, 0, (int) (strlen($whole) / 2)), str_repeat("\xFF", 200), pack('V', 4).'abcd'] as $torn) {
            file_put_contents($this->kept, $torn);
            self::assertSame($built, $this->all());
            self::assertSame($whole, file_get_contents($this->kept), 'and is made anew');
        }
    }
}
