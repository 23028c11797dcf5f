<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use Parlay\Core\Geometry\Position;
use Tests\Feature\SiteTestCase;

/** Before anything is marked: whether its tolerance can be proven from where one stands. */
final class ProvableTest extends SiteTestCase
{
    private function point(string $name, string $code = '', ?float $elevation = 10.0): int
    {
        return $this->ask('POST', $this->at('/points'), ['name' => $name, 'northing' => 1010.0, 'easting' => 2030.0, 'elevation' => $elevation, 'code' => $code])->assertOk()->json('id');
    }

    public function test_what_is_said_before_is_what_the_mark_says_after(): void
    {
        $point = $this->point('P1');
        self::assertNull($this->ask('GET', $this->at("/provable?target=$point"))->assertOk()->json('best'), 'nothing is set up');
        $this->setUpInstrument($this->project);
        $best = $this->ask('GET', $this->at("/provable?target=$point"))->assertOk()->json('best');
        self::assertSame([0.005, 0.005, 0.95], [$best['planTolerance'], $best['heightTolerance'], $best['level']]);
        $reading = $this->measure($this->project, 'stake', new Position(1010.0, 2030.0, 10.0), 'P1');
        $mark = $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'stake', 'pointId' => $point, 'observationId' => $reading->id, 'withoutCheck' => true, 'evenOut' => true])->assertOk()->json();
        self::assertEqualsWithDelta([$mark['conformance']['planUncertain'], $mark['conformance']['heightUncertain']], [$best['planUncertain'], $best['heightUncertain']], 1e-5);
        self::assertGreaterThanOrEqual(min($mark['conformance']['plan'], $mark['conformance']['height']) - 1e-4, $best['probability'], 'no mark proves more than one at its design');
        self::assertSame($best['probability'] >= 0.95, $best['provable']);
    }

    public function test_a_code_of_its_own_tolerance_is_held_to_that(): void
    {
        $this->setUpInstrument($this->project);
        $this->ask('POST', $this->at('/codes'), ['code' => 'FINE', 'planTolerance' => 0.001])->assertOk();
        $this->ask('POST', $this->at('/codes'), ['code' => 'COARSE', 'planTolerance' => 0.05, 'heightTolerance' => 0.05])->assertOk();
        $fine = $this->ask('GET', $this->at('/provable?target='.$this->point('F', 'FINE')))->assertOk()->json('best');
        self::assertSame([0.001, false], [$fine['planTolerance'], $fine['provable']]);
        $coarse = $this->ask('GET', $this->at('/provable?target='.$this->point('C', 'COARSE')))->json('best');
        self::assertTrue($coarse['provable']);
        self::assertSame($fine['planUncertain'], $coarse['planUncertain'], 'it is the same place');
        $flat = $this->ask('GET', $this->at('/provable?target='.$this->point('N', 'COARSE', null)))->json('best');
        self::assertNull($flat['heightUncertain']);
        $only = $this->ask('GET', $this->at('/provable?judged=height&target='.$this->point('H', 'COARSE')))->json('best');
        self::assertSame([null, true], [$only['planUncertain'], $only['provable']]);
    }

    public function test_of_another_project_nothing_is_said(): void
    {
        $this->setUpInstrument($this->project);
        $point = $this->point('P1');
        $other = $this->project();
        $this->ask('GET', "/projects/{$other->id}/provable?target=$point")->assertNotFound();
        self::assertNull($this->ask('GET', $this->at('/provable'))->assertOk()->json('best'));
    }
}
