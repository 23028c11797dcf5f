<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Running;

/** A day with a building model: dropped, shown once on one plate, made on all, staked, shot as built, revised. */
final class BuildingTest extends TestCase
{
    private static Running $parlay;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running('demo');
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 12]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay->stop();
    }

    public function test_one_plate_is_shown_all_follow_one_is_odd_two_are_staked_and_a_revision_proposes_the_rest(): void
    {
        $id = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')['Saltmarsh Yard'];
        $s = new Screen(new Chrome(1280, 670), self::$parlay->url);
        $s->open("/p/$id/prepare?do=designs")->give(Screen::DESIGN_FILE, $this->oddModel())->see('map conversion')->press('Take 13 layers')
            ->see('odd-hall')->press('In space')->see('Touch a thing to be told what it is')
            ->fill('With these words', 'Plate B2')->see('With these words: 1 of 181')->press('Fit the view')->settle()->touchMiddleOf('canvas')
            ->see('0.500 m by 0.400 m by 0.040 m')->press('4 × corner, top')->see('32 points on 8 things')
            ->choose('On', 'every plate (24)')->see('92 points on 23 things')->see('1 it does not fit')
            ->unfold('1 does not fit')->see('Plate A1 has none of the faces that look this way, and the example has 1')
            ->fill('Edge distance from the east and west sides', '50 mm')->fill('Edge distance from the north and south sides', '60 mm')
            ->fill('Before the names', 'P-')->fill('Code', 'PLATE')->see('P-A2.1')->press('Make 92 points')->see('92 points are made')->press('Close');
        $points = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name');
        // Of B2, on a plate of 500 by 400 about its crossing, which the hall's map conversion puts there: 200 and 140 from the middle.
        [$east, $north] = [41_250.0 + 7.7 * cos(deg2rad(18)) - 9.14 * sin(deg2rad(18)), 78_640.0 + 7.7 * sin(deg2rad(18)) + 9.14 * cos(deg2rad(18))];
        self::assertEqualsWithDelta([$east, $north, 4.67], [$points['P-B2.1']['easting'], $points['P-B2.1']['northing'], $points['P-B2.1']['elevation']], 1e-6);
        self::assertSame('PLATE', $points['P-B2.1']['code']);
        foreach (['P-B2.1', 'P-B2.2'] as $name) {
            $p = $points[$name];
            $s->open("/p/$id/stake")->pressStarting('Target: ')->fill('Search by name, code or state; Enter takes the first', $name)->pressStarting($name);
            $this->stand($p['northing'], $p['easting'], $p['elevation']);
            $s->see('as you hold the pole and face the instrument', 30)->press('Measure and store');
            self::assertTrue(Running::until(fn () => in_array($name, $this->marks($id, 'stake'), true), 60), $s->text());
        }
        $s->open("/p/$id/prepare?do=designs")->give('New revision of odd-hall (DXF, IFC, or shapefiles in a zip)', __DIR__.'/../../database/demo/files/saltmarsh-yard-hall-rev-b.ifc')
            ->fill('Revision', 'B')->press('Take 13 layers')->see('Thing by thing:', 60)->see('0.400 m by 0.400 m by 0.030 m became 0.500 m by 0.400 m by 0.040 m')
            ->see('4 points made from it, 2 staked')->press('Points')->see('What 60 points were made from has changed')->press('Show old and new')
            ->see('moves 0.040 m')->see('has been staked')->press('Adopt all 60')->doNotSee('What 60 points');
        $moved = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name')['P-B2.1'];
        self::assertEqualsWithDelta(0.04, hypot($moved['easting'] - $east, $moved['northing'] - $north), 1e-6);
    }

    public function test_a_slab_and_a_column_are_shot_as_built_held_upright(): void
    {
        $id = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')['Saltmarsh Yard'];
        $s = new Screen(new Chrome(800, 1280), self::$parlay->url);
        $s->open("/p/$id/prepare?do=designs")->give(Screen::DESIGN_FILE, __DIR__.'/../../database/demo/files/saltmarsh-yard-hall.ifc')->see('map conversion')
            ->press('Take 13 layers')->see('saltmarsh-yard-hall');
        $s->open("/p/$id/as-built")->press('saltmarsh-yard-hall in space')->see('Touch a thing to stake')->fill('With these words', 'Mezzanine slab')->see('With these words: 1 of 181')->press('Fit the view')->settle()
            ->touchMiddleOf('canvas')->press('Its face that looks up')->see('Held against');
        // Its top lies 3.6 above the slab of the hall, at 8.2; low and high by turns.
        foreach ([[11.25, 22.5, 0.004], [8.0, 20.0, -0.003], [15.0, 20.0, 0.002], [8.0, 25.0, 0.001]] as $k => [$x, $y, $before]) {
            [$e, $n] = [41_250.0 + $x * cos(deg2rad(18)) - $y * sin(deg2rad(18)), 78_640.0 + $x * sin(deg2rad(18)) + $y * cos(deg2rad(18))];
            $this->stand($n, $e, 8.2 + $before);
            $s->see('the face', 30)->press('Measure against face that looks up of Mezzanine slab');
            self::assertTrue(Running::until(fn () => count(array_filter($this->built($id), static fn (array $b) => count($b['shots']) > $k)) === 1, 60), $s->text());
        }
        $s->see('4 shots: from')->see('Flat within');
        [$part] = $this->built($id);
        // As exactly as the stand-in measures heights over so far.
        self::assertEqualsWithDelta([-0.003, 0.004], [$part['least'], $part['most']], 0.004);
    }

    /** @return list<array<string, mixed>> */
    private function built(int $project): array
    {
        return self::$parlay->ask('GET', "/projects/$project/built-parts");
    }

    /** @return list<string> names */
    private function marks(int $project, string $kind): array
    {
        return array_column(array_filter(self::$parlay->ask('GET', "/projects/$project/marks"), static fn (array $m) => $m['kind'] === $kind), 'name');
    }

    /** The demo's hall, but the plate at A1 is round. */
    private function oddModel(): string
    {
        $text = (string) file_get_contents(__DIR__.'/../../database/demo/files/saltmarsh-yard-hall.ifc');
        $odd = (string) preg_replace('~IFCRECTANGLEPROFILEDEF\(\.AREA\.,\$,(#\d+),300\.,300\.\)~', 'IFCCIRCLEPROFILEDEF(.AREA.,$,$1,150.)', $text, 1);
        $path = sys_get_temp_dir().'/odd-hall.ifc';
        file_put_contents($path, $odd);

        return $path;
    }

    private function stand(float $northing, float $easting, float $elevation): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'northing' => $northing, 'easting' => $easting, 'elevation' => $elevation, 'atOnce' => true]);
        $project = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')['Saltmarsh Yard'];
        self::$parlay->ask('POST', "/projects/$project/instrument/search", ['key' => 'search-'.bin2hex(random_bytes(6))]);
    }
}
