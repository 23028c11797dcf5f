<?php

declare(strict_types=1);

namespace Tests\Feature\Running;

use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\FeatureTestCase;

/** Long lists are read in parts, all of them in one way. */
final class PagesTest extends FeatureTestCase
{
    use FillsLists;

    /** Lists of what was computed, found or offered just now, and never of more than a screen shows. */
    private const SHORT = ['sighted-marks', 'builds', 'runs', 'proposals', 'built-parts', 'setup-proposals', 'projects', 'instruments', 'targets', '{alignment}/surfaces'];

    public function test_every_list_of_records_can_be_read_in_parts(): void
    {
        $described = json_decode((string) file_get_contents(resource_path('js/api/generated/openapi.json')), true, flags: JSON_THROW_ON_ERROR);
        $paged = $whole = [];
        foreach ($described['paths'] as $path => $operations) {
            $rows = $operations['get']['responses']['200']['content']['application/json']['schema']['items']['$ref'] ?? null;
            if ($rows === null || ! isset($described['components']['schemas'][basename($rows)]['properties']['id'])) {
                continue;
            }
            $name = str_ends_with($path, '{alignment}/surfaces') ? '{alignment}/surfaces' : basename($path);
            in_array('after', array_column($operations['get']['parameters'] ?? [], 'name'), true) ? $paged[] = $name : $whole[] = $name;
        }
        self::assertSame([], array_diff($whole, self::SHORT));
        foreach (['points', 'aims', 'marks', 'control', 'grid-lines', 'designs', 'alignments', 'surfaces', 'worklists', 'codes', 'field-book'] as $name) {
            self::assertContains($name, $paged);
        }
    }

    /** @return \Generator<string, array{string}> */
    public static function lists(): \Generator
    {
        foreach (['points', 'control', 'grid-lines', 'codes', 'worklists', 'aims', 'field-book', 'marks'] as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('lists')]
    public function test_its_parts_are_the_whole(string $list): void
    {
        $project = $this->filled();
        $whole = $this->ask('GET', "/projects/{$project->id}/$list")->assertOk()->json();
        self::assertGreaterThan(3, count($whole), $list);
        $parts = [];
        for ($at = "/api/v1/projects/{$project->id}/$list?limit=2"; $at !== null; $at = self::next($answer)) {
            $answer = $this->getJson($at)->assertOk();
            self::assertLessThanOrEqual(2, count($answer->json()));
            $parts = [...$parts, ...$answer->json()];
        }
        self::assertSame(json_encode($whole), json_encode($parts));
    }

    public function test_a_part_is_not_of_no_rows_nor_of_more_than_a_thousand_and_its_beginning_is_there(): void
    {
        $project = $this->filled();
        foreach (['limit=0' => '1 to 1,000', 'limit=1001' => '1 to 1,000', 'limit=a' => 'limit', 'after=1.5' => 'after'] as $said => $why) {
            self::assertStringContainsString($why, (string) $this->ask('GET', "/projects/{$project->id}/points?$said")->assertStatus(422)->content());
        }
        self::assertStringContainsString('Begin at its start', (string) $this->ask('GET', "/projects/{$project->id}/marks?after=999999")->assertStatus(422)->content());
    }

    private static function next(TestResponse $answer): ?string
    {
        return preg_match('~^<[^>]*(/api/[^>]*)>; rel="next"$~', (string) $answer->headers->get('Link'), $found) === 1 ? $found[1] : null;
    }
}
