<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Formats\PointFile;
use Parlay\Core\Formats\PointText\Column;
use Parlay\Core\Formats\PointText\Layout;
use Parlay\Core\Formats\PointText\LayoutGuess;
use Parlay\Core\Formats\PointText\PointTextReader;
use Parlay\Core\Formats\PointText\Strings;
use Parlay\Core\Formats\PointText\TextLines;
use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Points\StringEnd;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Units\CoordinateOrder;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PointTextTest extends TestCase
{
    #[DataProvider('files')]
    public function test_a_file_is_read_as_it_was_meant(
        string $text,
        array $expected,
        CoordinateOrder $order = CoordinateOrder::NorthingEasting,
    ): void {
        $first = self::read($text, $order)[0];
        self::assertInstanceOf(PointRow::class, $first);
        self::assertEqualsWithDelta(
            $expected, [$first->name, $first->position->northing, $first->position->easting, $first->position->elevation, $first->code],
            1e-9,
        );
    }

    public static function files(): array
    {
        $expected = ['CP 1', 5200.5, 2350.25, 12.125, 'PIN'];

        return [
            'commas without headings' => ["CP 1,5200.5,2350.25,12.125,PIN\nB,5201,2351,12,PIN\n", $expected],
            'easting first by the project’s order' => [
                "CP 1,2350.25,5200.5,12.125,PIN\nB,1,2,3,PIN\n", $expected, CoordinateOrder::EastingNorthing,
            ],
            'headings beat the project’s order' => ["Name,Easting,Northing,Elev,Code\nCP 1,2350.25,5200.5,12.125,PIN\n", $expected],
            'semicolons and decimal commas' => ["Punkt;Rechtswert;Hochwert;Höhe;Code\r\nCP 1;2350,25;5200,5;12,125;PIN\r\n", $expected],
            'tabs with decimal commas' => ["CP 1\t5200,5\t2350,25\t12,125\tPIN\nB\t1,5\t2,5\t3,5\tX\n", $expected],
            'bars, comments and blank rows' => ["# control\n\nCP 1|5200.5|2350.25|12.125|PIN\n", $expected],
            'quoted fields' => ["\"CP 1\",\"5200.5\",\"2350.25\",\"12.125\",\"PIN\"\nB,1,2,3,X\n", $expected],
            'thousands marks' => ["Name;N;E;Z;Code\nCP 1;5 200.5;2'350.25;12.125;PIN\n", $expected],
            'millimetres by heading' => ["Name,Northing [mm],Easting [mm],Level [mm],Code\nCP 1,5200500,2350250,12125,PIN\n", $expected],
            'millimetres by their size' => ["CP 1,5200500,2350250,12125,PIN\nB,5210500,2380250,12125,PIN\n", $expected],
            'feet and inches' => ["Name,N,E,Z,Code\nCP 1,1' 6\",2' 0\",3' 1/2\",PIN\n", ['CP 1', 0.4572, 0.6096, 0.9271, 'PIN']],
            'UTF-16 with its mark' => [
                "\xFF\xFE".mb_convert_encoding("Name;N;E;Z;Code\nCP 1;5200.5;2350.25;12.125;PIN\n", 'UTF-16LE', 'UTF-8'), $expected,
            ],
            'UTF-16 the other way' => [
                "\xFE\xFF".mb_convert_encoding("Name;N;E;Z;Code\nCP 1;5200.5;2350.25;12.125;PIN\n", 'UTF-16BE', 'UTF-8'), $expected,
            ],
            'Windows-1252' => [
                mb_convert_encoding("Name;N;E;Z;Code\nKötter’s;5200.5;2350.25;12.125;PIN\n", 'Windows-1252', 'UTF-8'),
                ['Kötter’s', 5200.5, 2350.25, 12.125, 'PIN'],
            ],
            'blanks' => ["CP-1   5200.500   2350.250  12.125  PIN\nB  1 2 3 X\n", ['CP-1', 5200.5, 2350.25, 12.125, 'PIN']],
        ];
    }

    public function test_a_blank_elevation_is_none_and_never_zero(): void
    {
        $rows = self::read("Name,N,E,Z\nA,1,2,\nB,1,2,0\n");
        self::assertNull($rows[0]->position->elevation);
        self::assertSame(0.0, $rows[1]->position->elevation);
    }

    public function test_each_wrong_row_is_named_by_line_and_column(): void
    {
        $rows = self::read("Name,N,E,Z\nA,1,2,3\nB,x,2,3\nC,1,,3\n,1,2,3\nA,5,6,7\nD,1e300,2,3\nE,NaN,2,3\nF,1,2,3\n");
        $faults = array_values(array_filter($rows, static fn ($r) => $r instanceof RowFault));
        self::assertSame([[3, 2], [4, 3], [5, 1], [7, 2], [8, 2]], array_map(static fn (RowFault $f) => [$f->line, $f->column], $faults));
        self::assertStringContainsString('“x” is not a number, and northing was expected', $faults[0]->reason);
        self::assertCount(3, array_filter($rows, static fn ($r) => $r instanceof PointRow));
    }

    public function test_names_are_kept_exactly_as_given(): void
    {
        $rows = self::read("Name,N,E\n<script>alert(1)</script>,1,2\n=1+1,1,2\n\"O\"\"Neill, 'B'\",3,4\nÄÖÜ-ß,5,6\n");
        self::assertSame(
            ['<script>alert(1)</script>', '=1+1', 'O"Neill, \'B\'', 'ÄÖÜ-ß'], array_map(static fn (PointRow $r) => $r->name, $rows),
        );
    }

    #[DataProvider('otherFiles')]
    public function test_a_file_of_another_kind_is_refused_with_a_sentence(string $bytes): void
    {
        $this->expectException(UnreadablePoints::class);
        self::read($bytes);
    }

    public static function otherFiles(): array
    {
        return [
            'empty' => [''], 'blanks only' => ["  \n \n"],
            'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat("\0x", 50)], 'a PDF' => ["%PDF-1.7\n..."],
            'a workbook' => ["PK\x03\x04".str_repeat('x', 50)], 'bytes' => [str_repeat("\0\1\2", 100)],
            'a line without end' => [str_repeat('x,', 200_000)], '20,000 columns' => ["A,1,2,3\n".implode(',', range(1, 20_000))],
        ];
    }

    public function test_a_layout_that_cannot_be_is_refused(): void
    {
        foreach ([
            static fn () => new Layout(',', ',', 0, [Column::Name, Column::Northing, Column::Easting], LengthUnit::Metre),
            static fn () => new Layout(',', '.', 0, [Column::Name, Column::Northing], LengthUnit::Metre),
            static fn () => new Layout(',', '.', 0, [Column::Name, Column::Northing, Column::Easting, Column::Easting], LengthUnit::Metre),
        ] as $make) {
            try {
                $make();
                self::fail('It was taken.');
            } catch (UnreadablePoints $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
    }

    /** Seeded files, cut by Python's csv module and read as exact decimals. */
    public function test_it_agrees_with_pythons_csv_module(): void
    {
        mt_srand(5);
        $text = "Name,Northing,Easting,Elev,Code\n";
        for ($i = 0; $i < 400; $i++) {
            $name = ['P'.$i, "\"Q \"\"$i\"\"\"", "\"a, b $i\"", "Ü$i"][$i % 4];
            $text .= sprintf(
                "%s,%.4f,%.3f,%s,%s\n", $name, mt_rand(-9_999_999, 9_999_999) / 13, mt_rand(0, 99_999_999) / 17,
                $i % 5 === 0 ? '' : sprintf('%.3f', $i / 7), $i % 3 === 0 ? '"X;Y"' : 'Z',
            );
        }
        $python = Reference::python(<<<'PY'
            import csv, io
            from decimal import Decimal
            rows = list(csv.reader(io.StringIO(input)))[1:]
            print(json.dumps([[r[0], str(Decimal(r[1])), str(Decimal(r[2])), r[3], r[4]] for r in rows]))
            PY, $text);
        foreach (self::read($text) as $i => $row) {
            self::assertInstanceOf(PointRow::class, $row);
            self::assertSame(
                [$python[$i][0], (float) $python[$i][1], (float) $python[$i][2], $python[$i][4]],
                [$row->name, $row->position->northing, $row->position->easting, $row->code],
            );
            self::assertSame($python[$i][3] === '' ? null : (float) $python[$i][3], $row->position->elevation);
        }
    }

    public function test_a_remark_with_the_separator_in_it_is_kept_whole(): void
    {
        [$a, $b] = self::read("Name,E,N,Z,Description\nA,1,2,3,nail in kerb, north side, \nB,1,2,3,bolt\n");
        self::assertSame(['nail in kerb, north side', 'bolt'], [$a->description ?? '', $b->description ?? '']);
        [$a] = self::read("Name N E Z Code\nA 1.5 2.5 3.5 TREE oak, old\nB 1.5 2.5 3.5 TREE\n");
        self::assertSame(['TREE', 'oak, old'], [$a->code ?? '', $a->description ?? '']);
    }

    public function test_a_list_of_latitudes_is_known_by_its_headings(): void
    {
        $layout = static fn (string ...$headings): Layout => new Layout(
            ',', '.', 1, [Column::Name, Column::Easting, Column::Northing], LengthUnit::Metre, array_values($headings),
        );
        $rows = static fn (float $e, float $n): array => [new PointRow(2, 'A', new Position($n, $e), '', '')];
        self::assertTrue(PointFile::Text->looksLikeDegrees($rows(51.5, -0.1), $layout('ID', 'Lat', 'Lon')));
        self::assertTrue(PointFile::Text->looksLikeDegrees($rows(-179.9, 51.0), $layout('ID', 'longitude (deg)', 'Latitude')));
        self::assertFalse(
            PointFile::Text->looksLikeDegrees($rows(51.5, -0.1), $layout('ID', 'East', 'North')),
            'a small site lies near its own origin',
        );
        self::assertFalse(PointFile::Text->looksLikeDegrees($rows(41250.0, 78640.0), $layout('Lateral', 'Lat', 'Lon')));
        self::assertFalse(PointFile::Text->looksLikeDegrees($rows(1.0, 2.0), $layout('Longest', 'Lateral', 'N')));
        self::assertFalse(PointFile::Text->looksLikeDegrees([], $layout('Lat')));
    }

    /** Corners of lines: a row of zeros, of one value, or of zeros under the same label ends a string, and is never a point. */
    public function test_strings_become_lines_and_their_ends_no_points(): void
    {
        $kerb = "1,1000.0,2000.0,5.0,KERB\n2,1010.0,2000.0,5.1,KERB\n3,1020.0,2005.0,5.2,KERB\n0,0,0,0,0\n";
        $wall = "4,1001.0,2010.0,5.0,2\n5,1011.0,2010.0,6.0,2\n-99,-99,-99,-99,-99\n6,1001.0,2020.0,5.0,KERB\n7,1001.0,2030.0,5.0,KERB\n";
        $strings = new Strings;
        $rows = self::read($kerb.$wall);
        array_map($strings->add(...), $rows);
        self::assertTrue($strings->finish(), 'the last needs no end of its own');
        self::assertSame(
            [['1', '2', '3'], ['4', '5'], ['6', '7']],
            array_map(static fn (array $s) => array_map(static fn (PointRow $r) => $r->name, $s), $strings->ended),
        );
        self::assertSame(
            [4, 7],
            array_values(array_map(static fn (StringEnd $e) => $e->line, array_filter($rows, static fn ($r) => $r instanceof StringEnd))),
        );
        self::assertSame([['KERB', 3], ['2', 1]], array_map(static fn (DrawingLayer $l) => [$l->name, $l->count], $strings->layers()));
        self::assertEqualsWithDelta([2000.0, 1010.0, 5.1, 2005.0, 1020.0, 5.2, 0.0, 0.0, 0.0], $strings->layers()[0]->shape(1)->v, 1e-9);

        $labelled = self::read(
            "KERB,1000.0,2000.0,5.0\nKERB,1010.0,2000.0,5.0\nKERB,0.0,0.0,0.0\nORIGIN,0.0,0.0,0.0\nWALL,1020.0,2000.0,5.0\n",
        );
        self::assertSame(
            [PointRow::class, PointRow::class, StringEnd::class, PointRow::class, PointRow::class],
            array_map(get_class(...), $labelled), 'a mark at the origin of its own name is a point',
        );
        $plain = new Strings;
        array_map($plain->add(...), self::read("1,1000.0,2000.0,5.0\n2,1010.0,2000.0,5.0\n"));
        self::assertFalse($plain->finish());
        $single = new Strings;
        array_map($single->add(...), self::read("1,1000.0,2000.0,5.0\n2,1010.0,2000.0,5.0\n0,0,0,0\n3,1020.0,2000.0,5.0\n0,0,0,0\n"));
        self::assertTrue($single->finish());
        self::assertSame(
            [1, ['3']], [count($single->ended), array_map(static fn (PointRow $r) => $r->name, $single->alone)],
            'a corner alone is a point and not lost',
        );
        self::assertSame([], $plain->layers());
    }

    /** Bytes changed at random: an answer or a sentence, never a crash. */
    public function test_damaged_files_are_answered(): void
    {
        mt_srand(17);
        $good = "Name;N;E;Z;Code\n".implode('', array_map(static fn (int $i) => "P$i;1000,5;2000,25;3,5;X\n", range(1, 20)));
        $rows = 0;
        for ($i = 0; $i < 500; $i++) {
            $bad = $good;
            for ($k = mt_rand(1, 12); $k > 0; $k--) {
                $bad[mt_rand(0, strlen($bad) - 1)] = chr(mt_rand(0, 255));
            }
            try {
                foreach (self::read(substr($bad, 0, mt_rand(1, strlen($bad)))) as $row) {
                    $rows++;
                    if ($row instanceof StringEnd) {
                        continue;
                    }
                    $row instanceof PointRow
                        ? self::assertTrue($row->name !== ''
                            && is_finite($row->position->northing + $row->position->easting + ($row->position->elevation ?? 0.0)))
                        : self::assertTrue($row->line > 0 && $row->reason !== '');
                }
            } catch (UnreadablePoints $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
        self::assertGreaterThan(1000, $rows, 'most files still hold rows');
    }

    /** @return list<PointRow|RowFault|StringEnd> */
    private static function read(string $bytes, CoordinateOrder $order = CoordinateOrder::NorthingEasting): array
    {
        $stream = static function () use ($bytes) {
            $s = fopen('php://temp', 'w+b');
            fwrite($s, $bytes);
            rewind($s);

            return $s;
        };
        $lines = array_slice(iterator_to_array(TextLines::of($stream()), false), 0, 60);

        return iterator_to_array(PointTextReader::read($stream(), LayoutGuess::from($lines, $order, LengthUnit::Metre)), false);
    }

    /** Commas with blanks behind them part the cells, also where the rows are not all as long; each string ends with its row of zeros. */
    public function test_a_string_file_parted_by_commas_and_blanks_is_read_by_its_commas(): void
    {
        $lines = [];
        foreach ([1, 2, 3] as $string) {
            for ($i = 0; $i < 20; $i++) {
                $lines[] = $i % 2 === 0 ? sprintf('%d, %.3f, %.3f', $string, 502 + $i, 1000 + $string) : sprintf('%d, %.3f, %.3f, %.3f, top of kerb', $string, 502 + $i, 1000 + $string, 10.5);
            }
            $lines[] = '0, 0.000, 0.000';
        }
        $layout = LayoutGuess::from($lines, CoordinateOrder::NorthingEasting, LengthUnit::Metre);
        self::assertSame(',', $layout->separator);
        $stream = fopen('php://temp', 'w+b');
        fwrite($stream, implode("\n", $lines));
        rewind($stream);
        $rows = iterator_to_array(PointTextReader::read($stream, $layout), false);
        self::assertCount(60, array_filter($rows, static fn ($r) => $r instanceof PointRow));
        self::assertCount(3, array_filter($rows, static fn ($r) => $r instanceof StringEnd));
        // A separator that is chosen has columns of its own.
        self::assertCount(5, LayoutGuess::from(['P1;100;200;5;MH', 'P2;101;201;5;MH'], CoordinateOrder::NorthingEasting, LengthUnit::Metre)->columns);
        self::assertCount(3, LayoutGuess::from(['P1;100;200;5;MH', 'P2;101;201;5;MH'], CoordinateOrder::NorthingEasting, LengthUnit::Metre, ',')->columns);
    }
}
