<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

use App\Control\Models\ControlPoint;
use App\Setups\Models\Setup;

/** Check shots through the day: what they are judged by, and what is said of the setup. */
final class CheckShotsTest extends SetupTestCase
{
    public function test_checks_are_judged_against_what_is_to_be_expected_and_a_light_knock_is_noticed(): void
    {
        $this->setUpInstrument($this->project);
        self::assertStringContainsString('before the first mark', $this->ask('GET', $this->at('/checks'))->json('due'));
        $this->check('D');
        $good = $this->ask('GET', $this->at('/checks'))->assertJsonPath('holds', true)->assertJsonPath('due', null)->json('checks.0');
        self::assertGreaterThan($good['shot']['plan'] / 2, $good['shot']['expectedPlan']);
        $this->world->knock(false);
        $this->check('D');
        $this->ask('GET', $this->at('/checks'))->assertJsonPath('holds', false)->assertJsonPath('checks.1.shot.holds', false);
        self::assertStringContainsString('no longer holds', $this->ask('GET', $this->at('/checks'))->json('verdict'));
    }

    public function test_a_clean_setup_is_seldom_called_broken_by_a_check(): void
    {
        $broken = 0;
        foreach (range(1, 12) as $try) {
            $this->setUpInstrument($this->project);
            $this->check('D');
            $broken += $this->ask('GET', $this->at('/checks'))->json('holds') ? 0 : 1;
        }
        self::assertLessThanOrEqual(2, $broken);
    }

    public function test_a_mark_is_offered_that_the_setup_did_not_use_and_never_the_one_stood_on(): void
    {
        $this->ask('GET', $this->at('/checks'))->assertJsonPath('offered', null);
        $this->setUpInstrument($this->project);
        $names = array_column($this->ask('GET', $this->at('/control'))->json(), 'name', 'id');
        $station = Setup::current($this->project)->firstOrFail();
        $used = array_column(array_filter($station->found()->residuals, static fn ($r) => $r->isUsed()), 'name');
        self::assertNotSame([], $used);
        $offered = fn (): string => $names[$this->ask('GET', $this->at('/checks'))->json('offered')];
        $first = $offered();
        self::assertNotContains($first, $used);
        self::assertNotSame($station->station_name, $first);
        $this->check($first);
        self::assertNotSame($station->station_name, $offered());
        // The setup's own station is control from now on, and comes last: the tripod stands over it.
        self::assertNotNull(ControlPoint::of($this->project)->where('origin', 'station')->first());
        // A fresh mark, sighted by nobody, comes before the one that was just checked.
        ControlPoint::of($this->project)->create([
            'name' => 'NEW', 'code' => '', 'description' => '', 'northing' => 0.0, 'easting' => 0.0, 'elevation' => null,
            'origin' => 'listed', 'source' => 'typed', 'held_fixed' => true,
        ]);
        $names = array_column($this->ask('GET', $this->at('/control'))->json(), 'name', 'id');
        self::assertSame('NEW', $names[$this->ask('GET', $this->at('/checks'))->json('offered')]);
    }
}
