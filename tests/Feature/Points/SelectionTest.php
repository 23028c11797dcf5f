<?php

declare(strict_types=1);

namespace Tests\Feature\Points;

use App\Points\Models\StakeoutPoint;

/** What is done with points that were chosen: renamed, moved, fitted, coded, put into worklists. */
final class SelectionTest extends PointsTestCase
{
    public function test_points_are_renamed_by_rule_as_it_was_shown_and_undone_in_one_step(): void
    {
        $project = $this->withPoints([['W3', 0, 30], ['W1', 0, 10], ['W2', 0, 20], ['X', 5, 5]]);
        $ids = $this->ids($project, ['W1', 'W2', 'W3']);
        $rule = ['ids' => $ids, 'pattern' => 'N{number}', 'from' => 9, 'digits' => 2, 'order' => 'westToEast'];
        $shown = $this->ask('POST', "/projects/{$project->id}/renaming-preview", $rule)->assertOk()->json();
        self::assertSame([['W1', 'W2', 'W3'], ['N09', 'N10', 'N11'], []], [$shown['before'], $shown['after'], $shown['taken']]);
        self::assertSame(
            3,
            $this->ask('POST', "/projects/{$project->id}/renaming", $rule + ['expected' => $shown['after']])->assertOk()->json('count'),
        );
        self::assertSame(['N11', 'N09', 'N10', 'X'], StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all());
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertSame(['W3', 'W1', 'W2', 'X'], StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all());
        $this->ask('POST', "/projects/{$project->id}/redo")->assertOk();
        self::assertSame('N11', StakeoutPoint::of($project)->orderBy('id')->value('name'));
    }

    public function test_points_are_moved_turned_mirrored_and_scaled_with_the_way_back(): void
    {
        $project = $this->withPoints([['A', 100, 200], ['B', 110, 200], ['C', 100, 220]]);
        [$a, $b] = $ids = $this->ids($project, ['A', 'B']);
        $at = fn (string $name): array => (array) StakeoutPoint::of($project)->where('name', $name)->toBase()->first(['northing', 'easting']);
        $move = fn (array $how, string $do = 'moving') => $this->ask('POST', "/projects/{$project->id}/$do", ['ids' => $ids] + $how);
        $turn = [
            'kind' => 'rotate', 'about' => ['pointId' => $a],
            'directionNow' => ['from' => ['pointId' => $a], 'to' => ['pointId' => $b]], 'directionWanted' => ['azimuth' => M_PI_2],
        ];
        $shown = $move($turn, 'moving-preview')->assertOk()->json();
        self::assertSame(2, $shown['count']);
        self::assertEqualsWithDelta([200.0, 100.0, 210.0, 100.0, sqrt(200)], [...$shown['places'], $shown['farthest']], 1e-9);
        self::assertEqualsWithDelta(['northing' => 110.0, 'easting' => 200.0], $at('B'), 1e-12, 'a preview moves nothing');
        $move($turn)->assertOk();
        self::assertEqualsWithDelta(['northing' => 100.0, 'easting' => 210.0], $at('B'), 1e-9);
        $move(['kind' => 'shift', 'from' => ['pointId' => $a], 'to' => ['northing' => 0, 'easting' => 0]])->assertOk();
        self::assertEqualsWithDelta(['northing' => 0.0, 'easting' => 10.0], $at('B'), 1e-9);
        $move(
            ['kind' => 'mirror', 'line' => ['from' => ['northing' => 0, 'easting' => 5], 'to' => ['northing' => 9, 'easting' => 5]]],
        )->assertOk();
        self::assertEqualsWithDelta(['northing' => 0.0, 'easting' => 0.0], $at('B'), 1e-9);
        $move(['kind' => 'scale', 'about' => ['northing' => 0, 'easting' => 0], 'factor' => 0])->assertStatus(422);
        $move(['kind' => 'scale', 'about' => ['northing' => 0, 'easting' => 0], 'factor' => 1.1])->assertOk();
        self::assertEqualsWithDelta(['northing' => 0.0, 'easting' => 11.0], $at('A'), 1e-9);
        self::assertEqualsWithDelta(['northing' => 100.0, 'easting' => 220.0], $at('C'), 1e-12, 'what was not chosen stays');
        foreach (range(1, 4) as $step) {
            $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        }
        self::assertEqualsWithDelta(['northing' => 110.0, 'easting' => 200.0], $at('B'), 1e-12);
        self::assertSame('typed', StakeoutPoint::of($project)->findOrFail($b)->origin);
    }

    public function test_a_fit_shows_its_residuals_and_names_the_pair_that_does_not_belong(): void
    {
        $project = $this->withPoints([['A', 0, 0], ['B', 0, 50], ['C', 40, 50], ['D', 40, 0], ['E', 20, 25]]);
        $ids = $this->ids($project, ['A', 'B', 'C', 'D', 'E']);
        $to = [[10, 100], [10, 150], [50, 150.3], [50, 100], [30, 125]];
        $pairs = array_map(
            static fn (int $id, array $p) => ['from' => ['pointId' => $id], 'to' => ['northing' => $p[0], 'easting' => $p[1]]], $ids,
            $to,
        );
        $fit = ['ids' => $ids, 'kind' => 'fit', 'pairs' => $pairs];
        $shown = $this->ask('POST', "/projects/{$project->id}/moving-preview", $fit)->assertOk()->json();
        self::assertSame(2, $shown['outlier']);
        $fit['pairs'][2]['used'] = false;
        $shown = $this->ask('POST', "/projects/{$project->id}/moving-preview", $fit)->json();
        self::assertEqualsWithDelta([0.0, 0.0, 0.3, 0.0, 0.0], $shown['residuals'], 1e-9);
        self::assertEqualsWithDelta([1.0, null], [$shown['scale'], $shown['outlier']], 1e-12);
        $this->ask('POST', "/projects/{$project->id}/moving", $fit)->assertOk();
        self::assertEqualsWithDelta(150.0, StakeoutPoint::of($project)->where('name', 'C')->value('easting'), 1e-9);
        self::assertStringContainsString('at least 3 pairs', (string) $this
            ->ask('POST', "/projects/{$project->id}/moving-preview", ['fit' => 'affine', 'pairs' => array_slice($pairs, 0, 2)] + $fit)
            ->assertStatus(422)
            ->json('message'));
    }

    public function test_elevations_and_codes_for_a_selection(): void
    {
        $project = $this->withPoints([['A', 0, 0], ['B', 0, 50], ['C', 0, 100]]);
        [$a, $b, $c] = $this->ids($project, ['A', 'B', 'C']);
        $this
            ->ask('PUT', "/projects/{$project->id}/points/$a", ['name' => 'A', 'northing' => 0, 'easting' => 0, 'elevation' => 10])
            ->assertOk();
        $this
            ->ask('PUT', "/projects/{$project->id}/points/$c", ['name' => 'C', 'northing' => 0, 'easting' => 100, 'elevation' => 12])
            ->assertOk();
        $elevations = fn (array $rule) => $this->ask('POST', "/projects/{$project->id}/elevations", ['ids' => [$b], 'elevation' => $rule]);
        $elevations(['rule' => 'between', 'from' => ['pointId' => $a], 'to' => ['pointId' => $c]])->assertOk();
        self::assertSame(11.0, StakeoutPoint::of($project)->findOrFail($b)->elevation);
        $elevations(['rule' => 'grade', 'value' => -0.02, 'from' => ['pointId' => $c]])->assertOk();
        self::assertEqualsWithDelta(11.0, StakeoutPoint::of($project)->findOrFail($b)->elevation, 1e-12);
        $elevations(['rule' => 'none'])->assertOk();
        self::assertNull(StakeoutPoint::of($project)->findOrFail($b)->elevation);
        self::assertStringContainsString(
            'has none itself',
            (string) $elevations(['rule' => 'difference', 'from' => ['pointId' => $b]])->assertStatus(422)->json('message'),
        );
        self::assertSame(
            2,
            $this->ask('POST', "/projects/{$project->id}/codes-setting", ['ids' => [$a, $b], 'code' => 'MH'])->assertOk()->json('count'),
        );
        $this->ask(
            'POST', "/projects/{$project->id}/codes",
            ['code' => 'MH', 'colour' => '#2255aa', 'trade' => 'Drainage', 'planTolerance' => 0.05],
        )->assertOk();
        $this->ask('POST', "/projects/{$project->id}/codes", ['code' => 'MH', 'colour' => 'blue'])->assertStatus(422);
        self::assertSame(['MH', 'Drainage', 0.05], array_values(array_intersect_key(
            $this->ask('GET', "/projects/{$project->id}/codes")->json(0), ['code' => 0, 'trade' => 0, 'planTolerance' => 0],
        )));
    }

    public function test_of_two_who_change_one_point_the_later_is_told_and_a_pair_may_keep_its_name(): void
    {
        $project = $this->withPoints([['R1', 0, 0], ['R1', 0, 4]]);
        $point = $this->ask('GET', "/projects/{$project->id}/points")->json(0);
        $seen = array_intersect_key($point, array_flip(['name', 'northing', 'easting', 'elevation', 'code', 'description']));
        $change = fn (array $values, array $seen) => $this->ask(
            'PUT', "/projects/{$project->id}/points/{$point['id']}", ['seen' => $seen] + $values + $seen,
        );
        $change(['code' => 'RING', 'attributes' => [['name' => 'Bolt class', 'value' => '8.8 "ü" <b>']]], $seen)->assertOk();
        self::assertSame('{"Bolt class":"8.8 \"ü\" <b>"}', json_encode(
            json_decode((string) $this->ask('GET', "/projects/{$project->id}/points")->json('0.attributes'), true),
            JSON_UNESCAPED_UNICODE,
        ));
        self::assertStringContainsString('changed elsewhere', (string) $change(['code' => 'X'], $seen)->assertStatus(422)->json('message'));
        self::assertSame('RING', StakeoutPoint::of($project)->findOrFail($point['id'])->code);
        $change(['attributes' => [['name' => ' ', 'value' => '1']]], ['code' => 'RING'] + $seen)->assertStatus(422);
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertNull($this->ask('GET', "/projects/{$project->id}/points")->json('0.attributes'));
    }

    public function test_worklists_keep_their_order_and_a_later_tab_is_told(): void
    {
        $project = $this->withPoints([['A', 0, 0], ['B', 0, 50], ['C', 0, 10], ['D', 0, 30]]);
        [$a, $b, $c, $d] = $this->ids($project, ['A', 'B', 'C', 'D']);
        $list = $this
            ->ask('POST', "/projects/{$project->id}/worklists", ['name' => 'Monday', 'pointIds' => [$a, $b, $c, $d, $a, 999]])
            ->assertOk()
            ->json();
        self::assertSame([$a, $b, $c, $d], $list['pointIds'], 'each once, and none that is not there');
        $walk = $this->ask(
            'POST', "/projects/{$project->id}/walk",
            ['pointIds' => $list['pointIds'], 'kind' => 'shortWalk', 'from' => ['pointId' => $a]],
        )->assertOk()->json();
        self::assertSame([$a, $c, $d, $b], $walk['pointIds']);
        self::assertEqualsWithDelta(50.0, $walk['length'], 1e-9);
        $change = fn (array $ids, array $expected) => $this->ask(
            'PUT', "/projects/{$project->id}/worklists/{$list['id']}",
            ['name' => 'Monday', 'pointIds' => $ids, 'expected' => $expected],
        );
        $change($walk['pointIds'], $list['pointIds'])->assertOk();
        self::assertStringContainsString(
            'changed elsewhere', (string) $change([$a], $list['pointIds'])->assertStatus(422)->json('message'),
        );
        self::assertStringContainsString('changed elsewhere', (string) $change([$a], [])->assertStatus(422)->json('message'), 'an empty list says that there was nothing');
        $this->ask('POST', "/projects/{$project->id}/worklists", ['name' => ' Monday ', 'pointIds' => []])->assertStatus(422);
        $nearest = fn () => $this
            ->ask('POST', "/projects/{$project->id}/next-open", ['northing' => 0, 'easting' => 1, 'list' => $list['id']])
            ->assertOk()
            ->json();
        self::assertSame($a, $nearest()['pointId']);
        self::assertSame(
            [$a],
            $this->ask('POST', "/projects/{$project->id}/worklists/{$list['id']}/skipping", ['pointId' => $a])->assertOk()->json('skipped'),
        );
        self::assertSame([$c, 3], array_slice(array_values($nearest()), 0, 2), 'what is skipped is not offered');
        self::assertSame([], $this
            ->ask('POST', "/projects/{$project->id}/worklists/{$list['id']}/skipping", ['pointId' => $a, 'skipped' => false])
            ->assertOk()
            ->json('skipped'));
        $this->ask('POST', "/projects/{$project->id}/undo")->assertOk();
        self::assertSame([$a, $b, $c, $d], $this->ask('GET', "/projects/{$project->id}/worklists")->json('0.pointIds'));
    }
}
