<?php

declare(strict_types=1);

namespace Parlay\Words\Tests;

use Parlay\Core\Setups\Caution;
use Parlay\Core\Setups\CautionKind;
use Parlay\Words\Cautions;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A caution's sign, name and figure are in its sentence. */
final class CautionsTest extends TestCase
{
    /** @return iterable<string, array{CautionKind}> */
    public static function kinds(): iterable
    {
        foreach (CautionKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_every_caution_is_a_sentence(CautionKind $kind): void
    {
        $said = Cautions::sentence(Caution::kept($kind, ['The mark.'], 2.5, 0.5));
        self::assertMatchesRegularExpression('~^\\S.*\\.$~u', $said);
        self::assertStringNotContainsString('%', $said);
    }

    /** @return iterable<string, array{Caution, string}> */
    public static function said(): iterable
    {
        yield 'long' => [Caution::by(CautionKind::ScaleDiffers, 52.4, 3.2), 'distances would be too long by 52 ± 3 ppm'];
        yield 'short' => [Caution::by(CautionKind::ScaleDiffers, -52.4, 3.2), 'distances would be too short by 52 ± 3 ppm'];
        yield 'farther' => [Caution::by(CautionKind::BaselineDiffers, 0.05), 'The marks lie farther apart than the design'];
        yield 'nearer' => [Caution::by(CautionKind::BaselineDiffers, -0.05), 'The marks lie nearer to each other than the design'];
        yield 'times' => [Caution::by(CautionKind::BacksightsDiffer, 4.26), 'residuals are 4.3 times what'];
        yield 'two marks' => [Caution::of(CautionKind::MarksStray, 'BM 1', 'BM "2"'), '“BM 1” and “BM "2"” is not where'];
        yield 'one mark' => [Caution::of(CautionKind::HeightDisagrees, 'Öst'), 'The height difference to “Öst” does not agree'];
        yield 'metres' => [Caution::by(CautionKind::SightedWithoutDistance, 50.0), 'for a mark 50 m away'];
        yield 'kept' => [Caution::asKept('Only two sights.'), 'Only two sights.'];
    }

    #[DataProvider('said')]
    public function test_sign_name_and_figure_are_said(Caution $caution, string $said): void
    {
        self::assertStringContainsString($said, Cautions::sentence($caution));
    }
}
