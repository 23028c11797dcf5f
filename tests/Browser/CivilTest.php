<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Running;

/** Days on roads and yards, on the demo projects: a road by station and offset, a yard by its grade, and the wrong phase. */
final class CivilTest extends TestCase
{
    private static Running $parlay;

    public static function setUpBeforeClass(): void
    {
        self::$parlay = new Running('demo');
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 20]);
    }

    public static function tearDownAfterClass(): void
    {
        self::$parlay->stop();
    }

    /** @return array<string, array{int, int}> */
    public static function sizes(): array
    {
        return ['a tablet on its side' => [1280, 800], 'held upright' => [800, 1280]];
    }

    #[DataProvider('sizes')]
    public function test_a_curved_access_road_by_station_and_offset_with_the_drain_beside_it(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', $width, $height);
        $s->press('Drain')->see('every 20.000 m');
        $s->open("/p/$id/stake")->see('Along an alignment')->press('Access road')->see('Heights from');
        $s->choose('Moves shown', 'along and across Drain');
        // On the arc of the first bend, four metres right of the axis, by the figures of the server.
        $here = $this->place($id, 'Access road', '2+005', 4.0);
        $this->stand($here['northing'], $here['easting']);
        $s->see('second line:', 30)->see('2+005.0')->see('region 2')->see('4.000 m right')->see('arc, radius 40.000 m');
        // To a station and an offset.
        $s->fill('Go to station', '2+060')->see('= 2+060.000')->fill('Offset', '3.25')->press('Stake that place')->see('Access road 2+060.000 (2) 3.250 m right');
        $place = $this->place($id, 'Access road', '2+060', 3.25);
        $this->stand($place['northing'], $place['easting'], $place['elevation']);
        self::assertTrue(Running::until(fn () => preg_match('~Measure and store\s+in\s~', $s->text()) === 1, 60), 'in tolerance');
        $s->press('Measure and store')->see('against design', 20);
        $marks = self::$parlay->ask('GET', "/projects/$id/marks");
        $mark = $marks[array_key_last($marks)];
        self::assertSame(['stake', 'in', 'Access road 2+060.000 (2) 3.250 m right'], [$mark['kind'], $mark['verdict'], $mark['name']]);
        self::assertEqualsWithDelta([$place['northing'], $place['easting'], $place['elevation']], [$mark['design']['northing'], $mark['design']['easting'], $mark['design']['elevation']], 1e-6);
        // The profile stands under the plan, and the section where the pole is.
        $s->press('Along and across')->see('design')->see('Ground before')->choose('Seen', 'across it')->see('at 1+');
    }

    public function test_a_wrong_phase_is_noticed_and_mended_by_one_touch(): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', 1280, 800);
        self::$parlay->ask('PUT', "/projects/$id/civil", ['surfaceId' => $this->surfaces($id)['Yard finished, phase 1'], 'verticalOffset' => 0, 'interval' => 20, 'names' => []]);
        $s->open("/p/$id/stake")->see('Surface Yard finished, phase 1')->press('Yard finished, phase 1 (worked with)')->see('where the pole stands');
        // West of the joint there is none of it; near the joint both phases are, and differ.
        $this->stand(78_640.0, 41_256.0, 4.2);
        $s->see('No design here: Yard finished, phase 1 does not reach this place. Yard finished, phase 2 does.', 30);
        $this->stand(78_645.25, 41_266.17, 4.25);
        $s->see('Yard finished, phase 2 covers this place too, 0.060 m lower', 30)->see('falls');
        $s->press('Work with Yard finished, phase 2')->see('Surface Yard finished, phase 2')->see('Yard finished, phase 1 covers this place too, 0.060 m higher', 30);
        self::assertSame($this->surfaces($id)['Yard finished, phase 2'], self::$parlay->ask('GET', "/projects/$id")['civil']['surfaceId']);
    }

    #[DataProvider('sizes')]
    public function test_a_yard_in_feet_from_a_strangers_file_to_its_volume(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Larkfield Creamery', $width, $height);
        $file = sys_get_temp_dir()."/pad-$width-".bin2hex(random_bytes(4)).'.xml';
        $name = "Pad $width";
        $points = '';
        foreach ([[5200, 2350, 100], [5260, 2350, 100], [5260, 2450, 102], [5200, 2450, 102]] as $i => [$n, $e, $z]) {
            $points .= '<P id="'.($i + 11)."\">\n$n\t$e\t$z\n</P>";
        }
        file_put_contents($file, "<?xml version='1.0' encoding='ISO-8859-1'?>\r\n<LandXML version='1.0' xmlns='http://www.landxml.org/schema/LandXML-1.0'><Units><Imperial linearUnit='foot'/></Units><Surfaces>"
            ."<Surface name='$name'><Definition surfType='TIN'><Pnts>$points</Pnts><Faces><F>11 12 13</F><F>11 13 14</F></Faces></Definition></Surface></Surfaces></LandXML>");
        $s->open("/p/$id/prepare?do=designs")->see('Choose or drop a design')
            ->give(Screen::DESIGN_FILE, $file);
        $s->see('LandXML 1.0', 20)->see('one surface')->see('The file says international feet')->see('It lies where the control is')->see('2 triangles of 4 points')->press('Take it')->see("Surface $name", 20);
        unlink($file);
        self::$parlay->ask('PUT', "/projects/$id/civil", ['surfaceId' => $this->surfaces($id)[$name], 'verticalOffset' => 0, 'interval' => 30.48, 'names' => []]);
        $s->open("/p/$id/stake")->press("$name (worked with)")->see('where the pole stands');
        // Half across it the pad is at 101 ft; the pole stands a foot above.
        $this->stand(5230 * 0.3048, 2400 * 0.3048, 102 * 0.3048);
        $s->see('cut', 30)->see('101\' 0"')->see('falls 2.0 %');
        // What was built, half a foot too high on a square of twenty feet.
        $s->open("/p/$id/as-built")->press('Begin an as-built surface')->fill('Name of the as-built surface', "Built $width")->press('Begin it')->see('0 shots');
        foreach ([[5220, 2390], [5240, 2390], [5240, 2410], [5220, 2410]] as $i => [$n, $e]) {
            $this->stand($n * 0.3048, $e * 0.3048, (100.5 + 2 * ($e - 2350) / 100) * 0.3048);
            $s->see('out of tolerance', 30);
            self::assertTrue(Running::until(fn () => hypot(self::$parlay->ask('GET', "/projects/$id/live")['pole']['northing'] - $n * 0.3048, self::$parlay->ask('GET', "/projects/$id/live")['pole']['easting'] - $e * 0.3048) < 0.01, 60));
            $s->press("Measure against $name")->see(($i + 1).($i === 0 ? ' shot' : ' shots').', held against', 30);
        }
        $s->press('Finish it, with its volume')->see('kept as a surface', 20)->see('prisms, exact');
        // 20 ft by 20 ft by half a foot: 200 cubic feet, 7.41 cubic yards.
        self::assertMatchesRegularExpression('~prisms, exact\s+7\.[34]\d yd³\s+0\.00 yd³\s+7\.[34]\d yd³ cut~', $s->text());
        $kinds = array_column(self::$parlay->ask('GET', "/projects/$id/surfaces"), 'kind', 'name');
        self::assertSame('as_built', $kinds["Built $width"]);
    }

    /** @return array{int, Screen} */
    private function opened(string $name, int $width, int $height): array
    {
        $id = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')[$name];
        self::$parlay->ask('POST', "/projects/$id/practice-site");
        $s = new Screen(new Chrome($width, $height), self::$parlay->url);
        $s->open("/p/$id/stake")->see('left');
        // The instrument holds the prism and follows it from here on.
        $this->stand(...($name === 'Saltmarsh Yard' ? [78_630.0, 41_262.0, 4.2] : [5235 * 0.3048, 2395 * 0.3048, 101 * 0.3048]));
        foreach (['search', 'track'] as $deed) {
            $order = self::$parlay->ask('POST', "/projects/$id/instrument/$deed", ['key' => bin2hex(random_bytes(8))] + ($deed === 'track' ? ['on' => true] : []))['id'] ?? 0;
            Running::until(static fn () => in_array(self::$parlay->ask('GET', "/projects/$id/instrument/instructions/$order")['state'] ?? 'done', ['done', 'refused'], true), 60);
        }

        return [$id, $s];
    }

    /** @return array<string, int> */
    private function surfaces(int $project): array
    {
        return array_column(self::$parlay->ask('GET', "/projects/$project/surfaces"), 'id', 'name');
    }

    /** @return array<string, mixed> the point that would be made at a station and so far to the right */
    private function place(int $project, string $alignment, string $station, float $right): array
    {
        $id = array_column(self::$parlay->ask('GET', "/projects/$project/alignments"), 'id', 'name')[$alignment];

        return self::$parlay->ask('POST', "/projects/$project/alignments/$id/compute-points", [
            'interval' => 0, 'main' => false, 'offsets' => [], 'rows' => "$station\t$right", 'positiveRight' => true, 'heights' => 'road', 'profile' => 0, 'shape' => 0,
        ])[0];
    }

    private function stand(float $northing, float $easting, ?float $elevation = null): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'northing' => $northing, 'easting' => $easting, 'atOnce' => true] + ($elevation === null ? [] : ['elevation' => $elevation]));
    }
}
