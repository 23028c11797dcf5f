<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\CleanUp;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use PHPUnit\Framework\TestCase;

/** What a drawing says of heights and reaches, and what it hides. */
final class DxfPlacesTest extends TestCase
{
    use DxfFiles;

    /** A half circle of radius 2.1 that stands upright on y = 0: its crown is a spot, and every height on it is that of the arc within the sag of a chord. */
    public function test_an_upright_arc_has_its_crown(): void
    {
        $shapes = self::shapes(self::open(self::dxf("0\nARC\n8\nU\n10\n0\n20\n0\n30\n0\n40\n2.1\n50\n0\n51\n180\n210\n0\n220\n-1\n230\n0\n")));
        $highest = max(array_map(static fn (Shape $s) => max($s->v[2], $s->v[5]), $shapes));
        self::assertEqualsWithDelta(2.1, $highest, 1e-9);
        foreach ($shapes as $s) {
            self::assertSame(ShapeKind::Line, $s->kind);
            self::assertEqualsWithDelta(2.1, hypot(($s->v[0] + $s->v[3]) / 2, ($s->v[2] + $s->v[5]) / 2), 0.005);
        }
    }

    public function test_part_of_an_ellipse_reaches_as_far_as_it_is_drawn(): void
    {
        $ellipse = static fn (float $from, float $to) => self::open(self::dxf(
            "0\nELLIPSE\n8\nE\n10\n0\n20\n0\n30\n0\n11\n10\n21\n0\n31\n0\n40\n0.5\n41\n$from\n42\n$to\n",
        ))->layers[0]->extent();
        self::assertEqualsWithDelta([10 * cos(0.5), 0.0, 10.0, 5 * sin(0.5)], $ellipse(0.0, 0.5), 1e-9);
        self::assertEqualsWithDelta([10 * cos(2.0), 5 * sin(1.0), 10 * cos(1.0), 5.0], $ellipse(1.0, 2.0), 1e-9);
    }

    public function test_a_vertex_that_stands_twice_is_counted(): void
    {
        $layer = self::open(self::dxf("0\nLWPOLYLINE\n8\nP\n90\n4\n70\n1\n10\n1\n20\n1\n10\n1\n20\n1\n10\n2\n20\n1\n10\n1\n20\n1\n"))->layers[0];
        $clean = new CleanUp;
        $clean->of($layer);
        self::assertSame(1, $clean->zeroLengths);
    }

    public function test_what_is_made_invisible_stays_out_within_blocks_too(): void
    {
        $hidden = "0\nLINE\n5\n1F\n100\nAcDbEntity\n8\nA\n60\n     1\n100\nAcDbLine\n10\n0\n20\n0\n11\n7\n21\n5\n";
        $drawing = self::open(self::dxf(
            "{$hidden}0\nINSERT\n8\nB\n2\nDYN\n10\n0\n20\n0\n", "0\nBLOCK\n8\n0\n2\nDYN\n10\n0\n20\n0\n{$hidden}0\nCIRCLE\n8\n0\n10\n0\n20\n0\n40\n1\n0\nENDBLK\n",
        ));
        self::assertSame([ShapeKind::Insert, ShapeKind::Circle], array_map(static fn (Shape $s) => $s->kind, self::shapes($drawing)));
        self::assertStringContainsString('2 entities left out: made invisible', implode(' ', $drawing->remarks));
    }
}
