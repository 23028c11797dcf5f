<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Units;

use Parlay\Core\Units\LengthStyle;
use Parlay\Core\Units\LengthText;
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
            'a negative' => ['-0.5', 'm', [-0.5]],
            'feet as the bare unit' => ['10', 'ft', [3.048]],
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
        return [[''], ['abc'], ['1/0'], ['1..2'], ['12 apples'], ['+'], ['3*'], ['=1+1'], ['1e300'], ['12\' 3 1/0"'], [str_repeat('9', 400)]];
    }

    public function test_what_is_written_is_read_back(): void
    {
        mt_srand(7);
        foreach (LengthStyle::cases() as $style) {
            for ($i = 0; $i < 300; $i++) {
                $metres = mt_rand(-5_000_000, 5_000_000) / 1000;
                $text = $style->format($metres);
                $step = $style->inchParts() !== null ? 0.0254 / $style->inchParts() : ($style->unit()->metres() < 0.01 ? 0.001 : 0.001 * $style->unit()->metres());
                self::assertEqualsWithDelta($metres, LengthText::read($text, $style)[0], $step / 2 + 1e-9, $text);
            }
        }
    }
}
