<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Control\ControlComparison;
use Parlay\Core\Formats\Dxf\DxfPointsWriter;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\GeoJson\GeoJsonPoints;
use Parlay\Core\Formats\GeoJson\GeoJsonWriter;
use Parlay\Core\Formats\LandXml\LandXmlPoints;
use Parlay\Core\Formats\LandXml\LandXmlWriter;
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\PointTextReader;
use Parlay\Core\Formats\PointText\PointTextWriter;
use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Point;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Points in LandXML and GeoJSON, and all four ways out. */
final class PointFilesTest extends TestCase
{
    /** LandXML 1.2 schema: a point is northing easting [elevation]. */
    public function test_landxml_points_are_read_in_the_files_own_unit(): void
    {
        $stream = self::stream('<?xml version="1.0"?><LandXML xmlns="http://www.landxml.org/schema/LandXML-1.2" '
            .'version="1.2"><Units><Imperial linearUnit="USSurveyFoot" areaUnit="squareFoot" volumeUnit="cubicFeet" '
                .'temperatureUnit="fahrenheit" pressureUnit="inHG"/></Units>'
            ."\n<CgPoints>\n"
            .'<CgPoint name="A &quot;1&quot;" code="PIN" desc="Müller&lt;b&gt;">3937.0 7874.0 39.37</CgPoint>'
            ."\n<CgPoint name=\"B\">1.0 2.0</CgPoint>\n<CgPoint pntRef=\"A\"/><CgPoint name=\"C\">1.0</CgPoint><CgPoint name=\"D\">1 "
                .'x 3</CgPoint></CgPoints></LandXML>');
        self::assertSame(LengthUnit::UsFoot, LandXmlPoints::unit($stream));
        $rows = iterator_to_array(LandXmlPoints::rows($stream, LengthUnit::UsFoot), false);
        self::assertSame(['A "1"', 'PIN', 'Müller<b>'], [$rows[0]->name, $rows[0]->code, $rows[0]->description]);
        self::assertEqualsWithDelta(
            [1200.0, 2400.0, 12.0], [$rows[0]->position->northing, $rows[0]->position->easting, $rows[0]->position->elevation], 1e-9,
        );
        self::assertNull($rows[1]->position->elevation);
        self::assertSame([5, '“1.0” are not a northing, an easting and an elevation'], [$rows[2]->line, $rows[2]->reason]);
        self::assertStringContainsString('“x” is not a coordinate', $rows[3]->reason);
    }

    #[DataProvider('hostileXml')]
    public function test_hostile_or_broken_xml_is_answered(string $xml): void
    {
        try {
            foreach (LandXmlPoints::rows(self::stream($xml), LengthUnit::Metre) as $row) {
                self::assertStringNotContainsString('root:', $row instanceof PointRow ? $row->name.$row->description : $row->reason);
            }
        } catch (UnreadablePoints $e) {
            self::assertMatchesRegularExpression('~^Line \d+~', $e->getMessage());
        }
        self::assertLessThan(64e6, memory_get_usage());
    }

    public static function hostileXml(): array
    {
        $bomb = '<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">'.implode(
            '', array_map(static fn (int $i) => '<!ENTITY '.chr(97 + $i).' "'.str_repeat('&'.chr(96 + $i).';', 10).'">', range(1, 12)),
        ).']><LandXML><CgPoints><CgPoint name="&m;">1 2</CgPoint></CgPoints></LandXML>';

        return [
            'cut off' => ['<LandXML><CgPoints><CgPoint name="A">1 2</CgPoint><CgPo'],
            'a file of the machine' => ['<?xml version="1.0"?><!DOCTYPE x [<!ENTITY e SYSTEM '
                .'"file:///etc/passwd">]><LandXML><CgPoints><CgPoint name="A" desc="x">&e; 2</CgPoint></CgPoints></LandXML>'],
            'entities without end' => [$bomb],
        ];
    }

    public function test_geojson_points_are_easting_northing_elevation_and_other_shapes_are_named(): void
    {
        $rows = self::rows('{"type":"FeatureCollection","features":[
            {"type":"Feature","id":7,"geometry":{"type":"Point","coordinates":[41200.5,78600.25,4.5]},"properties":{"name":"A}]\\"{","code":"PIN","crew":"K"}},
            {"type":"Feature","geometry":{"type":"LineString","coordinates":[[1,2],[3,4]]},"properties":{}},
            {"type":"Feature","geometry":null,"properties":null},
            {"type":"Feature","geometry":{"type":"Point","coordinates":["x",2]},"properties":{"name":"B"}},
            {"type":"Feature","id":"C","geometry":{"type":"Point","coordinates":[1,2]},"properties":{}}]}');
        self::assertEquals(
            [78600.25, 41200.5, 4.5], [$rows[0]->position->northing, $rows[0]->position->easting, $rows[0]->position->elevation],
        );
        self::assertSame(['A}]"{', 'PIN', ['crew' => 'K']], [$rows[0]->name, $rows[0]->code, $rows[0]->attributes]);
        self::assertSame(
            ['a LineString is no point', 'the feature has no geometry', '“"x"” is not a coordinate'],
            array_map(static fn (RowFault $f) => $f->reason, array_slice($rows, 1, 3)),
        );
        self::assertSame('C', $rows[4]->name);
    }

    public function test_coordinates_that_look_like_degrees_are_noticed(): void
    {
        $at = static fn (float $e, float $n) => new PointRow(1, 'A', new Position($n, $e), '', '');
        self::assertTrue(GeoJsonPoints::looksLikeDegrees([$at(9.18231, 48.77712), $at(9.18301, 48.77733)]));
        self::assertFalse(GeoJsonPoints::looksLikeDegrees([$at(10.0, 20.0), $at(95.0, 42.0)]), 'a small local site');
        self::assertFalse(GeoJsonPoints::looksLikeDegrees([$at(41200.0, 78600.0)]));
        self::assertFalse(GeoJsonPoints::looksLikeDegrees([]));
    }

    /** There and back: names of every kind, none for an elevation, millions, to the hundredth of a millimetre. */
    #[DataProvider('formats')]
    public function test_what_goes_out_comes_back_the_same(string $format): void
    {
        $points = self::points();
        $text = implode('', iterator_to_array(match ($format) {
            'csv' => PointTextWriter::lines($points, self::layout()),
            'csv in millimetres with decimal commas' => PointTextWriter::lines($points, self::layout(';', ',', LengthUnit::Millimetre)),
            'csv in US feet' => PointTextWriter::lines($points, self::layout("\t", '.', LengthUnit::UsFoot)),
            'landxml' => LandXmlWriter::pieces($points, 'Yard & <Co>', '2026-11-25', '10:00:00'),
            'geojson' => GeoJsonWriter::pieces($points, 'Yard "A"'),
        }, false));
        $stream = self::stream($text);
        $layout = match ($format) {
            'csv in millimetres with decimal commas' => self::layout(
                ';', ',', LengthUnit::Millimetre,
            ), 'csv in US feet' => self::layout("\t", '.', LengthUnit::UsFoot), default => self::layout(),
        };
        $kind = PointFile::kindOf($stream);
        self::assertSame(str_starts_with($format, 'csv') ? PointFile::Text : PointFile::from($format), $kind);
        $rows = iterator_to_array($kind->rows($stream, $layout), false);
        self::assertCount(count($points), $rows);
        foreach ($points as $i => $p) {
            self::assertInstanceOf(PointRow::class, $rows[$i], $p->name);
            // A cell that a spreadsheet would run carries an apostrophe in a text file.
            self::assertSame($p->name, ltrim($rows[$i]->name, "'"));
            self::assertEqualsWithDelta(
                [$p->position->northing, $p->position->easting], [$rows[$i]->position->northing, $rows[$i]->position->easting], 6e-6,
            );
            $p->position->elevation === null
                ? self::assertNull($rows[$i]->position->elevation)
                : self::assertEqualsWithDelta($p->position->elevation, $rows[$i]->position->elevation, 6e-6);
        }
    }

    public static function formats(): array
    {
        return [['csv'], ['csv in millimetres with decimal commas'], ['csv in US feet'], ['landxml'], ['geojson']];
    }

    public function test_cells_that_a_spreadsheet_would_run_are_made_safe(): void
    {
        $csv = implode(
            '',
            iterator_to_array(PointTextWriter::lines([new Point('=cmd|x', new Position(-1.5, 2.0), '+1', '@sum')], self::layout()), false),
        );
        self::assertStringContainsString("'=cmd|x,-1.50000,2.00000,,'+1,'@sum", $csv);
    }

    /**
     * ezdxf opens and audits what is written without a complaint, and finds points and names where they belong; our own reader does
     * too.
     */
    public function test_the_dxf_is_sound_for_ezdxf(): void
    {
        $path = tempnam(sys_get_temp_dir(), 'dxf');
        file_put_contents($path, implode('', iterator_to_array(DxfPointsWriter::pieces(self::points(), ['CONTROL', 'POINTS']), false)));
        $seen = Reference::python("import ezdxf\ndoc = ezdxf.readfile(input)\na = doc.audit()\nmsp = "
            ."doc.modelspace()\nprint(json.dumps({'errors': [str(e.message) for e in a.errors], 'fixes': [str(e.message) for e in "
                ."a.fixes], 'points': [[p.dxf.layer, *p.dxf.location] for p in msp.query('POINT')], 'texts': [t.dxf.text for t in "
                    ."msp.query('TEXT')], 'layers': [l.dxf.name for l in doc.layers]}))", $path);
        self::assertSame([[], []], [$seen['errors'], $seen['fixes']]);
        self::assertContains('CONTROL-NAMES', $seen['layers']);
        foreach (self::points() as $i => $p) {
            self::assertEqualsWithDelta(
                [$p->position->easting, $p->position->northing, $p->position->elevation ?? 0.0], array_slice($seen['points'][$i], 1),
                6e-6,
            );
        }
        $layers = array_column(DxfReader::read(fopen($path, 'rb'))->layers, null, 'name');
        self::assertSame(array_map(static fn (Point $p) => $p->name, self::points()), $layers['POINTS-NAMES']->strings);
        $flat = count(array_filter(self::points(), static fn (Point $p): bool => $p->position->elevation === null));
        self::assertSame(
            [['point' => count(self::points()) - $flat], ['point' => $flat]], [$layers['POINTS']->kinds(), $layers['POINTS-NO-HEIGHT']->kinds()], 'a DXF knows no missing height',
        );
        unlink($path);
    }

    public function test_a_reissued_list_is_compared_with_the_one_in_use(): void
    {
        $c = ControlComparison::of(
            [
                'A' => new Position(1.0, 2.0, 3.0), 'B' => new Position(5.0, 6.0), 'C' => new Position(7.0, 8.0, 9.0),
                'X' => new Position(0.0, 0.0),
            ],
            [
                'A' => new Position(1.003, 2.004, 3.0), 'B' => new Position(5.0, 6.0, 1.0), 'C' => new Position(7.00001, 8.0, 9.0),
                'N' => new Position(1.0, 1.0),
            ],
        );
        self::assertSame([['A', 'B'], ['N'], ['X'], 1], [array_column($c->moved, 'name'), $c->new, $c->gone, $c->same]);
        self::assertEqualsWithDelta([0.005, 0.0], [$c->moved[0]['plan'], $c->moved[0]['height']], 1e-9);
        self::assertNull($c->moved[1]['height'], 'an elevation came: that is no rise');
    }

    /** Two thousand damaged files of each kind: answered, within memory, and never half a file taken for a whole one. */
    #[DataProvider('kinds')]
    public function test_damaged_files_are_answered(PointFile $kind): void
    {
        mt_srand(31);
        $good = implode('', iterator_to_array(match ($kind) {
            PointFile::Text => PointTextWriter::lines(self::points(), self::layout()),
            PointFile::LandXml => LandXmlWriter::pieces(self::points(), 'P', '2026-11-25', '10:00:00'),
            PointFile::GeoJson => GeoJsonWriter::pieces(self::points(), 'P'),
        }, false));
        $answered = 0;
        for ($i = 0; $i < 2000; $i++) {
            $bad = substr($good, 0, mt_rand(1, strlen($good)));
            for ($k = mt_rand(0, 12); $k > 0; $k--) {
                $bad[mt_rand(0, strlen($bad) - 1)] = chr(mt_rand(0, 255));
            }
            try {
                foreach ($kind->rows(self::stream($bad), self::layout()) as $row) {
                    self::assertTrue($row instanceof RowFault ? $row->reason !== '' : abs($row->position->northing) <= 1e8);
                }
            } catch (UnreadablePoints $e) {
                self::assertNotSame('', $e->getMessage());
            }
            $answered++;
        }
        self::assertSame(2000, $answered);
        self::assertLessThan(64e6, memory_get_usage());
    }

    public static function kinds(): array
    {
        return ['text' => [PointFile::Text], 'LandXML' => [PointFile::LandXml], 'GeoJSON' => [PointFile::GeoJson]];
    }

    public function test_a_list_without_names_is_numbered_by_its_lines_and_columns_may_stand_anyhow(): void
    {
        $layout = new Layout(
            ',', '.', 1, [Column::Elevation, Column::Attribute, Column::Easting, Column::Northing], LengthUnit::Metre,
            ['h', 'Crew', 'e', 'n'],
        );
        $rows = iterator_to_array(PointTextReader::read(self::stream("h,Crew,e,n\n4.5,K,2,1\n,,4,3\n"), $layout), false);
        self::assertSame(['2', 4.5, ['Crew' => 'K']], [$rows[0]->name, $rows[0]->position->elevation, $rows[0]->attributes]);
        self::assertSame(
            ['3', null, 3.0, 4.0],
            [$rows[1]->name, $rows[1]->position->elevation, $rows[1]->position->northing, $rows[1]->position->easting],
        );
    }

    /** @return list<Point> */
    private static function points(): array
    {
        return [
            new Point('A1', new Position(5_712_345.12345, 412_345.54321, 104.00001), 'PIN', 'steel', 'POINTS'),
            new Point('Ø "quoted", <b>&amp;', new Position(-12.5, -0.00001, null), 'Kötter', "l'eau; a,b", 'POINTS'),
            new Point('=1+2', new Position(0.0, 0.0, 0.0), '', '', 'POINTS'),
            new Point('100 %%d', new Position(1.0, 2.0, 3.0), '', '', 'POINTS'),
            new Point('漢字 𝄞', new Position(78_600.1, 41_200.2, -3.5), '', '', 'POINTS'),
        ];
    }

    private static function layout(string $separator = ',', string $mark = '.', LengthUnit $unit = LengthUnit::Metre): Layout
    {
        return new Layout(
            $separator, $mark, 1,
            [Column::Name, Column::Northing, Column::Easting, Column::Elevation, Column::Code, Column::Description], $unit,
        );
    }

    /** @return list<PointRow|RowFault> */
    private static function rows(string $json): array
    {
        return iterator_to_array(GeoJsonPoints::rows(self::stream($json), LengthUnit::Metre), false);
    }

    /** @return resource a real file, as it will be */
    private static function stream(string $bytes)
    {
        $stream = tmpfile();
        fwrite($stream, $bytes);
        rewind($stream);

        return $stream;
    }
}
