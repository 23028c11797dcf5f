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
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** Shapefiles as GDAL writes them, and as they come damaged. */
final class ShapefileTest extends TestCase
{
    private static string $folder;

    /** @var array{lengths: array<string, float>, metres: float} what GDAL reads */
    private static array $gdal;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/shapefiles-'.bin2hex(random_bytes(6));
        mkdir(self::$folder);
        self::$gdal = Reference::python((string) file_get_contents(__DIR__.'/shapefiles.py'), ['to' => self::$folder]);
    }

    public static function tearDownAfterClass(): void
    {
        array_map(unlink(...), glob(self::$folder.'/*') ?: []);
        rmdir(self::$folder);
    }

    private static function read(string $name, ReadOptions $options = new ReadOptions): Drawing
    {
        return DrawingFile::read(self::$folder."/$name.zip", $options);
    }

    /** @return array<string, DrawingLayer> */
    private static function layers(Drawing $d): array
    {
        return array_combine(array_map(static fn (DrawingLayer $l) => $l->name, $d->layers), $d->layers);
    }

    /** @return list<array<string, string>> of each shape */
    private static function attributes(DrawingLayer $layer): array
    {
        return array_map(static fn (int $i) => Attributes::of($layer, $layer->shape($i)), range(0, $layer->count - 1));
    }

    public function test_lines_come_as_gdal_reads_them_in_a_layer_for_each_type(): void
    {
        $yard = self::layers($drawing = self::read('yard'));
        self::assertSame(['yard, kerb', 'yard, drain'], array_keys($yard));
        foreach (self::$gdal['lengths'] as $type => $length) {
            $ours = array_sum(array_map(static fn (int $i) => $yard["yard, $type"]->shape($i)->length(), range(0, $yard["yard, $type"]->count - 1)));
            self::assertEqualsWithDelta($length, $ours, 1e-9);
        }
        self::assertSame([1010.0, 2000.0, 4.6, 1010.125, 2030.0, 4.75], array_slice($yard['yard, kerb']->shape(1)->v, 0, 6));
        self::assertSame([0.0, 4.75], $drawing->heights);
        self::assertSame(LengthUnit::Metre, $drawing->declaredUnit);
        self::assertSame(['TYPE' => 'kerb', 'NAME' => 'K “1”'], self::attributes($yard['yard, kerb'])[1]);
        self::assertSame('Rohr Süd', self::attributes($yard['yard, drain'])[0]['NAME']);
        self::assertEqualsWithDelta(300.5, (float) self::attributes($yard['yard, drain'])[1]['DIA'], 1e-9);
    }

    public function test_names_are_read_in_the_encoding_they_were_written_in(): void
    {
        self::assertSame('Rohr Süd', self::attributes(self::layers(self::read('alt'))['alt, drain'])[0]['NAME']);
    }

    public function test_outlines_have_all_their_rings_and_no_height(): void
    {
        $plots = self::read('plots');
        self::assertSame(8, $plots->layers[0]->count);
        self::assertNull($plots->heights);
        self::assertNull($plots->layers[0]->shape(0)->pointAt(0.0)->elevation);
        self::assertSame([], $plots->remarks);
        self::assertSame(['ID' => '7'], self::attributes($plots->layers[0])[7]);
    }

    public function test_points_are_symbols_with_their_attributes(): void
    {
        $trees = self::layers(self::read('trees'));
        self::assertSame(['trees, oak', 'trees, lime'], array_keys($trees));
        $oak = $trees['trees, oak']->shape(0);
        self::assertSame([ShapeKind::Insert, 500123.5, 5400200.25], [$oak->kind, $oak->v[0], $oak->v[1]]);
        self::assertSame('Ä 1', Attributes::of($trees['trees, oak'], $oak)['NAME']);
        self::assertSame(2, self::read('groups')->layers[0]->count);
    }

    public function test_points_are_a_list_with_names_elevations_and_attributes(): void
    {
        $rows = self::rows('trees');
        self::assertEquals(
            [['Ä 1', 500123.5, 5400200.25, 12.5, ['KIND' => 'oak']], ['B', 500125.0, 5400201.0, null, ['KIND' => 'lime']]],
            array_map(static fn (PointRow $r) => [$r->name, $r->position->easting, $r->position->northing, $r->position->elevation, $r->attributes], $rows),
        );
        self::assertSame(['1', '2'], array_map(static fn (PointRow $r) => $r->name, self::rows('marks')));
        self::assertSame(6.0, self::rows('marks')[1]->position->elevation);
        self::assertContainsOnlyInstancesOf(RowFault::class, self::rows('plots'));
        self::assertStringContainsString('bring it in as a drawing', self::rows('plots')[0]->reason);
    }

    public function test_feet_of_the_us_survey_are_known_and_degrees_are_refused(): void
    {
        $feet = self::read('feet', new ReadOptions(LengthUnit::UsFoot));
        self::assertSame(LengthUnit::UsFoot, $feet->declaredUnit);
        self::assertEqualsWithDelta(800000 * self::$gdal['metres'], $feet->layers[0]->shape(0)->v[0], 1e-6);
        $this->expectExceptionMessage('degrees on the globe');
        self::read('globe');
    }

    public function test_what_has_no_height_is_turned_and_shifted_all_the_same(): void
    {
        $turned = new ReadOptions(placement: Transform::plane(0.0, 1.0, 100.0, 200.0));
        [$line, $symbol] = [self::read('plots', $turned)->layers[0]->shape(0), self::read('trees', $turned)->layers[0]->shape(0)];
        foreach ([[self::read('plots')->layers[0]->shape(0), $line], [self::read('trees')->layers[0]->shape(0), $symbol]] as [$before, $after]) {
            self::assertEqualsWithDelta(
                hypot($before->v[0], $before->v[1]), hypot($after->v[0] - 100.0, $after->v[1] - 200.0), 1e-6,
            );
            self::assertNan($after->v[2]);
        }
    }

    public function test_several_in_one_zip_are_one_drawing(): void
    {
        self::assertSame(
            ['yard, kerb', 'yard, drain', 'plots', 'trees, oak', 'trees, lime'], array_keys(self::layers(self::read('all'))),
        );
    }

    public function test_what_is_missing_is_told(): void
    {
        self::assertStringContainsString('“yard.dbf” is missing', implode(' ', self::zipped(['yard.shp'])->remarks));
        $shapes = (string) file_get_contents(self::$folder.'/yard.shp');
        foreach ([
            'holds no shapefile' => ['yard.dbf' => 'x'],
            'record 3: it was cut off' => ['yard.shp' => substr($shapes, 0, -20)],
            'another number of shapes' => ['yard.shp' => $shapes, 'yard.dbf' => file_get_contents(self::$folder.'/trees.dbf')],
            'does not begin as a shapefile' => ['yard.shp' => 'PK'],
            'does not begin as a table' => ['yard.shp' => $shapes, 'yard.dbf' => 'x'],
        ] as $words => $files) {
            try {
                self::zipped($files);
                self::fail("It was read: $words");
            } catch (UnreadableDrawing $e) {
                self::assertStringContainsString($words, $e->getMessage());
            }
        }
        // A coordinate that is no number is left out, with its record.
        $bad = substr_replace($shapes, pack('e', NAN), 100 + 8 + 44 + 4, 8);
        self::assertStringContainsString('first is record 1', implode(' ', self::zipped(['yard.shp' => $bad])->remarks));
    }

    public function test_two_thousand_damaged_files_end_in_words(): void
    {
        mt_srand(20261127);
        $whole = ['shp' => (string) file_get_contents(self::$folder.'/yard.shp'), 'dbf' => (string) file_get_contents(self::$folder.'/yard.dbf')];
        $read = $refused = 0;
        for ($i = 0; $i < 2000; $i++) {
            $files = $whole;
            $which = ['shp', 'dbf'][mt_rand(0, 1)];
            for ($k = mt_rand(1, 4); $k > 0; $k--) {
                $files[$which][mt_rand(0, strlen($files[$which]) - 1)] = chr(mt_rand(0, 255));
            }
            if ($i % 5 === 0) {
                $files[$which] = substr($files[$which], 0, mt_rand(0, strlen($files[$which])));
            }
            try {
                self::zipped(['y.shp' => $files['shp'], 'y.dbf' => $files['dbf']]);
                $read++;
            } catch (UnreadableDrawing $e) {
                $refused++;
                self::assertNotSame('', $e->getMessage());
            }
        }
        self::assertGreaterThan(200, $read);
        self::assertGreaterThan(200, $refused);
    }

    public function test_what_stands_in_a_file_of_patches_is_named(): void
    {
        $body = pack('V', 31).pack('e4', 0, 0, 10, 10).pack('V2', 1, 3).pack('V2', 0, 2).pack('e6', 0, 0, 10, 0, 10, 10).pack('e5', 0, 5, 0, 1, 2);
        $whole = pack('N7', 9994, 0, 0, 0, 0, 0, (108 + strlen($body)) / 2).pack('V2', 1000, 31).pack('e8', 0, 0, 10, 10, 0, 5, 0, 0).pack('N2', 1, strlen($body) / 2).$body;
        $this->expectException(UnreadableDrawing::class);
        $this->expectExceptionMessageMatches('~^The shapefiles hold nothing .*surfaces of patches, which are not read: ask for them as faces~');
        self::zipped(['patches.shp' => $whole]);
    }

    /** A zip that is damaged inside warns while it is unpacked; that is no fault of Parlay's. */
    public function test_a_mangled_zip_ends_in_words(): void
    {
        set_error_handler(static function (int $level, string $message): bool {
            // As Laravel does: a warning that nobody expects is a failure.
            return (error_reporting() & $level) !== 0 ? throw new \ErrorException($message) : false;
        });
        $path = self::$folder.'/mangled.zip';
        $whole = (string) file_get_contents(self::$folder.'/yard.zip');
        mt_srand(20261201);
        $refused = 0;
        try {
            for ($i = 0; $i < 500; $i++) {
                $bad = $whole;
                for ($k = mt_rand(1, 6); $k > 0; $k--) {
                    $bad[mt_rand(30, strlen($bad) - 1)] = chr(mt_rand(0, 255));
                }
                file_put_contents($path, $bad);
                try {
                    DrawingFile::read($path, new ReadOptions);
                } catch (UnreadableDrawing $e) {
                    $refused++;
                    self::assertNotSame('', $e->getMessage());
                }
            }
        } finally {
            restore_error_handler();
        }
        self::assertGreaterThan(100, $refused);
    }

    /** @return list<PointRow|RowFault> */
    private static function rows(string $name): array
    {
        $stream = fopen(self::$folder."/$name.zip", 'rb');
        $kind = PointFile::kindOf($stream);
        self::assertSame(PointFile::Shapefile, $kind);
        self::assertSame(LengthUnit::Metre, $kind->unit($stream));

        return iterator_to_array($kind->rows($stream, new Layout(',', '.', 0, [Column::Name, Column::Northing, Column::Easting], LengthUnit::Metre)), false);
    }

    /** @param  array<int|string, string>  $files  contents by name, or names of those that were written */
    private static function zipped(array $files): Drawing
    {
        $path = self::$folder.'/made.zip';
        @unlink($path);
        $zip = new \ZipArchive;
        $zip->open($path, \ZipArchive::CREATE);
        foreach ($files as $name => $contents) {
            is_int($name) ? $zip->addFile(self::$folder."/$contents", $contents) : $zip->addFromString($name, $contents);
        }
        $zip->close();

        return DrawingFile::read($path, new ReadOptions);
    }
}
