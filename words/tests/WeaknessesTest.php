<?php

declare(strict_types=1);

namespace Parlay\Words\Tests;

use Parlay\Core\Setups\Weakness;
use Parlay\Core\Setups\WeaknessKind;
use Parlay\Core\Units\LengthStyle;
use Parlay\Words\Compass;
use Parlay\Words\Weaknesses;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WeaknessesTest extends TestCase
{
    /** @return iterable<string, array{WeaknessKind}> */
    public static function kinds(): iterable
    {
        foreach (WeaknessKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_every_weakness_says_why_what_it_does_and_what_would_mend_it(WeaknessKind $kind): void
    {
        $said = (new Weaknesses(LengthStyle::Metres))->sentence(
            new Weakness($kind, ['A', 'B', 'C'], 12.0, 0.0, 100.0, true, 0.019, 'good', M_PI, 0.008),
        );
        self::assertMatchesRegularExpression('~^Weak figure: [^.]+(\\.\\d+ m[^.]*)*\\. The far end of the work, 100\\.000 m off, may '
            .'come out 19\\.0 mm wrong for it\\. \\S.*\\.$~u', $said);
    }

    public function test_the_remedy_names_the_mark_or_the_direction_where_one_is_wanted(): void
    {
        $words = new Weaknesses(LengthStyle::FeetInches16);
        $named = $words->sentence(new Weakness(WeaknessKind::OneWay, [], null, M_PI_4, 10.0, false, 0.01, 'good', 4.0, 0.005));
        self::assertStringContainsString(
            'all sights go nearly the same way, toward north-east. A point, 32\' 9 11/16" off, may come out 3/8" wrong', $named,
        );
        self::assertStringContainsString('A sight to “good”, toward south-west, would bring that down to about 3/16".', $named);
        $none = $words->sentence(new Weakness(WeaknessKind::Weak, [], null, null, 10.0, true, 0.01, null, M_PI_2));
        self::assertStringEndsWith('Sight a control point toward east, as far away as the work.', $none);
    }

    public function test_directions_are_said_to_the_nearest_of_eight(): void
    {
        self::assertSame(
            ['north', 'north', 'north', 'west', 'south-east'],
            array_map(Compass::word(...), [0.0, 2 * M_PI - 1e-9, -0.39, -M_PI_2, 3 * M_PI / 4]),
        );
    }
}
