<?php

declare(strict_types=1);

namespace Parlay\Simulator\Tests;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Instruction;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Stakeout\DotSearch;
use Parlay\Core\Stakeout\MarkedOn;
use Parlay\Core\Stakeout\Tolerance;
use Parlay\Simulator\Optics;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\Surfaces;
use Parlay\Simulator\Tripod;
use Parlay\Simulator\World;
use PHPUnit\Framework\TestCase;

/** The red dot of the stand-in, brought onto designs by core through readings alone. */
final class DotTest extends TestCase
{
    private World $world;

    private StandIn $instrument;

    private float $now = 0.0;

    protected function setUp(): void
    {
        $this->world = new World(3);
        $this->world->tripod = new Tripod(new Position(500.0, 800.0, 4.6), 1.6, 0.7);
        $this->world->surfaces = new Surfaces(4.6, 11.6, [[520.0, 780.0, 520.0, 830.0, 4.6, 11.6]], [[508.0, 806.0, 0.3]]);
        $this->instrument = new StandIn($this->world);
        $this->now = 0.0;
    }

    public function test_anchors_on_an_uneven_slab_are_marked_within_the_tolerance(): void
    {
        foreach ([[505.0, 803.0], [512.0, 795.0], [517.0, 818.0], [490.0, 780.0]] as [$n, $e]) {
            $search = $this->searched(new Position($n, $e, 4.75), MarkedOn::Slab, null);
            self::assertTrue($search->isThere(), "$n $e after {$search->tries}");
            $mark = $this->dotReally();
            self::assertLessThan(0.006, $mark->distanceTo(new Position($n, $e)));
            self::assertGreaterThan(0.1, 4.75 - (float) $mark->elevation, 'the slab is not where the bolt’s top is');
        }
    }

    public function test_a_mark_on_a_wall_that_stands_out_is_at_its_place_along_and_height(): void
    {
        $search = $this->searched(new Position(520.05, 812.0, 6.1), MarkedOn::Wall, M_PI_2);
        self::assertTrue($search->isThere());
        $mark = $this->dotReally();
        self::assertEqualsWithDelta([812.0, 6.1], [$mark->easting, $mark->elevation], 0.005);
        self::assertEqualsWithDelta(520.0, $mark->northing, 0.026, 'wherever the wall is');
    }

    public function test_where_nothing_comes_back_it_waits_as_long_as_told_and_says_so(): void
    {
        $answer = $this->told(Instruction::dot(...[...$this->aimed(new Position(508.0, 806.0, 4.6)), 'wait' => 4.0]));
        self::assertSame(['ok' => false, 'why' => 'no_return'], array_intersect_key($answer, ['ok' => 1, 'why' => 1]));
        self::assertGreaterThan(4.3, $this->now);
        $this->world->surfaces = null;
        self::assertSame('no_return', $this->told(Instruction::dot(0.0, 1.2, 0.0))['why']);
        $this->world->blocked = true;
        self::assertSame('sight_blocked', $this->told(Instruction::dot(0.0, 1.2, 0.0))['why']);
    }

    public function test_it_holds_still_after_it_and_measures_the_same_dot_on_purpose(): void
    {
        $this->world->pole->tip = new Position(505.0, 803.0, 4.6);
        $this->told(Instruction::track(true));
        $this->told(Instruction::dot(...[...$this->aimed(new Position(512.0, 795.0, 4.6)), 'wait' => 1.0]));
        $before = $this->dotReally();
        for ($i = 0; $i < 50; $i++) {
            $this->instrument->tick($this->now += 0.1);
        }
        self::assertFalse($this->instrument->locked, 'a pole that passes by is not followed');
        $reading = self::reading($this->told(Instruction::measure(dot: true)));
        self::assertLessThan(0.006, $this->located($reading)->distanceTo($before));
    }

    public function test_the_way_back_from_angles_and_distance_is_the_place(): void
    {
        $axis = new Position(500.0, 800.0, 6.2);
        foreach ([[540.0, 900.0, 8.0], [500.5, 800.2, 3.0], [700.0, 300.0, -40.0]] as [$n, $e, $z]) {
            $line = Optics::line($axis, new Position($n, $e, $z), 0.7);
            $back = Optics::along($axis, $line['circle'], $line['zenith'], $line['slope'], 0.7);
            self::assertEqualsWithDelta([$n, $e, $z], [$back->northing, $back->easting, $back->elevation], 2e-4);
        }
    }

    private function searched(Position $design, MarkedOn $on, ?float $wall): DotSearch
    {
        $search = DotSearch::begin($design, $on, $this->world->tripod->axis(), new Tolerance(0.003, 0.003), 10, $wall, $on === MarkedOn::Slab ? 4.6 : null);
        while (! $search->isThere() && ! $search->isUsedUp()) {
            $answer = $this->told(Instruction::dot(...[...$this->aimed($search->aim()), 'wait' => 1.0]));
            $search = $search->hits($this->located(self::reading($answer)));
        }

        return $search;
    }

    /** @return array{circle: float, zenith: float} */
    private function aimed(Position $at): array
    {
        return $this->station()->aimAt($at, 0.0);
    }

    private function station(): Station
    {
        return new Station($this->world->tripod->foot, $this->world->tripod->circleZero, $this->world->tripod->height);
    }

    private function located(RawReading $reading): Position
    {
        return $this->station()->locate(Sight::reduce($reading, $this->world->air, new Target(0.0)));
    }

    /** @return array<string, mixed> */
    private function told(Instruction $instruction): array
    {
        $messages = $this->instrument->instruct(7, $instruction, $this->now);
        for ($i = 0; $i < 2000; $i++) {
            foreach ($messages as $m) {
                if (($m->fields['re'] ?? null) === 7) {
                    return $m->fields;
                }
            }
            $messages = $this->instrument->tick($this->now += 0.02);
        }
        self::fail('It never answered.');
    }

    /** @param  array<string, mixed>  $answer */
    private static function reading(array $answer): RawReading
    {
        self::assertTrue($answer['ok'], (string) json_encode($answer));
        $r = $answer['reading'];

        return new RawReading($r['circle'], $r['zenith'], $r['slope'], $r['ppm'], $r['prism_constant']);
    }

    /** Where the dot really is. */
    private function dotReally(): Position
    {
        $axis = $this->world->tripod->axis();
        $toward = Optics::along($axis, $this->instrument->circle, $this->instrument->zenith, 30.0, $this->world->tripod->circleZero);

        return $this->world->surfaces?->hit($axis, $toward) ?? self::fail('Nothing is hit.');
    }
}
