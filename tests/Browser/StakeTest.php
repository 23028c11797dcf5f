<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Running;

/** Staking what was never prepared, and runs by themselves, on the demo projects, by touch. */
final class StakeTest extends TestCase
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

    /** @return array<string, array{int, int}> */
    public static function sizes(): array
    {
        return ['a tablet on its side' => [1280, 800], 'held upright' => [800, 1280]];
    }

    #[DataProvider('sizes')]
    public function test_a_wall_with_three_parallels_in_feet_and_inches(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Larkfield Creamery', $width, $height);
        $before = count($this->stakes($id));
        // Half along the south wall.
        [$e1, $n1, $e2, $n2] = $this->shape($id, 'S-WALL', 0);
        [$n, $e] = [$n1 + ($n2 - $n1) / 2, $e1 + ($e2 - $e1) / 2];
        // Three touches: the wall, along it, and the pole is led.
        $s->touchPlan($n, $e)->see('of line, S-WALL')->press('Stake along the line');
        $this->stand($n - 0.03, $e);
        $s->see('of it')->see('from the start');
        foreach ([['6"', 'To the left'], ['1\' 6"', 'To the left'], ['3\'', 'To the right']] as $i => [$offset, $side]) {
            if ($i < count($this->aims($id)[0]['line']['lay']['parallels']) - 1) {
                continue;
            }
            $s->press('Parallel')->fill('Offset from the line', $offset)->see('= ')->press($side)->doNotSee('Offset from the line');
        }
        $lay = $this->aims($id)[0]['line']['lay'];
        self::assertEqualsWithDelta([0.0, -0.1524, -0.4572, 0.9144], array_column($lay['parallels'], 'offset'), 1e-9);
        // Stepped through as a list, each is staked.
        foreach ([1, 2, 3] as $k) {
            $at = $this->aims($id)[0]['line']['lay']['parallel'];
            $to = $at % 3 + 1;
            // On over the line itself, where that comes next.
            for ($press = 0; $press < 4 && $at !== $to; $press++) {
                $was = $at;
                $s->press('Next in the list');
                self::assertTrue(Running::until(function () use ($id, $was, &$at): bool {
                    return ($at = $this->aims($id)[0]['line']['lay']['parallel']) !== $was;
                }, 10));
            }
            $right = $lay['parallels'][$at]['offset'];
            // Looking east along the south wall, right is south. It begins with the piece that was touched.
            $flat = $this->aims($id)[0]['line']['flat'];
            $this->stand($n - $right * ($flat[2] > $flat[0] ? 1 : -1), $e);
            $s->see('on the line', 10)->choose('What counts', 'plan only')->press('Measure and store')->see('against design', 15)->press('On along the line');
        }
        $marks = array_slice($this->stakes($id), $before);
        self::assertCount(3, $marks);
        self::assertSame(['line', 'line', 'line'], array_map(static fn (array $m) => $m['aimed']['kind'], $marks));
        self::assertEqualsWithDelta([-0.4572, -0.1524, 0.0, 0.9144], self::sorted([...array_map(static fn (array $m) => $m['aimed']['parallel'], $marks), 0.0], 4), 1e-9);
        self::assertCount(3, array_unique(array_column($marks, 'name')), 'each has a name of its series');
    }

    #[DataProvider('sizes')]
    public function test_a_corner_that_nobody_prepared_in_three_touches(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', $width, $height);
        $before = count($this->stakes($id));
        [$e, $n] = $this->shape($id, 'WALLS', 0);
        $s->boxAround($n, $e, 3.0)->touchPlan($n + 0.03, $e + 0.03)->see('Corner, WALLS')->press('Stake this corner');
        $this->stand($n, $e);
        $s->see('as you hold the pole and face the instrument', 12)->choose('What counts', 'plan only')->press('Measure and store');
        self::assertTrue(Running::until(fn () => count($this->stakes($id)) === $before + 1, 60), $s->text());
        $mark = $this->stakes($id)[$before];
        self::assertSame(['spot', null, 'plan'], [$mark['aimed']['kind'], $mark['pointId'], $mark['judged']]);
        self::assertMatchesRegularExpression('~^S\d+$~', $mark['name']);
        self::assertStringContainsString('layer WALLS', $mark['aimed']['source']);
        self::assertLessThan(0.01, $mark['deviation']['plan']);
        // Its layer hidden, it stays what is staked, and comes back in one touch.
        $s->press('Once more')->press('Layers')->see('Show all')->tick('WALLS');
        self::assertTrue(Running::until(fn () => ! array_column($this->layers($id), 'visible', 'name')['WALLS'], 60));
        $s->see('corner, line on WALLS')->press('As before');
        self::assertTrue(Running::until(fn () => array_column($this->layers($id), 'visible', 'name')['WALLS'], 60));
    }

    #[DataProvider('sizes')]
    public function test_anchors_on_an_uneven_slab_by_a_run_with_two_that_give_no_return(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', $width, $height);
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
        $anchors = array_values(array_filter(self::$parlay->ask('GET', "/projects/$id/points"), static fn (array $p) => str_starts_with($p['name'], 'C3') || str_starts_with($p['name'], 'C2')));
        self::assertCount(8, $anchors);
        $dull = array_map(static fn (array $p) => [$p['northing'], $p['easting']], [$anchors[1], $anchors[6]]);
        $this->puddles($dull);
        $s->press('Only some of the points')->fill('With these words in name, description or layer', 'C')->fill('Names from', 'C2.1')->fill('to', 'C3.4')->see('Show 8 points')->press('Show 8 points');
        $s->see('8 of 106 points')->press('Run over these by itself')->fill('Time to mark, s', '0')->fill('Wait for a return, s', '1');
        $s->tick('Only what is not yet done')->press('Begin the run')->see('The run is over', 60);
        // On an uneven floor one in twenty of the others uses up its tries, too.
        $s->see(' skipped')->see('no return');
        $names = array_column($this->latest($id)['steps'], 'state', 'name');
        self::assertSame(['skipped', 'skipped'], [$names[$anchors[1]['name']], $names[$anchors[6]['name']]]);
        // The floor is dry again: the skipped ones are a run of their own at one touch.
        $this->puddles([]);
        $s->pressStarting('Run over the ')->see('The run is over: ', 60);
        self::assertTrue(Running::until(static fn () => preg_match('~The run is over: \d of [1-5] stored~', $s->text()) === 1, 60), $s->text());
        if (str_contains($s->text(), 'Run over the ')) {
            $s->pressStarting('Run over the ');
        }
        self::assertTrue(Running::until(fn () => count(array_unique(array_intersect(array_column($this->stakes($id), 'name'), array_column($anchors, 'name')))) === 8, 60), $s->text());
        $marks = array_filter($this->stakes($id), static fn (array $m) => in_array($m['name'], array_column($anchors, 'name'), true));
        self::assertCount(8, array_unique(array_column($marks, 'name')));
        $last = $marks[array_key_last($marks)];
        self::assertSame('plan', $last['judged']);
        $s->pressStarting('Dot')->press('Prism');
        self::assertTrue(Running::until(fn () => self::$parlay->ask('GET', "/projects/$id/setup")['draft']['dot'] === false, 60));
    }

    /** Over the ends of the hall's walls, by a box drawn round them: at most eight touches, none of them out of view. */
    #[DataProvider('sizes')]
    public function test_a_run_over_lines_in_a_box(int $width, int $height): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', $width, $height);
        $finger = new Finger($s);
        $corners = array_map(fn (int $i): array => $this->shape($id, 'WALLS', $i), range(0, 7));
        $north = array_merge(...array_map(static fn (array $v) => [$v[1], $v[3]], $corners));
        $east = array_merge(...array_map(static fn (array $v) => [$v[0], $v[2]], $corners));
        $finger->press('Run over lines in a box');
        $s->see('Draw a box on the plan');
        $finger->drag(min($north) - 4.0, min($east) - 4.0, max($north) + 4.0, max($east) + 4.0);
        $s->see('Which are to be run over?');
        $finger->press('WALLS, 8 lines')->press('Begin the run');
        self::assertTrue(Running::until(fn () => count($this->latest($id)['steps'] ?? []) === 16, 30), $s->text());
        $finger->press('Stop');
        self::assertSame(['WALLS 1.1', 'WALLS 1.2', 'WALLS 2.1'], array_column(array_slice($this->latest($id)['steps'], 0, 3), 'name'));
        $s->see('Run over the ', 20);
        self::assertLessThanOrEqual(8, $finger->touches);
        $s->press('Put this away')->pressStarting('Dot')->press('Prism');
        self::assertTrue(Running::until(fn () => self::$parlay->ask('GET', "/projects/$id/setup")['draft']['dot'] === false, 60));
    }

    public function test_after_a_mark_the_lath_is_shown_and_the_next_comes_by_itself(): void
    {
        [$id, $s] = $this->opened('Saltmarsh Yard', 1280, 800);
        self::$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 12]);
        $s->press('On the sheet and after a mark')->choose('After a mark that is in', 'on to the nearest')->tick('Look at what is to be stored')
            ->tick('Show what goes on the lath')->press('Keep these choices');
        self::assertTrue(Running::until(fn () => self::$parlay->ask('GET', "/projects/$id")['staking']['next'] === 'nearest', 60));
        // The page knows it a moment later.
        $s->settle();
        $points = array_column(self::$parlay->ask('GET', "/projects/$id/points"), null, 'name');
        $s->pressStarting('Target: ')->fill('Search by name, code or state; Enter takes the first', 'G7')->pressStarting('G7');
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'atOnce' => true] + array_intersect_key($points['G7'], array_flip(['northing', 'easting', 'elevation'])));
        $s->see('in tolerance', 20)->press('Measure and store')->see('Before storing G7')->fill('Note', 'paint');
        $s->driver->executeScript('[...document.querySelectorAll("[role=dialog] button")].find(b => b.textContent === "Measure and store").click()');
        $s->see('On the lath', 20)->see('G7')->press('Written down')->see('G7 stored')->see('Back to it');
        $mark = $this->stakes($id)[count($this->stakes($id)) - 1];
        self::assertSame(['G7', 'in', 'paint'], [$mark['name'], $mark['verdict'], $mark['note']]);
        self::assertStringNotContainsString('target='.$points['G7']['id'].'&', $s->driver->getCurrentURL().'&', 'the next is the target');
        self::$parlay->ask('PUT', "/projects/$id/staking", ['next' => 'off', 'look' => false, 'lath' => false, 'lathLines' => ['name'], 'figures' => []]);
    }

    /** @return array{int, Screen} */
    private function opened(string $name, int $width, int $height): array
    {
        $id = (int) array_column(self::$parlay->ask('GET', '/projects'), 'id', 'name')[$name];
        $s = new Screen(new Chrome($width, $height), self::$parlay->url);
        $s->open("/p/$id/stake")->see('left');
        if (count($this->latest($id)['steps'] ?? []) > 1) {
            // The card of the run before comes a moment later, and what is below it moves.
            $s->see('The run ');
        }

        return [$id, $s->settle()];
    }

    /**
     * The first values of a shape of a layer: easting and northing of its beginning, and of its end.
     *
     * @return array{float, float, float, float}
     */
    private function shape(int $project, string $layer, int $number): array
    {
        $id = array_column($this->layers($project), 'id', 'name')[$layer];
        $bytes = (string) file_get_contents(self::$parlay->url."/api/v1/projects/$project/layers/$id/shapes");
        /** @var array{1: float, 2: float, 3: float, 4: float, 5: float} $v */
        $v = unpack('e5', $bytes, 80 * $number + 8);

        return [$v[1], $v[2], $v[4], $v[5]];
    }

    /** @return list<array<string, mixed>> */
    private function layers(int $project): array
    {
        return array_merge(...array_column(self::$parlay->ask('GET', "/projects/$project/designs"), 'layers'));
    }

    /** @return list<array<string, mixed>> */
    private function aims(int $project): array
    {
        return self::$parlay->ask('GET', "/projects/$project/aims");
    }

    /** @return list<array<string, mixed>> */
    private function stakes(int $project): array
    {
        return array_values(array_filter(self::$parlay->ask('GET', "/projects/$project/marks"), static fn (array $m) => $m['kind'] === 'stake'));
    }

    /** @return array<string, mixed> */
    private function latest(int $project): array
    {
        return self::$parlay->ask('GET', "/projects/$project/runs")[0] ?? [];
    }

    /** Puts the pole there at once, at the height of the ground where it stands. */
    private function stand(float $northing, float $easting): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'walk', 'northing' => $northing, 'easting' => $easting, 'atOnce' => true]);
    }

    /** @param  list<array{float, float}>  $dull  northing and easting of places that give no return */
    private function puddles(array $dull): void
    {
        self::$parlay->ask('POST', '/practice', ['do' => 'dry']);
        foreach ($dull as [$northing, $easting]) {
            self::$parlay->ask('POST', '/practice', ['do' => 'dull', 'northing' => $northing, 'easting' => $easting]);
        }
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function sorted(array $values, int $count): array
    {
        sort($values);

        return array_slice($values, 0, $count);
    }
}
