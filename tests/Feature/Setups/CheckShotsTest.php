<?php

declare(strict_types=1);

namespace Tests\Feature\Setups;

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
}
