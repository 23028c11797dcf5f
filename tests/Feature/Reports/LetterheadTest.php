<?php

declare(strict_types=1);

namespace Tests\Feature\Reports;

use Symfony\Component\Process\Process;
use Tests\Feature\SiteTestCase;

/** Who hands over, above what is printed, and the paper it is printed on. */
final class LetterheadTest extends SiteTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->setUpInstrument($this->project);
    }

    private static function picture(int $wide, int $high, string $as = 'png'): string
    {
        $image = imagecreatetruecolor($wide, $high);
        imagefill($image, 0, 0, (int) imagecolorallocatealpha($image, 200, 30, 30, 60));
        ob_start();
        $as === 'png' ? imagepng($image) : imagejpeg($image);

        return (string) ob_get_clean();
    }

    private function issue(): int
    {
        $task = $this->ask('POST', $this->at('/reports'), [])->assertOk()->json('id');

        return $this->ask('GET', $this->at("/tasks/$task"))->json('result.number');
    }

    private function pdf(string $tool, int $number, string ...$options): string
    {
        $path = $this->get('/api/v1'.$this->at("/report-issues/$number.pdf"))->assertOk()->baseResponse->getFile()->getPathname();

        return (new Process([$tool, ...$options, $path, ...($tool === 'pdftotext' ? ['-'] : [])]))->mustRun()->getOutput();
    }

    public function test_a_report_has_the_head_and_the_paper_of_its_day(): void
    {
        self::assertSame(['firm' => '', 'address' => '', 'paper' => 'a4', 'logo' => ''], $this->ask('GET', $this->at('/letterhead'))->assertOk()->json());
        $first = $this->issue();
        $kept = $this->ask('PUT', $this->at('/letterhead'), [
            'firm' => 'Marsh & Söhne <b>', 'address' => "Dyke 4\nSaltmarsh", 'paper' => 'letter', 'logo' => $this->upload($this->project, self::picture(1800, 300), 'logo.png'),
        ])->assertOk()->json();
        self::assertSame([900, 150], array_slice((array) getimagesizefromstring((string) base64_decode(substr($kept['logo'], 22), true)), 0, 2), 'as large as is printed, and no larger');
        $second = $this->issue();
        self::assertStringContainsString('595.276 x 841.89', $this->pdf('pdfinfo', $first));
        self::assertStringContainsString('612 x 792', $this->pdf('pdfinfo', $second));
        $words = $this->pdf('pdftotext', $second, '-layout');
        foreach (['Marsh & Söhne <b>', 'Dyke 4', 'Saltmarsh', 'report 2'] as $line) {
            self::assertStringContainsString($line, $words);
        }
        self::assertStringNotContainsString('Söhne', $this->pdf('pdftotext', $first));
        self::assertMatchesRegularExpression('~ 900 +150 ~', $this->pdf('pdfimages', $second, '-list', '-f', '1', '-l', '1'));
        // Nothing on a page lies beyond its paper.
        preg_match_all('~<word xMin="([\d.]+)" yMin="[\d.]+" xMax="([\d.]+)" yMax="([\d.]+)"~', (new Process(['pdftotext', '-bbox', $this->get('/api/v1'.$this->at("/report-issues/$second.pdf"))->baseResponse->getFile()->getPathname(), '-']))->mustRun()->getOutput(), $m);
        self::assertLessThan(612.0, max(array_map(floatval(...), $m[2])));
        self::assertLessThan(792.0, max(array_map(floatval(...), $m[3])));
        $page = fn (int $number): string => (string) $this->get('/api/v1'.$this->at("/report-issues/$number/file?format=html"))->streamedContent();
        $before = $page($second);
        self::assertStringContainsString('Marsh &amp; Söhne &lt;b&gt;', $before);
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'Other', 'logo' => ''])->assertOk()->assertJson(['logo' => '']);
        self::assertSame($before, $page($second), 'what was issued keeps the head it had');
    }

    public function test_the_picture_stays_where_nothing_is_said_of_it(): void
    {
        $logo = $this->ask('PUT', $this->at('/letterhead'), ['logo' => $this->upload($this->project, self::picture(40, 20, 'jpeg'), 'l.jpg')])->assertOk()->json('logo');
        self::assertStringStartsWith('data:image/png;base64,', $logo);
        self::assertSame($logo, $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'A'])->assertOk()->json('logo'));
        self::assertSame($logo, $this->ask('GET', $this->at('/letterhead'))->json('logo'));
    }

    public function test_what_is_no_picture_or_no_head_is_refused_and_nothing_changes(): void
    {
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'Kept'])->assertOk();
        // A head that says ten thousand pixels either way, and holds none.
        $bomb = "\x89PNG\r\n\x1a\n".pack('N', 13).'IHDR'.pack('NNC5', 100_000, 100_000, 8, 2, 0, 0, 0).pack('N', 0);
        foreach (['words' => 'no picture', '<svg xmlns="http://www.w3.org/2000/svg"/>' => 'no picture', $bomb => 'Make it smaller', substr(self::picture(400, 200), 0, 60) => 'damaged'] as $bytes => $says) {
            $answer = $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'New', 'logo' => $this->upload($this->project, $bytes, 'logo.png')])->assertStatus(422);
            self::assertStringContainsString($says, (string) $answer->json('message'));
        }
        foreach ([['firm' => str_repeat('x', 101)], ['firm' => "a\nb"], ['address' => implode("\n", range(1, 7))], ['paper' => 'a0'], ['logo' => 'nowhere']] as $wrong) {
            $this->ask('PUT', $this->at('/letterhead'), $wrong)->assertStatus(422);
        }
        $other = $this->upload($this->project(), self::picture(4, 4), 'logo.png');
        $this->ask('PUT', $this->at('/letterhead'), ['logo' => $other])->assertStatus(422);
        self::assertSame(['firm' => 'Kept', 'address' => '', 'paper' => 'a4', 'logo' => ''], $this->ask('GET', $this->at('/letterhead'))->json());
    }

    public function test_a_head_that_another_changed_meanwhile_is_not_overwritten(): void
    {
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'A'])->assertOk();
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'B', 'seen' => ['firm' => 'A']])->assertOk();
        $this->ask('PUT', $this->at('/letterhead'), ['firm' => 'C', 'seen' => ['firm' => 'A']])->assertStatus(422);
        self::assertSame('B', $this->ask('GET', $this->at('/letterhead'))->json('firm'));
    }
}
