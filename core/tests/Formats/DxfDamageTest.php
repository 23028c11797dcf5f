<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Formats\Dxf\ReadOptions;
use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Tests\Reference;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is damaged, cut off, or no drawing at all: refused with the place and a remedy, or mended with each repair listed. */
final class DxfDamageTest extends TestCase
{
    use DxfFiles;

    #[DataProvider('damaged')]
    public function test_a_file_that_is_no_drawing_or_damaged_is_refused_with_the_place(string $bytes, string $says): void
    {
        $this->expectException(UnreadableDrawing::class);
        $this->expectExceptionMessageMatches("~$says~");
        self::open($bytes);
    }

    public static function damaged(): array
    {
        $point = "0\nPOINT\n8\nA\n10\n1\n20\n1\n";

        return [
            'empty' => ['', 'empty'], 'a closed binary drawing' => ["AC1027\0\0\0", 'DWG'],
            'a picture' => ["\x89PNG\r\n\x1a\n", 'picture'], 'UTF-16' => ["\xFF\xFE0\0\n\0", 'UTF-16'],
            'prose' => ["Dear surveyor,\nplease find\n", 'Line 1'], 'truncated' => [substr(self::dxf($point), 0, -12), 'cut off'],
            'a wrong group code' => [str_replace("10\n1\n", "ten\n1\n", self::dxf($point)), 'Line 15.*group code'],
            'an impossible number' => [str_replace("10\n1\n", "10\n1e999\n", self::dxf($point)), 'Line 11 \(POINT\), group 10.*coordinate'],
            'NaN' => [str_replace("10\n1\n", "10\nnan\n", self::dxf($point)), 'coordinate'],
            'a model in XML' => ['<?xml version="1.0"?><ifc:ifcXML xmlns:ifc="urn:ifcXML/IFC4"/>', 'building model written as ifcXML.*ISO-10303-21'],
            'nothing in it' => [self::dxf(''), 'nothing that Parlay reads'],
        ];
    }

    /**
     * Two thousand damaged files read strictly, with repairs, and in binary: each is answered, none hangs, memory stays within its
     * limit.
     */
    #[DataProvider('readers')]
    public function test_damaged_files_are_answered(string $form, bool $mend): void
    {
        mt_srand(23);
        $path = tempnam(sys_get_temp_dir(), 'dxf');
        Reference::python("import ezdxf\ndoc = ezdxf.new('R2000')\nmsp = doc.modelspace()\nb = doc.blocks.new('B')\nb.add_circle((0, "
            ."0), 1)\nfor i in range(6):\n    msp.add_line((i, 0), (i, 9)); msp.add_lwpolyline([(0, i, .5), (9, i, 0)], "
                ."format='xyb'); msp.add_text('T%d' % i); msp.add_blockref('B', (i, i))\n    msp.add_spline([(0, 0, 0), (i, 5, 0), "
                    ."(9, 9, 0)])\nh = msp.add_hatch(); h.paths.add_edge_path().add_arc((0, 0), 3, 0, 90)\ndoc.saveas(input['path'], "
                        ."fmt=input['form'])\nprint('0')", ['path' => $path, 'form' => $form]);
        $good = (string) file_get_contents($path);
        unlink($path);
        // Without the tables before the geometry most of the damage would hit what nobody reads.
        $from = $form === 'asc' ? (int) strpos($good, 'BLOCKS') - 20 : 0;
        $good = $form === 'asc' ? substr($good, $from, (int) strpos($good, 'OBJECTS') - $from)."\n0\nENDSEC\n0\nEOF\n" : $good;
        $read = 0;
        for ($i = 0; $i < 2000; $i++) {
            $bad = $i % 3 === 0 ? substr($good, 0, mt_rand(1, strlen($good))) : $good;
            for ($k = mt_rand(1, 20); $k > 0; $k--) {
                $bad[mt_rand(min(30, strlen($bad) - 1), strlen($bad) - 1)] = chr(mt_rand(0, 255));
            }
            try {
                $drawing = self::open($bad, new ReadOptions(mend: $mend));
                self::assertNotSame([], $drawing->layers);
                $read++;
            } catch (UnreadableDrawing $e) {
                self::assertNotSame('', $e->getMessage());
            }
        }
        self::assertLessThan(96e6, memory_get_usage());
        if ($mend) {
            self::assertGreaterThan(1300, $read, 'most damaged files still give what is whole in them');
        }
    }

    public static function readers(): array
    {
        return ['strictly' => ['asc', false], 'with repairs' => ['asc', true], 'in binary' => ['bin', false]];
    }

    #[DataProvider('repaired')]
    public function test_each_repair_is_listed_with_its_line_and_the_rest_is_taken(string $bytes, string $says, int $points): void
    {
        $drawing = self::open($bytes, new ReadOptions(mend: true));
        self::assertStringContainsString($says, implode(' ', $drawing->repairs));
        self::assertSame($points, array_sum(array_map(static fn ($l) => $l->count, $drawing->layers)));
    }

    public static function repaired(): array
    {
        $points = static fn (int $n) => implode('', array_map(static fn (int $i) => "0\nPOINT\n8\nA\n10\n$i.5\n20\n1.0\n", range(1, $n)));
        $good = self::dxf($points(5));

        return [
            'whole' => [$good, '', 5],
            'cut off' => [substr($good, 0, -30), 'ends without its closing EOF; the POINT begun in line 43', 4],
            'without its end' => [str_replace("0\nEOF\n", '', $good), 'ends without its closing EOF', 5],
            'mixed line ends' => [str_replace("POINT\n", "POINT\r\n", $good), 'line ends are mixed (CR LF, LF)', 5],
            'a wrong group code' => [
                str_replace("10\n3.5\n", "ten\n3.5\n", $good), 'Line 31: “ten” is no group code; reading went on in line 33', 4,
            ],
            'an impossible number' => [str_replace("3.5\n", "1e999\n", $good), 'Line 27', 4],
            'a line lost' => [str_replace("10\n3.5\n", "3.5\n", $good), 'the coordinate of group 10 is missing', 4],
            'without sections' => [$points(3)."0\nEOF\n", 'outside every section', 3],
        ];
    }

    /** @return iterable<string, array{string, int}> entities without a coordinate, and the group that is missing */
    public static function withoutACoordinate(): iterable
    {
        yield 'a point' => ["0\nPOINT\n8\nA\n10\n7\n", 20];
        yield 'a line' => ["0\nLINE\n8\nA\n10\n7\n20\n8\n11\n9\n", 21];
        yield 'a circle without its radius' => ["0\nCIRCLE\n8\nA\n10\n7\n20\n8\n", 40];
        yield 'an arc without its end' => ["0\nARC\n8\nA\n10\n7\n20\n8\n40\n2\n50\n10\n", 51];
        yield 'a vertex' => ["0\nLWPOLYLINE\n8\nA\n90\n2\n70\n0\n10\n1\n20\n2\n10\n3\n", 20];
        yield 'a text' => ["0\nTEXT\n8\nA\n20\n7\n40\n1\n1\nx\n", 10];
        yield 'a vertex of an old polyline' => ["0\nPOLYLINE\n8\nA\n66\n1\n0\nVERTEX\n8\nA\n10\n1\n0\nSEQEND\n", 20];
        yield 'a curve' => ["0\nSPLINE\n8\nA\n71\n1\n40\n0\n40\n0\n40\n1\n40\n1\n10\n1\n20\n2\n10\n3\n", 20];
    }

    #[DataProvider('withoutACoordinate')]
    public function test_a_coordinate_that_is_missing_is_damage_and_never_zero(string $entity, int $group): void
    {
        try {
            self::open(self::dxf($entity));
            self::fail('taken');
        } catch (UnreadableDrawing $e) {
            self::assertTrue($e->damaged);
            self::assertStringContainsString("the coordinate of group $group is missing", $e->getMessage());
        }
        $mended = self::open(self::dxf($entity."0\nPOINT\n8\nA\n10\n1\n20\n2\n"), new ReadOptions(mend: true));
        self::assertSame(1, array_sum(array_map(static fn ($l) => $l->count, $mended->layers)));
        self::assertStringContainsString("group $group is missing", implode(' ', $mended->repairs));
    }

    public function test_what_is_no_drawing_says_what_to_ask_for(): void
    {
        foreach ([
            'AC1027'."\0\0" => 'save the drawing as DXF', '%PDF-1.7' => 'the DXF it was printed from',
            "\x89PNG" => 'Nothing can be staked from a picture', 'ISO-10303-21;' => 'building model',
        ] as $bytes => $remedy) {
            try {
                self::open($bytes);
                self::fail();
            } catch (UnreadableDrawing $e) {
                self::assertStringContainsString($remedy, $e->getMessage());
                self::assertFalse($e->damaged);
            }
        }
    }
}
