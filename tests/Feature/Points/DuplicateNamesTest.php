<?php

declare(strict_types=1);

namespace Tests\Feature\Points;

use App\Points\Models\StakeoutPoint;
use PHPUnit\Framework\Attributes\DataProvider;

/** Names that are taken, or given twice: nothing is decided silently. */
final class DuplicateNamesTest extends PointsTestCase
{
    /**
     * @param  list<string>  $names
     * @param  list<float>  $northings
     */
    #[DataProvider('rules')]
    public function test_a_name_that_is_taken_is_never_decided_silently(string $rule, array $names, array $northings): void
    {
        $project = $this->project();
        $this->import($project, "Name,N,E\nA,1,2\nB,3,4\n")->assertOk();
        $second = "Name,N,E\nB,30,40\nC,5,6\nC,50,60\n";
        self::assertSame('duplicates', $this->import($project, $second)->assertStatus(409)->json('reason'));
        self::assertSame(2, StakeoutPoint::of($project)->count());
        $this->import($project, $second, ['duplicates' => $rule])->assertOk();
        $points = StakeoutPoint::of($project)->orderBy('id')->get();
        self::assertSame([$names, $northings], [$points->pluck('name')->all(), $points->pluck('northing')->all()]);
        $this->ask('POST', "/projects/{$project->id}/undo");
        self::assertSame([1.0, 3.0], StakeoutPoint::of($project)->orderBy('id')->pluck('northing')->all());
        $this->ask('POST', "/projects/{$project->id}/redo");
        self::assertSame($northings, StakeoutPoint::of($project)->orderBy('id')->pluck('northing')->all());
    }

    public static function rules(): array
    {
        return [
            'pair' => ['pair', ['A', 'B', 'B', 'C', 'C'], [1.0, 3.0, 30.0, 5.0, 50.0]],
            'rename' => ['rename', ['A', 'B', 'B-2', 'C', 'C-2'], [1.0, 3.0, 30.0, 5.0, 50.0]],
            'replace' => ['replace', ['A', 'B', 'C'], [1.0, 30.0, 50.0]],
            'skip' => ['skip', ['A', 'B', 'C'], [1.0, 3.0, 5.0]],
        ];
    }

    public function test_two_control_points_never_share_a_name(): void
    {
        $project = $this->project();
        $this->import($project, "Name,N,E\nA,1,2\n", ['target' => 'control'])->assertOk();
        self::assertStringContainsString('nobody could say which was sighted', (string) $this
            ->import($project, "Name,N,E\nA,3,4\n", ['target' => 'control', 'duplicates' => 'pair'])
            ->assertStatus(422)
            ->json('message'));
    }

    public function test_a_name_that_is_taken_or_given_twice_renames_nothing(): void
    {
        $project = $this->withPoints([['A', 0, 0], ['B', 0, 10], ['C', 0, 20]]);
        $ids = $this->ids($project, ['A', 'B']);
        self::assertSame(
            ['C'],
            $this->ask('POST', "/projects/{$project->id}/renaming-preview", ['ids' => $ids, 'pattern' => 'C'])->assertOk()->json('taken'),
        );
        self::assertStringContainsString('“C”', (string) $this
            ->ask('POST', "/projects/{$project->id}/renaming", ['ids' => $ids, 'pattern' => 'C'])
            ->assertStatus(422)
            ->json('message'));
        self::assertStringContainsString('have changed', (string) $this
            ->ask('POST', "/projects/{$project->id}/renaming", ['ids' => $ids, 'pattern' => 'D{name}', 'expected' => ['DA', 'DX']])
            ->assertStatus(422)
            ->json('message'));
        self::assertStringContainsString('needs a name', (string) $this
            ->ask('POST', "/projects/{$project->id}/renaming-preview", ['ids' => $ids, 'pattern' => ' '])
            ->assertStatus(422)
            ->json('message'));
        self::assertSame(['A', 'B', 'C'], StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all());
    }

    public function test_two_ends_that_arrived_with_one_name_get_endings_of_their_own(): void
    {
        $project = $this->withPoints([['R1', 0, 0], ['R1', 0, 4], ['R2', 5, 0], ['R2', 5, 4], ['<b>"ü', 9, 9]]);
        $rule = [
            'ids' => StakeoutPoint::of($project)->orderBy('id')->pluck('id')->all(), 'pattern' => 'Ring {number}', 'digits' => 2,
            'endings' => [' left', ' right'],
        ];
        self::assertSame(5, $this->ask('POST', "/projects/{$project->id}/renaming", $rule)->assertOk()->json('count'));
        self::assertSame(
            ['Ring 01 left', 'Ring 01 right', 'Ring 02 left', 'Ring 02 right', 'Ring 03 left'],
            StakeoutPoint::of($project)->orderBy('id')->pluck('name')->all(),
        );
    }
}
