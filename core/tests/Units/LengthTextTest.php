<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Units;

use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthText;
use Parlay\Core\Units\LengthUnit;
use Parlay\Core\Units\UnreadableText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LengthTextTest extends TestCase
{
    #[DataProvider('typed')]
    public function test_what_people_type_is_read(string $text, string $style, array $metres): void
    {
        self::assertEqualsWithDelta($metres, LengthText::read($text, LengthStyle::from($style)), 1e-12);
    }

    public static function typed(): array
    {
        return [
            'a decimal point' => ['12.5', 'm', [12.5]],
            'a decimal comma' => ['12,5', 'm', [12.5]],
            'a sum with a product' => ['3+2*0.15', 'm', [3.3]],
            'a length by a number' => ['6 m * 2', 'm', [12.0]],
            'a number by a length' => ['2 * 3 ft', 'm', [1.8288]],
            'a length parted' => ['6 m / 4', 'm', [1.5]],
            'a difference' => ['10 - 0.25', 'm', [9.75]],
            'another unit than the project’s' => ['250 mm', 'm', [0.25]],
            'feet and inches' => ['12\' 3 1/2"', 'm', [3.7465]],
            'feet and inches with a dash, both readings' => ['12-3 1/2', 'ftin16', [3.7465, 8.5 * 0.3048]],
            'the same in metres is a difference' => ['12-3 1/2', 'm', [8.5]],
            'a comma that may be either, both readings' => ['1,234', 'm', [1.234, 1234.0]],
            'a comma that groups thousands' => ['1,234.5', 'm', [1234.5]],
            'inches alone' => ['3 1/2"', 'ftin8', [0.0889]],
            'typographic marks' => ['12′ 3″', 'ft', [3.7338]],
            'architect’s dash' => ['5\'-2"', 'ftin16', [1.5748]],
            'a hyphen before a fraction belongs to the number' => ['12\'3-1/2"', 'ftin16', [3.7465]],
            'the same with a hyphen after the feet' => ['12\'-3-1/2"', 'ftin16', [3.7465]],
            'hyphens all through' => ['5\'6-3/4"', 'ftin16', [66.75 * 0.0254]],
            'inches with a hyphen, in a metric project too' => ['6-3/4"', 'm', [6.75 * 0.0254]],
            'a difference of feet has blanks around its sign' => ['12\' - 3', 'ftin16', [9 * 0.3048]],
            'feet less feet' => ['12\' - 3\'', 'ftin16', [9 * 0.3048]],
            'feet less inches' => ['12\' - 3"', 'ftin16', [141 * 0.0254]],
            'feet and inches added' => ['12\' 3 1/2" + 5\' 2"', 'm', [209.5 * 0.0254]],
            'inches less a part of one' => ['12\'3"-1/2"', 'ftin16', [146.5 * 0.0254]],
            'a hyphen that could be either, both readings' => ['12\'-3', 'ftin16', [147 * 0.0254, 9 * 0.3048]],
            'six and three quarters of an inch, of a foot, or six feet less three quarters' => [
                '6-3/4', 'ftin16', [6.75 * 0.0254, 6.75 * 0.3048, 5.25 * 0.3048],
            ],
            'a bare fraction is of an inch sooner than of a foot' => ['6 3/4', 'ftin16', [6.75 * 0.0254, 6.75 * 0.3048]],
            'a vulgar fraction alone' => ['-¾', 'ftin16', [-0.75 * 0.0254, -0.75 * 0.3048]],
            'in metres a fraction is one' => ['3/4', 'm', [0.75]],
            'feet with a fraction' => ['3 1/2\'', 'm', [3.5 * 0.3048]],
            'words' => ['12 feet 3 1/2 inches', 'ftin16', [147.5 * 0.0254]],
            'words, run together' => ['12ft3in', 'm', [147 * 0.0254]],
            'words alone' => ['6 inches', 'm', [0.1524]],
            'an apostrophe between thousands' => ['1\'234.5', 'm', [1234.5]],
            'more of them' => ['5\'400\'123.25', 'm', [5_400_123.25]],
            'blanks between thousands' => ['1 234 567,8', 'm', [1_234_567.8]],
            'points between thousands' => ['1.234.567,8', 'm', [1_234_567.8]],
            'a vulgar fraction' => ['3½"', 'ftin16', [3.5 * 0.0254]],
            'feet with a vulgar fraction of an inch' => ['12′ 3⅜″', 'ftin16', [147.375 * 0.0254]],
            'a fraction slash' => ['3 1⁄2"', 'ftin16', [3.5 * 0.0254]],
            'sixty-fourths' => ['5/64"', 'ftin32', [5 / 64 * 0.0254]],
            'a mark means the project’s foot, and the other is offered where it matters' => [
                '2000000\'', 'usft', [2_000_000 * 1200 / 3937, 2_000_000 * 0.3048],
            ],
            'where it does not matter it is not' => ['12\'', 'usft', [12 * 1200 / 3937]],
            'thousands of feet and inches' => ['1,640\'-5"', 'ftin16', [1640 * 0.3048 + 5 * 0.0254, 24.68 * 0.0254]],
            'a negative' => ['-0.5', 'm', [-0.5]],
            'feet as the bare unit' => ['10', 'ft', [3.048]],
        ];
    }

    /** A cell of a file holds one length and no sum; its comma is what the file was told. */
    #[DataProvider('cells')]
    public function test_a_cell_of_a_file_is_read_by_its_own_decimal_mark(string $text, string $mark, array $metres): void
    {
        self::assertEqualsWithDelta($metres, LengthText::cell($text, LengthUnit::Foot, $mark), 1e-9);
    }

    public static function cells(): array
    {
        return [
            ['1,640\'-5"', '.', [1640 * 0.3048 + 5 * 0.0254]],
            ['1.640\'-5"', ',', [1640 * 0.3048 + 5 * 0.0254]], ['1640\'-5,5"', ',', [1640 * 0.3048 + 5.5 * 0.0254]],
            ['12-3 1/2', '.', [3.7465]], ['6-3/4', '.', [6.75 * 0.0254, 6.75 * 0.3048, 72.75 * 0.0254]],
            ['6 3/4', '.', [6.75 * 0.0254, 6.75 * 0.3048]], ['12\' - 3"', '.', []], ['1,64\'', '.', []], ['12\'3-1/2"', '.', [3.7465]],
        ];
    }

    #[DataProvider('nonsense')]
    public function test_nonsense_is_refused_with_a_sentence(string $text): void
    {
        $this->expectException(UnreadableText::class);
        LengthText::read($text, LengthStyle::Metres);
    }

    public static function nonsense(): array
    {
        return [
            [''], ['abc'], ['1/0'], ['1..2'], ['12 apples'], ['+'], ['3*'], ['=1+1'], ['1e300'], ['12\' 3 1/0"'], ['12\'13"'],
            ['1\'23\'456'], ['2 m * 3 m'], ['6 m / 2 m'], ['6 / 2 m'], ['6 / 0'], ['1/0 * 2'], [str_repeat('9', 400)],
        ];
    }

    public function test_what_is_written_is_read_back(): void
    {
        mt_srand(7);
        foreach (LengthStyle::cases() as $style) {
            for ($i = 0; $i < 300; $i++) {
                $metres = mt_rand(-5_000_000, 5_000_000) / 1000;
                $text = $style->format($metres);
                $step = $style->inchParts() !== null
                    ? 0.0254 / $style->inchParts()
                    : ($style->unit()->metres() < 0.01 ? 0.001 : 0.001 * $style->unit()->metres());
                self::assertEqualsWithDelta($metres, LengthText::read($text, $style)[0], $step / 2 + 1e-9, $text);
            }
        }
    }
}
