<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\Element;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Civil\Alignments\MainPointKind;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Civil\Profiles\Vertex;
use Parlay\Core\Civil\Roads\CatchPoint;
use Parlay\Core\Civil\Roads\CrossSection;
use Parlay\Core\Civil\Roads\CrossSections;
use Parlay\Core\Civil\Roads\Road;
use Parlay\Core\Civil\Roads\RoadTemplate;
use Parlay\Core\Civil\Roads\SectionPoint;
use Parlay\Core\Civil\Roads\Strip;
use Parlay\Core\Civil\Roads\Superelevation;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\AlignmentAim;
use Parlay\Core\Stakeout\Aims\SurfaceAim;
use Parlay\Core\Stakeout\Judged;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RoadTest extends TestCase
{
    private static function template(): RoadTemplate
    {
        return new RoadTemplate(
            [new Strip('lane', 3.5, -0.025), new Strip('shoulder', 1.5, -0.04, false)], [new Strip('lane', 3.5, -0.025)],
            [new Superelevation(50, -0.025, -0.025), new Superelevation(100, -0.05, 0.05)], 0.5, 1 / 1.5,
        );
    }

    /** By hand: 3.5 m at 2.5 % is 87.5 mm, 1.5 m at 4 % is 60 mm. */
    public function test_heights_across_a_template(): void
    {
        $t = self::template();
        self::assertEqualsWithDelta(9.95, $t->heightAt(0, 2.0, 10.0)?->elevation, 1e-12);
        self::assertEqualsWithDelta([10 - 0.0875 - 0.04, 0.04], [$t->heightAt(0, -4.5, 10.0)?->elevation, $t->heightAt(0, -4.5, 10.0)?->slope], 1e-12);
        self::assertSame(['shoulder', 'lane'], [$t->heightAt(0, -4.5, 10.0)?->part, $t->heightAt(0, 3.5, 10.0)?->part]);
        // Halfway between the stations the right lane is level and the shoulder does not turn.
        self::assertEqualsWithDelta(10 + 2 * 0.0125, $t->heightAt(75, 2.0, 10.0)?->elevation, 1e-12);
        self::assertEqualsWithDelta(10 - 3.5 * 0.0375 - 0.04, $t->heightAt(75, -4.5, 10.0)?->elevation, 1e-12);
        // Beside it the ground decides between cutting and embankment; without it nothing is known.
        self::assertNull($t->heightAt(0, 6.0, 10.0));
        self::assertEqualsWithDelta(9.9125 + 0.5 * 2.5, $t->heightAt(0, 6.0, 10.0, 12.0)?->elevation, 1e-12);
        self::assertEqualsWithDelta(9.9125 - 2.5 / 1.5, $t->heightAt(0, 6.0, 10.0, 8.0)?->elevation, 1e-12);
        self::assertNull($t->heightAt(0, 1.0, null));
    }

    public function test_between_sections_corners_of_one_code_are_joined(): void
    {
        $sections = new CrossSections([
            new CrossSection(0, [new SectionPoint(-4, 9.9, 'L'), new SectionPoint(0, 10, 'C'), new SectionPoint(4, 9.9, 'R')]),
            new CrossSection(20, [new SectionPoint(-6, 10.7, 'L'), new SectionPoint(0, 11, 'C'), new SectionPoint(4, 10.9, 'R'), new SectionPoint(5, 11, 'K')]),
        ]);
        // Halfway the left edge stands five metres out, at 10.3.
        self::assertEqualsWithDelta(10.3, $sections->heightAt(10, -5.0, null)?->elevation, 1e-12);
        self::assertEqualsWithDelta(10.4, $sections->heightAt(10, 4.0, null)?->elevation, 1e-12);
        // The kerb's foot is at the second section alone: halfway it stands half as far out of the edge, and beyond it is nothing.
        self::assertEqualsWithDelta(10.45, $sections->heightAt(10, 4.5, null)?->elevation, 1e-12);
        self::assertNull($sections->heightAt(10, 4.51, null));
        self::assertNull($sections->heightAt(21, 0.0, null));
        self::assertEqualsWithDelta(11.0, $sections->heightAt(20, 5.0, null)?->elevation, 1e-12);
    }

    /** Whatever corners two neighbours share, there is road between them: worked out by hand. */
    #[DataProvider('neighbours')]
    public function test_no_part_of_a_road_is_lost_between_sections(array $before, array $after, float $right, float $halfway): void
    {
        $section = static fn (float $along, array $corners) => new CrossSection($along, array_map(static fn (array $c) => new SectionPoint($c[0], $c[1], $c[2] ?? ''), $corners));
        $sections = new CrossSections([$section(0, $before), $section(20, $after)]);
        self::assertEqualsWithDelta($halfway, $sections->heightAt(10, $right, null)?->elevation, 1e-9);
        foreach ([0.01, 5.0, 10.0, 15.0, 19.99] as $along) {
            $offsets = array_map(static fn (SectionPoint $p) => $p->offset, $sections->section($along, null));
            $sorted = $offsets;
            sort($sorted);
            self::assertSame($sorted, $offsets);
            for ($o = $offsets[0]; $o <= $offsets[count($offsets) - 1]; $o += 0.25) {
                self::assertNotNull($sections->heightAt($along, $o, null), "nothing at $along, $o");
            }
        }
    }

    public static function neighbours(): array
    {
        $plain = [[-5, 9.8, 'L'], [0, 10, 'C'], [5, 9.8, 'R']];

        return [
            'other codes at the edge' => [[[-5, 9.8, 'L'], [0, 10, 'C'], [5, 9.8, 'edge']], $plain, 5.0, 9.8],
            'a lane begins' => [$plain, [...$plain, [9, 9.6, 'lane']], 7.0, 9.7],
            'a gutter between two that both have' => [$plain, [[-5, 9.8, 'L'], [0, 10, 'C'], [4, 9.4, 'gutter'], [5, 9.8, 'R']], 4.0, (9.84 + 9.4) / 2],
            'no codes, and another number of corners' => [[[-5, 9.8], [0, 10], [5, 9.8]], [[-7, 9.8], [-5, 9.9], [0, 10], [7, 9.72]], 6.0, 9.76],
            'codes that stand twice' => [[[-5, 9.8, 'E'], [0, 10, 'C'], [5, 9.8, 'E']], [[-7, 9.6, 'E'], [0, 10, 'C'], [7, 9.6, 'E'], [8, 9, 'toe']], -6.0, 9.7],
            'one code in common' => [[[-5, 9.8, 'a'], [0, 10, 'C'], [5, 9.8, 'b'], [6, 9.5, 'c']], [[-5, 9.8, 'd'], [0, 10, 'C'], [5, 9.8, 'e']], -5.0, 9.8],
        ];
    }

    /** Every sum of widths ends at its own edge, in feet as in metres, and a pole a millimetre before the start stands on the road. */
    public function test_a_template_reaches_its_own_edges(): void
    {
        foreach ([0.3048, 1.0, 0.1] as $unit) {
            for ($lane = 1; $lane <= 40; $lane++) {
                for ($shoulder = 1; $shoulder <= 12; $shoulder++) {
                    $strips = [new Strip('lane', $lane * $unit, -0.02), new Strip('shoulder', $shoulder * $unit, -0.04)];
                    $at = (new RoadTemplate($strips, $strips))->heightAt(0, ($lane + $shoulder) * $unit, 10.0);
                    self::assertEqualsWithDelta(10 - ($lane * 0.02 + $shoulder * 0.04) * $unit, $at?->elevation, 1e-6, "$lane and $shoulder of $unit");
                }
            }
        }
        $profile = new Profile([new Vertex(0, 10), new Vertex(100, 12)]);
        self::assertEqualsWithDelta(10 - 0.00002, $profile->elevationAt(-0.001), 1e-9);
        self::assertNull($profile->elevationAt(-0.02));
    }

    /** Ground level at 8, hinge at 10, fall 1 in 2: it comes down four metres out. Level at 12, rise 1 in 1: it comes out after two. */
    public function test_the_catch_point_of_a_side_slope(): void
    {
        $flat = static fn (float $z) => new SurfaceIndex(SurfaceMaking::of([
            new Position(-50, -50, $z), new Position(50, -50, $z), new Position(50, 50, $z), new Position(-50, 50, $z), new Position(3, 7, $z),
        ])->surface);
        $fill = CatchPoint::of(new Position(0, 0, 10), M_PI_2, 1.0, 0.5, $flat(8.0));
        self::assertEqualsWithDelta([4.0, 0.0, 4.0, 8.0], [$fill->out, $fill->place->northing, $fill->place->easting, $fill->place->elevation], 1e-9);
        $cut = CatchPoint::of(new Position(0, 0, 10), 0.0, 1.0, 0.5, $flat(12.0));
        self::assertEqualsWithDelta([2.0, 2.0, 12.0], [$cut->out, $cut->place->northing, $cut->place->elevation], 1e-9);
        self::assertSame([false, true], [$fill->cut, $cut->cut]);

        $this->expectException(NoSurface::class);
        $this->expectExceptionMessageMatches('~does not meet the ground~');
        CatchPoint::of(new Position(0, 0, 10), 0.0, 0.0, 0.001, $flat(8.0));
    }

    /** A road on 2 % with lanes that fall 2.5 %: at station 50, two metres right, 1.0 - 0.05 above the start. */
    /** Walking out on ground that rises 1 in 10, by the catch that is told each time: there the stake stands, and its slope is that from the hinge. */
    public function test_a_slope_stake_is_found_by_walking_to_where_it_is_told(): void
    {
        $template = self::template();
        $road = new Road(new Alignment([Element::line(new Position(0, 0), 0.0, 100.0)]), new Profile([new Vertex(0, 10), new Vertex(100, 10)]), $template);
        $aim = new AlignmentAim($road, grade: true, verticalOffset: 0.5);
        foreach ([1, -1] as $side) {
            foreach (['cut' => [13.0, 0.1], 'fill' => [7.0, -0.05]] as [$ground, $rise]) {
                $height = static fn (float $right): float => $ground + $rise * abs($right);
                for ($right = $side * 9.0, $k = 0; $k < 30; $k++) {
                    $stake = $aim->designedAt(new Position(40.0, $right, $height($right)))->station?->side;
                    self::assertNotNull($stake);
                    $right = $stake->catchRight;
                }
                $found = $aim->designedAt(new Position(40.0, $right, $height($right)));
                self::assertEqualsWithDelta($height($right), $found->place->elevation, 1e-9);
                [$hinge, $elevation] = $template->hinge(40.0, $side, 10.0);
                self::assertEqualsWithDelta([$side * $hinge, $elevation + 0.5], [$stake->hingeRight, $stake->hingeElevation], 1e-12);
                self::assertEqualsWithDelta($stake->rise, ($height($right) - $stake->hingeElevation) / (abs($right) - abs($stake->hingeRight)), 1e-9);
            }
        }
        // On the road itself there is none.
        self::assertNull($aim->designedAt(new Position(40.0, 1.0, 13.0))->station?->side);
    }

    public function test_an_alignment_is_staked_as_a_line_or_by_its_grade(): void
    {
        $road = new Road(
            new Alignment([Element::line(new Position(0, 0), 0.0, 100.0)]), new Profile([new Vertex(0, 10), new Vertex(100, 12)]), self::template(),
        );
        $pole = new Position(40.0, 2.0, 10.9);
        $grade = (new AlignmentAim($road, grade: true, verticalOffset: -0.3))->designedAt($pole);
        self::assertSame(Judged::Height, (new AlignmentAim($road, grade: true))->judges());
        self::assertEqualsWithDelta([40.0, 2.0, 10.8 - 0.05 - 0.3], [$grade->place->northing, $grade->place->easting, $grade->place->elevation], 1e-12);
        self::assertEqualsWithDelta([40.0, 2.0, 10.8], [$grade->station?->station, $grade->station?->offset, $grade->station?->axis], 1e-12);

        $line = (new AlignmentAim($road, offset: -3.5))->designedAt($pole);
        self::assertEqualsWithDelta([40.0, -3.5, 10.8 - 0.0875], [$line->place->northing, $line->place->easting, $line->place->elevation], 1e-12);
        self::assertEqualsWithDelta(5.5, $line->on?->offset, 1e-12);
        self::assertNull((new AlignmentAim($road, heights: false))->designedAt($pole)->place->elevation);
    }

    public function test_a_surface_is_staked_wherever_one_stands_and_says_where_it_has_no_design(): void
    {
        $surface = PackedSurface::of(SurfaceMaking::of([new Position(0, 0, 1), new Position(10, 0, 2), new Position(10, 10, 2), new Position(0, 10, 1)])->surface);
        $aim = new SurfaceAim($surface, -0.2);
        $on = $aim->designedAt(new Position(5, 5, 1.4));
        self::assertEqualsWithDelta([1.3, 0.1, M_PI], [$on->place->elevation, $on->ground?->slope, $on->ground?->falls], 1e-9);
        $off = $aim->designedAt(new Position(5, 11, 1.4));
        self::assertNull($off->place->elevation);
        self::assertNull($off->ground);
    }

    /** On a straight axis north-east: an offset of 10 m at 30° to its direction lies 8.660 m on and 5 m beside; closed form. */
    public function test_a_skewed_offset_runs_at_its_angle_to_the_axis_and_takes_the_height_of_where_it_lies(): void
    {
        $axis = new Alignment([Element::line(new Position(5e6, 3e6), M_PI / 4, 100.0)]);
        $road = new Road($axis, new Profile([new Vertex(0.0, 10.0), new Vertex(100.0, 20.0)]), null);
        $skew = M_PI / 6;
        foreach ([[10.0, 1], [-10.0, -1]] as [$offset, $side]) {
            $place = $road->beside(40.0, $offset, $skew);
            $foot = $axis->foot($place);
            self::assertEqualsWithDelta([40.0 + $side * 10 * cos($skew), $side * 5.0], [$foot->along, $foot->offset], 1e-6);
            self::assertEqualsWithDelta(10.0 + $foot->along / 10, $road->heightBeside(40.0, $offset, $skew, $place)?->elevation, 1e-6);
            self::assertEqualsWithDelta(14.0, $road->heightBeside(40.0, $offset, null, $road->beside(40.0, $offset))?->elevation, 1e-9);
            self::assertEqualsWithDelta($side * 10.0, $axis->foot($road->beside(40.0, $offset))->offset, 1e-6);
        }
        self::assertEqualsWithDelta(0.0, $road->beside(40.0, 0.0, $skew)->distanceTo($axis->at(40.0)), 1e-9);
        $road->beside(40.0, 10.0, deg2rad(5.0));
        $road->beside(40.0, 10.0, deg2rad(175.0));
        foreach ([0.0, 4.99, 175.01, 180.0, 355.01] as $degrees) {
            try {
                $road->beside(40.0, 10.0, deg2rad($degrees));
                self::fail("$degrees was taken.");
            } catch (NoAlignment $e) {
                self::assertStringContainsString('at least 5°', $e->getMessage());
            }
        }
    }

    public function test_an_alignment_is_divided_and_its_main_points_are_known_by_where_they_lie(): void
    {
        $axis = new Alignment([
            Element::line(new Position(0.0, 0.0), 0.0, 30.0), Element::arc(new Position(30.0, 0.0), 0.0, 20.0, 1 / 50),
        ]);
        self::assertEqualsWithDelta([0.0, 12.5, 25.0, 37.5, 50.0], AlignmentDrawing::divided($axis, 4), 1e-12);
        foreach ([0, -1, 2001] as $parts) {
            try {
                AlignmentDrawing::divided($axis, $parts);
                self::fail("$parts was taken.");
            } catch (NoAlignment $e) {
                self::assertStringContainsString('between 1 and 2,000', $e->getMessage());
            }
        }
        self::assertSame(
            [MainPointKind::Start, null, MainPointKind::of($axis->elements[0], $axis->elements[1]), MainPointKind::End],
            array_map(static fn (float $s) => MainPoint::thatIs($axis, $s)?->kind, [0.0, 29.9, 30.0000001, 50.0]),
        );
    }
}
