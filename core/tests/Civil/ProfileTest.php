<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\ProfilePointKind;
use Parlay\Core\Civil\Profiles\Vertex;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ProfileTest extends TestCase
{
    /**
     * Ghilani & Wolf, Elementary Surveying, vertical curves, worked example (recalled): grades +3.00 % and -2.40 %, vertex at 46+70 with
     * elevation 853.48 ft, curve 600 ft.
     */
    public function test_a_crest_curve_as_in_the_handbook(): void
    {
        $p = new Profile([new Vertex(4000, 853.48 - 670 * 0.03), Vertex::parabola(4670, 853.48, 600), new Vertex(5400, 853.48 - 730 * 0.024)]);
        foreach ([4370 => 844.48, 4400 => 845.34, 4500 => 847.62, 4600 => 849.00, 4700 => 849.48, 4800 => 849.06, 4900 => 847.74, 4970 => 846.28] as $station => $elevation) {
            self::assertEqualsWithDelta($elevation, $p->elevationAt((float) $station), 0.005, "$station");
        }
        $high = array_values(array_filter($p->points(), static fn ($q) => $q->kind === ProfilePointKind::High))[0];
        self::assertEqualsWithDelta(4703.33, $high->along, 0.005);
    }

    /** Its two halves meet under the vertex at L1 L2 (g2-g1) / 2L, with one grade; both ends lie on the tangents. */
    public function test_an_unequal_curve(): void
    {
        $p = new Profile([new Vertex(0, 100), Vertex::unequalParabola(200, 90, 60, 100), new Vertex(400, 96)]);
        [$g1, $g2] = [-0.05, 0.03];
        self::assertEqualsWithDelta(90 + 60 * 100 * ($g2 - $g1) / (2 * 160), $p->elevationAt(200.0), 1e-12);
        self::assertEqualsWithDelta([90 - 60 * $g1, $g1], [$p->elevationAt(140.0), $p->gradeAt(140.0)], 1e-12);
        self::assertEqualsWithDelta([90 + 100 * $g2, $g2], [$p->elevationAt(300.0), $p->gradeAt(300.0)], 1e-12);
        self::assertEqualsWithDelta((float) $p->gradeAt(200 - 1e-9), (float) $p->gradeAt(200 + 1e-9), 1e-9);
    }

    /** Every place of it lies one radius from one centre. */
    public function test_a_circular_curve(): void
    {
        $radius = 800.0;
        $p = new Profile([new Vertex(0, 20), Vertex::circle(150, 11, $radius), new Vertex(300, 17)]);
        $points = array_values(array_filter($p->points(), static fn ($q) => in_array($q->kind, [ProfilePointKind::CurveBegins, ProfilePointKind::CurveEnds], true)));
        [$begin, $end] = [$points[0]->along, $points[1]->along];
        self::assertEqualsWithDelta([20 - 0.06 * $begin, -0.06], [$p->elevationAt($begin), $p->gradeAt($begin)], 1e-9);
        self::assertEqualsWithDelta([11 + 0.04 * ($end - 150), 0.04], [$p->elevationAt($end), $p->gradeAt($end)], 1e-9);
        $cosine = 1 / sqrt(1 + 0.06 ** 2);
        $centre = [$begin + $radius * 0.06 * $cosine, 20 - 0.06 * $begin + $radius * $cosine];
        for ($s = $begin; $s <= $end; $s += 5) {
            self::assertEqualsWithDelta($radius, hypot($s - $centre[0], $p->elevationAt($s) - $centre[1]), 1e-9);
        }
    }

    public function test_nothing_is_known_outside(): void
    {
        $p = new Profile([new Vertex(10, 1), new Vertex(20, 2)]);
        self::assertNull($p->elevationAt(9.9));
        self::assertNull($p->elevationAt(20.1));
        self::assertSame(1.0, $p->elevationAt(10.0));
    }

    #[DataProvider('impossible')]
    public function test_what_can_not_be_is_refused_with_the_vertex(array $vertices, string $says): void
    {
        $this->expectException(NoAlignment::class);
        $this->expectExceptionMessageMatches("~$says~");
        new Profile($vertices);
    }

    public static function impossible(): array
    {
        return [
            'backwards' => [[new Vertex(0, 1), new Vertex(20, 1), new Vertex(10, 1)], 'Station 3.*grow'],
            'overlap' => [[new Vertex(0, 0), Vertex::parabola(100, 5, 120), Vertex::parabola(180, 0, 80), new Vertex(300, 5)], 'vertex .* reaches into'],
            'a curve at the end' => [[new Vertex(0, 0), Vertex::parabola(100, 5, 20)], 'Vertex 2 is an end'],
            'one alone' => [[new Vertex(0, 0)], 'two vertices'],
        ];
    }
}
