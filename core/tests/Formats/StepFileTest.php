<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Reference as InstanceReference;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\StepText;
use Parlay\Core\Formats\Step\StepValues;
use Parlay\Core\Formats\Step\Typed;
use Parlay\Core\Formats\Step\UnreadableStep;
use Parlay\Core\Formats\Step\Word;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** STEP files (ISO 10303-21) whole, odd and damaged. */
final class StepFileTest extends TestCase
{
    private static function open(string $data, string $end = IfcText::END): StepFile
    {
        return self::raw(sprintf(IfcText::HEAD, 'IFC4').$data.$end);
    }

    private static function raw(string $text): StepFile
    {
        $stream = fopen('php://memory', 'w+b') ?: throw new \RuntimeException('no memory');
        fwrite($stream, $text);

        return StepFile::open($stream);
    }

    public function test_values_of_every_kind(): void
    {
        self::assertEquals(
            [null, null, 12, -0.5, 1500.0, new InstanceReference(7), new Word('MILLI'), true, 'a', [[1.0, 2.0], []], new Typed('IFCLABEL', ['x, (y)']), '0F3'],
            array_map(
                static fn (mixed $v): mixed => $v instanceof Word && $v->word === 'T' ? true : $v,
                StepValues::of("$,*,12,-0.5,1.5E3,#7,.milli.,.T.,'a',((1.,2.),()),IfcLabel('x, (y)'),\"0F3\""),
            ),
        );
        self::assertSame([], StepValues::of(' '));
    }

    /** @return array<string, array{string, string}> */
    public static function wrongValues(): array
    {
        return [
            'two commas' => ['1,,2', 'missing before a comma'],
            'no comma' => ['1 2', 'without a comma'],
            'open' => ['(1,2', 'not closed'],
            'closed twice' => ['1)', 'not opened'],
            'a word bare' => ['MILLI', 'not closed'],
            'a word before a number' => ['MILLI,2', 'MILLI'],
            'no number' => ['1.2.3', '1.2.3'],
            'not a number at all' => ['#x', '#x'],
            'too deep' => [str_repeat('(', 100), 'deeper'],
        ];
    }

    #[DataProvider('wrongValues')]
    public function test_values_that_are_none_are_named(string $inner, string $said): void
    {
        $this->expectException(BrokenInstance::class);
        $this->expectExceptionMessage($said);
        StepValues::of($inner);
    }

    public function test_texts_in_every_way_they_are_written(): void
    {
        // Examples of ISO 10303-21, clause 6.4.3.3, recalled: the same letters written in each way.
        self::assertSame('don\'t', StepText::of("don''t"));
        self::assertSame('Ärger', StepText::of('\\S\\Drger'));
        self::assertSame('see § 4.1', StepText::of('see \\X\\A7 4.1'));
        self::assertSame('Höhe', StepText::of('H\\X2\\00F6\\X0\\he'));
        self::assertSame('κατα', StepText::of('\\X2\\03BA03B103C403B1\\X0\\'));
        self::assertSame('𝄞', StepText::of('\\X4\\0001D11E\\X0\\'));
        self::assertSame('да', StepText::of('\\PE\\\\S\\T\\S\\P'));
        self::assertSame('a\\b', StepText::of('a\\\\b'));
        self::assertSame('Höhe', StepText::of('Höhe'), 'in UTF-8, against the standard');
        self::assertSame('Höhe', StepText::of("H\xF6he"), 'in the letters of a system, against the standard');
    }

    public function test_instances_are_found_however_they_are_laid_out(): void
    {
        $f = self::open("#1=IFCA('a;b',(#2));\n/* #9=IFCX(); */ #2 = ifcb ( 1. ) ;\n#3=IFCC(\n 'it''s /* no comment */',\n $);#4=IFCD(/* why */7);\n");
        self::assertSame([1, 2, 3, 4], array_merge($f->of('IFCA'), $f->of('IFCB'), $f->of('IFCC'), $f->of('IFCD')));
        self::assertSame('a;b', $f->get(1)->text(0));
        self::assertSame([2], $f->get(1)->references(1));
        self::assertSame(1.0, $f->get(2)->number(0));
        self::assertSame("it's /* no comment */", $f->get(3)->text(0));
        self::assertSame(7.0, $f->get(4)->number(0));
        self::assertSame('#4, line 12', $f->where(4));
        self::assertTrue($f->whole);
        self::assertSame([], $f->faults);
        self::assertSame('IFC4', $f->schema);
    }

    public function test_what_is_damaged_is_named_with_its_line_and_the_rest_stands(): void
    {
        $f = self::open("#1=IFCA(1);\n#2=IFCB(2)\n#3=IFCC('open,3);\n#4=IFCD(4);\n#4=IFCE(5);\n#5=(A(1)B(2));\n#6=IFCF(6,;\n#7=IFCG(7);\n");
        self::assertSame([1.0, 2.0, 4.0, 7.0], array_map(static fn (int $n) => $f->get($n)->number(0), [1, 2, 4, 7]));
        self::assertSame([
            'Line 9: #2 is not closed by “;”. It was taken as if it were.',
            'Line 10: #3 is no whole instance: a quote or parenthesis is not closed, or it is damaged. It was left out.',
        ], array_slice($f->faults, 0, 2));
        self::assertStringContainsString('#4 stands twice', $f->faults[2]);
        self::assertStringContainsString('several classes', $f->faults[3]);
        self::assertFalse($f->has(3));
        try {
            $f->get(6);
            self::fail('its values are none');
        } catch (BrokenInstance $e) {
            self::assertStringContainsString('#6, line 14', $e->getMessage());
        }
        $this->expectExceptionMessage('#99 is spoken of and not in the file');
        $f->get(99);
    }

    public function test_a_file_that_is_cut_off_says_so(): void
    {
        $f = self::open("#1=IFCA(1);\n#2=IFCB('abc", '');
        self::assertFalse($f->whole);
        self::assertSame(1.0, $f->get(1)->number(0));
        self::assertStringContainsString('cut off', $f->faults[count($f->faults) - 1]);
    }

    /** @return array<string, array{string, string}> */
    public static function none(): array
    {
        return [
            'nothing' => ['', 'empty'],
            'something else' => ["0\nSECTION\n", 'no STEP file'],
            'a head alone' => [sprintf(IfcText::HEAD, 'IFC4'), 'nothing after it'],
            'a head cut off' => ["ISO-10303-21;\nHEADER;\nFILE_DESCR", 'nothing after it'],
        ];
    }

    #[DataProvider('none')]
    public function test_what_is_no_model_is_refused_with_a_remedy(string $text, string $said): void
    {
        $this->expectException(UnreadableStep::class);
        $this->expectExceptionMessage($said);
        self::raw($text);
    }

    public function test_over_many_pages_nothing_is_lost_and_lines_are_right(): void
    {
        $data = '';
        for ($i = 1; $i <= 40_000; $i++) {
            $data .= "#$i=IFCA($i,'".str_repeat('x', $i % 37)."');\n".($i % 5000 === 0 ? "/* a comment\nof two lines */\n" : '');
        }
        $f = self::open($data);
        self::assertCount(40_000, $f->of('IFCA'));
        foreach ([1, 8_191, 20_000, 39_999, 40_000, 17] as $i) {
            self::assertSame((float) $i, $f->get($i)->number(0));
            self::assertSame(sprintf('#%d, line %d', $i, 7 + $i + 2 * intdiv($i - 1, 5000)), $f->where($i));
        }
    }
}
