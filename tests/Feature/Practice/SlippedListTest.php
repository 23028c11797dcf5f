<?php

declare(strict_types=1);

namespace Tests\Feature\Practice;

use App\Projects\Models\Project;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** The list with a slip in it that a learner brings in: one figure wrong, all else as it is. */
final class SlippedListTest extends FeatureTestCase
{
    private const CONTROL = ['A' => [1234.567, 2000.0], 'B' => [1060.0, 2015.0], 'C' => [-1030.25, 2090.0]];

    private Project $project;

    /** @var array<string, int> */
    private array $ids = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
        foreach (self::CONTROL as $name => [$n, $e]) {
            $this->ids[$name] = $this->ask('POST', "/projects/{$this->project->id}/control", [
                'name' => $name, 'northing' => $n, 'easting' => $e, 'elevation' => 10.0, 'evenDoubtful' => true,
            ])->assertOk()->json('id');
        }
    }

    /** @return array<string, list<string>> by name: northing and easting as written */
    private function list(string $slip, int $control): array
    {
        $rows = [];
        $text = (string) $this->get("/api/v1/projects/{$this->project->id}/practice-list?slip=$slip&controlId=$control")->assertOk()->streamedContent();
        foreach (array_filter(explode("\n", trim($text))) as $line) {
            $cells = str_getcsv($line, ',', '"', '');
            $rows[$cells[0]] = [$cells[1], $cells[2]];
        }

        return $rows;
    }

    /** @return array<string, array{string, string, array<string, list<float>>}> */
    public static function slips(): array
    {
        return [
            'a digit' => ['digit', 'A', ['A' => [1239.567, 2000.0]]],
            'two neighbours exchanged' => ['neighbours', 'A', ['A' => [1243.567, 2000.0]]],
            'a zero too many' => ['zero', 'A', ['A' => [12340.567, 2000.0]]],
            'coordinates exchanged' => ['exchanged', 'B', ['B' => [2015.0, 1060.0]]],
            'names exchanged with the next' => ['names', 'B', ['B' => [-1030.25, 2090.0], 'C' => [1060.0, 2015.0]]],
            'names exchanged at the end' => ['names', 'C', ['C' => [1234.567, 2000.0], 'A' => [-1030.25, 2090.0]]],
            'south of the origin' => ['digit', 'C', ['C' => [-1035.25, 2090.0]]],
        ];
    }

    /** @param  array<string, list<float>>  $wrong */
    #[DataProvider('slips')]
    public function test_one_line_is_wrong_and_the_others_are_right(string $slip, string $at, array $wrong): void
    {
        $list = $this->list($slip, $this->ids[$at]);
        foreach (self::CONTROL as $name => $right) {
            self::assertEqualsWithDelta($wrong[$name] ?? $right, array_map(floatval(...), $list[$name]), 1e-9, $name);
        }
    }

    public function test_a_point_of_another_project_is_none_of_the_list(): void
    {
        $other = $this->project();
        $this->ask('GET', "/projects/{$other->id}/practice-list?slip=digit&controlId={$this->ids['A']}")->assertStatus(422)->assertSee('not on the list');
    }
}
