<?php

declare(strict_types=1);

namespace Tests\Feature\Points;

use App\Points\Models\Code;
use PHPUnit\Framework\Attributes\DataProvider;

/** What codes mean, out as a file and in again. */
final class CodeListTest extends PointsTestCase
{
    public function test_codes_come_back_as_they_went_out_and_those_of_the_other_project_are_changed_in_one_step(): void
    {
        $project = $this->project();
        $post = fn (string $path, array $body) => $this->ask('POST', "/projects/{$project->id}$path", $body);
        foreach ([
            ['code' => 'KERB', 'description' => 'Randstein, "grau"; hoch', 'colour' => '#a04020', 'mark' => 'K', 'trade' => 'Straße', 'planTolerance' => 0.005, 'heightTolerance' => 0.0025],
            // A spreadsheet would run it.
            ['code' => '=1+1', 'description' => '@x', 'mark' => '-'],
        ] as $code) {
            $post('/codes', $code)->assertOk();
        }
        $file = (string) $this->get("/api/v1/projects/{$project->id}/codes-file")->assertOk()->streamedContent();
        self::assertStringContainsString("'=1+1", $file);
        $before = $this->ask('GET', "/projects/{$project->id}/codes")->json();
        $post('/codes', ['code' => 'KERB', 'planTolerance' => 0.5])->assertOk();
        $post('/codes', ['code' => 'OTHER'])->assertOk();
        self::assertSame(2, $post('/codes-list', ['text' => $file])->assertOk()->json('count'));
        $after = $this->ask('GET', "/projects/{$project->id}/codes")->json();
        self::assertSame($before, array_values(array_filter($after, static fn (array $c) => $c['code'] !== 'OTHER')));
        $post('/undo', [])->assertOk();
        self::assertSame(0.5, array_column($this->ask('GET', "/projects/{$project->id}/codes")->json(), 'planTolerance', 'code')['KERB']);
    }

    /** @return \Generator<string, array{string, array<string, mixed>|string}> */
    public static function lists(): \Generator
    {
        yield 'semicolons and decimal commas' => ["code;plan tolerance [mm]\r\nK;2,5\r\n", ['planTolerance' => 0.0025]];
        yield 'semicolons and decimal points' => ["code;plan tolerance [m]\nK;0.005\n", ['planTolerance' => 0.005]];
        yield 'tabs, other columns and blank lines' => ["Code\tnote\tHeight tolerance [ft]\n\nK\tx\t0.01\n", ['heightTolerance' => 0.003048]];
        yield 'no unit' => ["code,plan tolerance\nK,5\n", 'does not say its unit'];
        yield 'no heading' => ["K,5\n", 'has no heading “code”'];
        yield 'no number' => ["code,plan tolerance [m]\nA,0.01\nK,five\n", 'Line 3, column 2: “five” is no number'];
        yield 'thousands' => ["code;plan tolerance [m]\nK;1.000,5\n", 'Line 2, column 2'];
        yield 'below nothing' => ["code,plan tolerance [m]\nK,-0.005\n", 'Line 2, column 2'];
        yield 'no colour' => ["code,colour\nK,red\n", 'Line 2: a colour is #'];
        yield 'twice' => ["code\nK\nK\n", 'Line 2 and line 3 both say what “K” means'];
        yield 'a cell over two lines' => ["code,description\nK,\"kerb,\nhigh\"\n", 'Line 2: a cell begins with a quote'];
        yield 'quotes that end' => ["code,description,mark\nK,\"a, \"\"b\"\"\",\"x\"\n", ['description' => 'a, "b"', 'mark' => 'x']];
        yield 'inches' => ["code,description\nK,pipe 5\"\n", ['description' => 'pipe 5"']];
        yield 'nothing' => ["code,mark\n", 'There is no code in it'];
        yield 'another encoding' => ["code\nSTRA\xDFE\n", 'UTF-8'];
    }

    /** @param  array<string, mixed>|string  $expected */
    #[DataProvider('lists')]
    public function test_a_list_is_read_as_it_is_written_or_refused_whole_with_its_place(string $text, array|string $expected): void
    {
        $project = $this->project();
        if (! mb_check_encoding($text, 'UTF-8')) {
            // No request carries it; the file itself may hold it.
            $this->expectExceptionMessage('UTF-8');
            \App\Points\CodeList::read($text);
        }
        $answer = $this->ask('POST', "/projects/{$project->id}/codes-list", ['text' => $text]);
        if (is_string($expected)) {
            self::assertStringContainsString($expected, (string) $answer->assertStatus(422)->json('message'));
            self::assertSame(0, Code::of($project)->count());

            return;
        }
        $answer->assertOk();
        self::assertEqualsWithDelta($expected, array_intersect_key($this->ask('GET', "/projects/{$project->id}/codes")->json(0), $expected), 1e-12);
    }

    public function test_what_a_code_means_is_one_line(): void
    {
        $project = $this->project();
        $refused = $this->ask('POST', "/projects/{$project->id}/codes", ['code' => 'K', 'description' => "kerb,\nhigh"])->assertStatus(422);
        self::assertStringContainsString('on one line', (string) $refused->json('message'));
        self::assertSame(0, Code::of($project)->count());
    }
}
