<?php

declare(strict_types=1);

namespace Tests\Feature\Instrument;

use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** Instruments and targets of a project, and readings that arrive from one. */
final class EquipmentTest extends FeatureTestCase
{
    private Project $project;

    protected function setUp(): void
    {
        parent::setUp();
        $this->project = $this->project();
    }

    private function at(string $path): string
    {
        return "/projects/{$this->project->id}$path";
    }

    public function test_what_an_instrument_can_do_is_kept_and_of_two_changes_the_later_is_told(): void
    {
        $mine = $this->ask('POST', $this->at('/instruments'), ['name' => 'Blue one', 'directionSeconds' => 1.0, 'distanceMillimetres' => 0.6, 'distancePpm' => 1.0])->assertOk()->json();
        self::assertSame([1.0, 2.0, 0.6, 1.0], array_map(floatval(...), [$mine['directionSeconds'], $mine['zenithSeconds'], $mine['distanceMillimetres'], $mine['distancePpm']]));
        $seen = array_diff_key($mine, ['id' => 1]);
        $this->ask('PUT', $this->at("/instruments/{$mine['id']}"), ['directionSeconds' => 3.0, 'seen' => $seen] + $seen)->assertOk();
        $this->ask('PUT', $this->at("/instruments/{$mine['id']}"), ['directionSeconds' => 5.0, 'seen' => $seen] + $seen)->assertStatus(422)->assertSee('meanwhile');
        self::assertEquals(3.0, $this->ask('GET', $this->at('/instruments'))->json('0.directionSeconds'));
        $this->ask('DELETE', $this->at("/instruments/{$mine['id']}"))->assertStatus(204);
        self::assertSame([], $this->ask('GET', $this->at('/instruments'))->json());
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('impossible')]
    public function test_what_no_instrument_or_target_is_is_refused_and_nothing_is_kept(string $kind, array $body, string $says): void
    {
        self::assertStringContainsString($says, (string) $this->ask('POST', $this->at("/$kind"), $body)->assertStatus(422)->content());
        self::assertNotContains($body['name'], array_column($this->ask('GET', $this->at("/$kind"))->json(), 'name'));
    }

    /** @return array<string, array{string, array<string, mixed>, string}> */
    public static function impossible(): array
    {
        return [
            'angles of nothing' => ['instruments', ['name' => 'X', 'directionSeconds' => 0.0], 'irection'],
            'no name' => ['instruments', ['name' => '  '], 'name'],
            'a pole of seven metres' => ['targets', ['name' => 'X', 'height' => 7.0], 'target height'],
            'a constant of half a metre' => ['targets', ['name' => 'X', 'prismConstant' => 0.5], 'constant'],
        ];
    }

    public function test_a_reading_goes_into_the_book_as_it_was_read_and_once_with_its_key(): void
    {
        $this->site($this->project);
        $mark = $this->world->marks['A'];
        $instruction = $this->instruction($this->project, 'setup', 'A', []);
        $one = $this->arrives($instruction, $mark);
        self::assertSame($one->id, $this->arrives($instruction, new Position($mark->northing + 5.0, $mark->easting, $mark->elevation))->id, 'the same order is one reading');
        $book = $this->ask('GET', $this->at('/field-book'))->json();
        self::assertCount(1, $book);
        self::assertSame(['A', 2.0, 'setup'], [$book[0]['reading']['sighted'], (float) $book[0]['reading']['targetHeight'], $book[0]['reading']['purpose']]);
        self::assertEqualsWithDelta([$one->circle, $one->zenith, $one->slope], [$book[0]['reading']['circle'], $book[0]['reading']['zenith'], $book[0]['reading']['slope']], 1e-9);
    }
}
