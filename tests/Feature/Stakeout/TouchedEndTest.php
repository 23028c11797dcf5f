<?php

declare(strict_types=1);

namespace Tests\Feature\Stakeout;

use App\Projects\Models\Project;
use App\Stakeout\Models\KeptAim;
use Illuminate\Support\Facades\DB;
use Tests\FeatureTestCase;

/** A line begins at the end that was touched: of a closed outline, the end of the piece that was touched, in the computations as when it is staked. */
final class TouchedEndTest extends FeatureTestCase
{
    private Project $project;

    private int $layer;

    /** Four lines and an arc: corners 1 (0,0), 2 (0,40), 3 (30,40), 4 (30,20), 5 (30,0) as northing, easting; the arc from 5 back to 1 bulges to the west. */
    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        $line = static fn (float $n1, float $e1, float $n2, float $e2) => "0\nLINE\n8\nO\n10\n$e1\n20\n$n1\n11\n$e2\n21\n$n2\n";
        $dxf = "0\nSECTION\n2\nENTITIES\n".$line(0, 0, 0, 40).$line(0, 40, 30, 40).$line(30, 40, 30, 20).$line(30, 20, 30, 0)
            ."0\nARC\n8\nO\n10\n0\n20\n15\n40\n15\n50\n90\n51\n270\n0\nENDSEC\n0\nEOF\n";
        $task = $this->ask('POST', "/projects/{$this->project->id}/designs", [
            'upload' => $this->upload($this->project, $dxf, 'o.dxf'), 'name' => 'O', 'unit' => 'm', 'layers' => ['O'], 'heights' => 'dropped',
        ])->json('id');
        $this->ask('GET', "/projects/{$this->project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $this->layer = (int) DB::table('design_layers')->value('id');
    }

    /** @return array{float, float} the place so far along the line, as a computation has it */
    private function along(int $shape, array $near, float $distance, bool $connected = true): array
    {
        $made = $this->ask('POST', "/projects/{$this->project->id}/constructions-preview", ['construction' => [
            'kind' => 'along', 'chain' => [
                'shapes' => [['layerId' => $this->layer, 'shape' => $shape]], 'connected' => $connected, 'nearNorthing' => $near[0], 'nearEasting' => $near[1],
            ], 'distances' => [['metres' => $distance]],
        ]])->assertOk()->json();
        $place = $made['solutions'][0]['places'][0]['position'] ?? $made['solutions'][0]['places'][0];

        return [round((float) $place['northing'], 6), round((float) $place['easting'], 6)];
    }

    public function test_a_closed_outline_begins_at_the_end_of_the_piece_that_was_touched(): void
    {
        // On the arc, near corner 1: along the arc away from it.
        [$n, $e] = $this->along(4, [0.5, -3.0], 1.0);
        self::assertLessThan(1.0, hypot($n, $e));
        self::assertLessThan(0.0, $e);
        // On the arc, near corner 5.
        [$n, $e] = $this->along(4, [29.0, -4.0], 1.0);
        self::assertLessThan(1.0, hypot($n - 30, $e));
        self::assertLessThan(0.0, $e);
        // The piece from 2 to 3, near 3, and near 2.
        self::assertSame([20.0, 40.0], $this->along(1, [28.0, 40.0], 10.0));
        self::assertSame([10.0, 40.0], $this->along(1, [3.0, 40.0], 10.0));
        // Alone, without what runs on from it, likewise.
        self::assertSame([20.0, 40.0], $this->along(1, [28.0, 40.0], 10.0, false));
    }

    public function test_it_is_staked_so_too_and_touched_again_begins_at_its_other_end(): void
    {
        $take = fn (array $near): array => $this->ask('POST', "/projects/{$this->project->id}/aims", [
            'key' => $this->newKey().'-touch', 'line' => ['shapes' => [['layerId' => $this->layer, 'shape' => 1]], 'connected' => true],
            'nearNorthing' => $near[0], 'nearEasting' => $near[1],
        ])->assertOk()->json();
        $first = $take([28.0, 40.0]);
        self::assertSame([30.0, 40.0], [(float) $first['line']['start']['northing'], (float) $first['line']['start']['easting']]);
        $again = $take([3.0, 40.0]);
        self::assertSame($first['id'], $again['id'], 'it is the same line');
        self::assertSame([0.0, 40.0], [(float) $again['line']['start']['northing'], (float) $again['line']['start']['easting']]);
        self::assertGreaterThan($first['version'], $again['version'], 'what was measured from its old start is no evidence for this one');
        self::assertSame($again['version'], $take([2.0, 40.0])['version']);
    }

    /** What was put away comes back when it is asked for again, and looking changes nothing. */
    public function test_corners_come_back_and_a_look_writes_nothing(): void
    {
        $take = fn (): array => $this->ask('POST', "/projects/{$this->project->id}/aims", [
            'key' => $this->newKey().'-touch', 'line' => ['shapes' => [['layerId' => $this->layer, 'shape' => 1]], 'connected' => true],
            'nearNorthing' => 28.0, 'nearEasting' => 40.0, 'corners' => true,
        ])->assertOk()->json();
        $line = $take();
        $aims = fn (): array => array_column($this->ask('GET', "/projects/{$this->project->id}/aims")->assertOk()->json(), null, 'id');
        $corners = array_filter($aims(), static fn (array $a) => $a['kind'] === 'place');
        self::assertCount(5, $corners);
        foreach ([$line, ...$corners] as $aim) {
            $this->ask('PATCH', "/projects/{$this->project->id}/aims/{$aim['id']}", ['version' => $aim['version'], 'putAway' => true])->assertOk();
        }
        self::assertSame([], $aims());
        $take();
        self::assertCount(6, $aims());
        // Something is prepared: a look at what is staked does not write, and touched again it is the same line.
        $this->ask('POST', "/projects/{$this->project->id}/codes", ['code' => 'MH', 'trade' => 'Drainage'])->assertOk();
        $before = KeptAim::query()->toBase()->get()->all();
        $aims();
        self::assertEquals($before, KeptAim::query()->toBase()->get()->all());
        self::assertSame($line['id'], $take()['id']);
    }
}
