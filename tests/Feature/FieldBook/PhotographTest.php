<?php

declare(strict_types=1);

namespace Tests\Feature\FieldBook;

use App\FieldBook\Models\Photograph;
use Parlay\Core\Geometry\Position;
use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** Pictures taken at a shot: kept with its reading, upright and without what a camera writes beside them, and printed in the report. */
final class PhotographTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    /** Red on the left, blue on the right; where a camera held otherwise says so, and where it stood, in Exif. */
    private static function camera(int $wide, int $high, int $orientation = 1): string
    {
        $image = imagecreatetruecolor($wide, $high);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, 220, 20, 20));
        imagefilledrectangle($image, intdiv($wide, 2), 0, $wide - 1, $high - 1, (int) imagecolorallocate($image, 20, 20, 220));
        ob_start();
        imagejpeg($image, null, 95);
        $jpeg = (string) ob_get_clean();
        // One directory of two entries, as Exif 2.32 has it: who made the camera (ASCII, in place), and how it was held (SHORT).
        $directory = pack('n', 2).pack('nnN', 0x010F, 2, 4)."me!\0".pack('nnNnn', 0x0112, 3, 1, $orientation, 0).pack('N', 0);
        $exif = "Exif\0\0MM\0*".pack('N', 8).$directory;

        return "\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
    }

    private function reading(string $name): int
    {
        $reading = $this->measure($this->project, 'as_built', new Position(1012.0, 2030.0, 10.0), $name);
        $this->ask('POST', $this->at('/marks'), ['key' => $this->newKey(), 'kind' => 'as_built', 'name' => $name, 'observationId' => $reading->id, 'withoutCheck' => true, 'note' => "chiselled, Süd of $name"])->assertOk();

        return $reading->id;
    }

    /** @param  array<string, mixed>  $more */
    private function keep(int $reading, string $bytes, array $more = []): \Illuminate\Testing\TestResponse
    {
        return $this->ask('POST', $this->at('/photographs'), $more + [
            'key' => $this->newKey(), 'observationId' => $reading, 'upload' => $this->upload($this->project, $bytes, 'IMG_1.JPG'), 'caption' => 'rebar in the way, "Süd"',
        ]);
    }

    private function pixels(int $id): \GdImage
    {
        $bytes = (string) $this->get("/api/v1/projects/{$this->project->id}/photographs/$id.jpg")->assertOk()->assertHeader('X-Content-Type-Options', 'nosniff')->getContent();
        self::assertStringNotContainsString('Exif', $bytes);
        self::assertStringNotContainsString('me!', $bytes);

        return imagecreatefromstring($bytes) ?: self::fail('no picture');
    }

    /** @return list<string> red or blue at the left, right, top and bottom edge */
    private static function edges(\GdImage $image): array
    {
        [$w, $h] = [imagesx($image), imagesy($image)];
        $colour = static fn (int $x, int $y): string => ((imagecolorat($image, $x, $y) >> 16) & 255) > 120 ? 'red' : 'blue';

        return [$colour(2, intdiv($h, 2)), $colour($w - 3, intdiv($h, 2)), $colour(intdiv($w, 2), 2), $colour(intdiv($w, 2), $h - 3)];
    }

    public function test_a_picture_is_kept_upright_small_and_without_what_the_camera_wrote(): void
    {
        $reading = $this->reading('S1');
        $kept = $this->keep($reading, self::camera(2400, 1200))->assertOk()->json();
        self::assertSame([1600, 800, $reading, 'rebar in the way, "Süd"'], [$kept['wide'], $kept['high'], $kept['observationId'], $kept['caption']]);
        self::assertSame(['red', 'blue'], array_slice(self::edges($this->pixels($kept['id'])), 0, 2));
        // Held otherwise, the left of its pixels lies: 3 right, 6 above, 8 below; 2 is seen in a mirror, 5 and 7 too.
        foreach ([2 => [1, 'red'], 3 => [1, 'red'], 4 => [0, 'red'], 5 => [2, 'red'], 6 => [2, 'red'], 7 => [3, 'red'], 8 => [3, 'red']] as $orientation => [$edge, $colour]) {
            $turned = $this->keep($reading, self::camera(400, 200, $orientation))->assertOk()->json();
            self::assertSame($orientation > 4 ? [200, 400] : [400, 200], [$turned['wide'], $turned['high']], "held as $orientation");
            self::assertSame($colour, self::edges($this->pixels($turned['id']))[$edge], "held as $orientation");
        }
        self::assertCount(8, $this->ask('GET', $this->at('/photographs'))->json());
        $this->ask('DELETE', $this->at("/photographs/{$kept['id']}"))->assertStatus(204);
        $this->get("/api/v1/projects/{$this->project->id}/photographs/{$kept['id']}.jpg")->assertStatus(404);
        self::assertSame([], glob($this->data.'/uploads/*') ?: [], 'the files that came in are gone');
    }

    public function test_sent_twice_it_is_kept_once_and_another_project_sees_none_of_it(): void
    {
        $reading = $this->reading('S1');
        $key = $this->newKey();
        $first = $this->keep($reading, self::camera(40, 20), ['key' => $key])->assertOk()->json('id');
        self::assertSame($first, $this->keep($reading, self::camera(40, 20), ['key' => $key])->assertOk()->json('id'));
        $this->keep($reading, self::camera(40, 20), ['key' => $key, 'caption' => 'other'])->assertStatus(409);
        self::assertSame(1, Photograph::of($this->project)->count());
        $other = $this->project();
        $this->get("/api/v1/projects/{$other->id}/photographs/$first.jpg")->assertStatus(404);
        $this->ask('DELETE', "/projects/{$other->id}/photographs/$first")->assertStatus(404);
        $this->ask('POST', "/projects/{$other->id}/photographs", [
            'key' => $this->newKey(), 'observationId' => $reading, 'upload' => $this->upload($other, self::camera(40, 20), 'a.jpg'),
        ])->assertStatus(422)->assertJsonPath('message', 'That reading is not in the field book. Measure the shot again, then keep its picture.');
    }

    public function test_what_is_no_picture_is_refused_and_there_is_an_end_to_it(): void
    {
        $reading = $this->reading('S1');
        foreach (['<svg xmlns="http://www.w3.org/2000/svg" onload="x()"/>', "\xFF\xD8\xFF\xE0 cut off", "GIF89a\1\0\1\0", substr(self::camera(90, 40), 0, 60)] as $bytes) {
            $this->keep($reading, $bytes)->assertStatus(422);
        }
        $this->keep($reading, self::camera(10, 10), ['caption' => "two\nlines"])->assertStatus(422);
        self::assertSame(0, Photograph::of($this->project)->count());
        for ($i = 0; $i < 12; $i++) {
            $this->keep($reading, self::camera(10, 10))->assertOk();
        }
        $this->keep($reading, self::camera(10, 10))->assertStatus(422)->assertJsonPath('message', 'A reading has at most 12 pictures. Take one away first.');
    }

    public function test_the_report_shows_it_beside_the_name_of_its_mark_and_its_checksum_is_frozen(): void
    {
        $this->keep($this->reading('S1 <b>'), self::camera(400, 200))->assertOk();
        $this->reading('S2');
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $path = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        $text = (string) preg_replace('~\s+~', ' ', (new Process(['pdftotext', '-layout', $path, '-']))->mustRun()->getOutput());
        self::assertMatchesRegularExpression('~Photographs .*S1 <b> · 20\d\d-\d\d-\d\d \d\d:\d\d UTC · rebar in the way, "Süd"~', $text);
        self::assertStringContainsString('S2: “chiselled, Süd of S2”', $text, 'a note stands with its mark');
        self::assertMatchesRegularExpression('~jpeg +no .*~', (new Process(['pdfimages', '-list', $path]))->mustRun()->getOutput());
        $figures = \App\Reports\Models\ReportIssue::of($this->project)->firstOrFail()->figures();
        self::assertSame([['mark' => 'S1 <b>', 'checksum' => Photograph::of($this->project)->value('checksum')]], $figures->head['photographs']);
    }

    public function test_on_letter_paper_nothing_lies_on_the_line_at_the_foot(): void
    {
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'Marsh', 'paper' => 'letter'])->assertOk();
        $reading = $this->reading('S1');
        for ($i = 0; $i < 7; $i++) {
            $this->keep($reading, self::camera(200, 400), ['caption' => str_repeat("picture $i of a long description ", 5)])->assertOk();
        }
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');
        $path = $this->get("/api/v1/projects/{$this->project->id}/reports/$task.pdf")->assertOk()->baseResponse->getFile()->getPathname();
        $words = (new Process(['pdftotext', '-bbox', $path, '-']))->mustRun()->getOutput();
        preg_match_all('~yMax="([\d.]+)">(?:picture|description)<~', $words, $m);
        self::assertCount(7 * 2 * 5, $m[1], 'all of them are there');
        self::assertLessThan(792.0 - 36.0, max(array_map(floatval(...), $m[1])), 'above the foot');
    }
}
