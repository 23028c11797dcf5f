<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** The same measured from another setup: how it differs, and whether that is what both let expect. */
final class AgainTest extends SiteTestCase
{
    private function built(int $point, float $north): int
    {
        $reading = $this->measure($this->project, 'as_built', new Position($north, 2030.0, 10.0), 'P1');

        return $this->ask('POST', $this->at('/marks'), [
            'key' => $this->newKey(), 'kind' => 'as_built', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true,
        ])->assertOk()->json('id');
    }

    /** @return array<string, mixed>|null */
    private function again(int $mark): ?array
    {
        return $this->ask('GET', $this->at("/marks/$mark/again"))->assertOk()->json('again');
    }

    public function test_only_another_setup_says_something_and_what_moved_is_seen(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->ask('POST', $this->at('/points'), ['name' => 'P1', 'northing' => 1012.0, 'easting' => 2030.0, 'elevation' => 10.0])->assertOk()->json('id');
        $first = $this->built($point, 1012.0);
        self::assertNull($this->again($first));
        self::assertNull($this->again($this->built($point, 1012.0)), 'the same setup has the same error');
        $this->setUpInstrument($this->project);
        $told = $this->again($this->built($point, 1012.0)) ?? [];
        self::assertSame([1, true], [$told['setupNumber'], $told['agrees']]);
        self::assertLessThan($told['expectedPlan'], $told['difference']['plan'] / 1.3);
        self::assertLessThan(0.02, $told['meanPlan']);
        self::assertLessThan($told['expectedPlan'], $told['meanPlan']);
        self::assertEqualsWithDelta(1012.0, $told['mean']['northing'], 0.01);
        $moved = $this->again($this->built($point, 1012.06)) ?? [];
        self::assertFalse($moved['agrees']);
        self::assertEqualsWithDelta(0.06, $moved['difference']['northing'], 0.015);
        $this->ask('GET', $this->at('/marks/999/again'))->assertStatus(404);
        $other = $this->project();
        $this->ask('GET', "/projects/{$other->id}/marks/$first/again")->assertStatus(404);
    }
}
