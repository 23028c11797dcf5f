<?php

declare(strict_types=1);

namespace Parlay\Words\Tests;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\Blunders\Coordinate;
use Parlay\Core\Setups\Blunders\Decider;
use Parlay\Core\Setups\Blunders\Details;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Core\Setups\Blunders\Slip;
use Parlay\Core\Units\AngleStyle;
use Parlay\Core\Units\LengthStyle;
use Parlay\Words\Explanations;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is wrong with a setup, in the project's units and with the right side. */
final class ExplanationsTest extends TestCase
{
    /** @return iterable<string, array{Cause}> */
    public static function causes(): iterable
    {
        foreach (Cause::cases() as $cause) {
            yield $cause->value => [$cause];
        }
    }

    #[DataProvider('causes')]
    public function test_every_cause_has_a_sentence_and_a_remedy(Cause $cause): void
    {
        $words = new Explanations(LengthStyle::Metres, AngleStyle::Gon);
        $e = self::of($cause, new Details(
            by: 0.02, toward: 1.0, angle: 0.001, part: 1e-5, instrumentHeight: 1.6, otherwise: 1.5, slip: self::slip(), station: 'ST',
            each: [self::of(Cause::Height, new Details(by: 0.1))],
        ));
        foreach ([$words->sentence($e), $words->remedy($e)] as $said) {
            self::assertMatchesRegularExpression('~^\\S.*\\.$~u', $said);
            self::assertStringNotContainsString('  ', $said);
        }
    }

    /** @return iterable<string, array{Cause, Details, string}> */
    public static function said(): iterable
    {
        yield 'too high' => [Cause::Height, new Details(by: 0.05), '“A” comes out 50.0 mm too high: its target height'];
        yield 'too low' => [Cause::Height, new Details(by: -0.05), '“A” comes out 50.0 mm too low: its target height'];
        yield 'elevation slipped' => [
            Cause::Height, new Details(by: 1.0, slip: new Slip(Coordinate::Elevation, 12.5, 13.5, new Position(0, 0, 13.5))),
            'would do it: 12.500 m stands there, and 13.500 m fits.',
        ];
        yield 'digit' => [
            Cause::CoordinateDigit, new Details(slip: self::slip()),
            'The northing of “A” was written wrong: 1020.000 m stands there, and 1000.000 m fits.',
        ];
        yield 'digit of the station' => [
            Cause::CoordinateDigit, new Details(slip: self::slip(), station: 'A'),
            'The northing of “A”, under the tripod, was written wrong',
        ];
        yield 'long' => [Cause::PrismConstant, new Details(by: 0.0344), 'The distance to “A” is 34.4 mm too long: the prism constant'];
        yield 'short' => [Cause::Reflection, new Details(by: -3.2), 'The distance to “A” is 3.200 m too short: another prism'];
        yield 'misread' => [Cause::Misread, new Details(angle: M_PI / 180), 'was misread: it is 1°00′00″ too large'];
        yield 'misread the other way' => [Cause::Misread, new Details(angle: -M_PI / 18), 'was misread: it is 10°00′00″ too small'];
        yield 'wrong face' => [Cause::Misread, new Details(angle: M_PI, halfTurn: true), 'off by half a turn'];
        yield 'shifted' => [
            Cause::Shifted, new Details(by: 0.1, toward: M_PI), '“A” was found 100.0 mm from where the control has it, toward south.',
        ];
        yield 'shifted and low' => [Cause::Shifted, new Details(by: 0.1, up: -0.02, toward: 0.0), 'toward north and 20.0 mm too low.'];
        yield 'leaning' => [
            Cause::Shifted, new Details(by: 0.1, toward: 0.0, pole: 2.0), 'A pole of 2.000 m that leans by 2.9° does that.',
        ];
        yield 'nowhere' => [Cause::Shifted, new Details, '“A” does not lie where the others have it.'];
        yield 'ppm' => [Cause::Scale, new Details(part: -42e-6), 'All distances are too short by 42 ppm'];
        yield 'collimation' => [Cause::Collimation, new Details(angle: -M_PI / 180 / 60), 'off by 60″: one face'];
        yield 'instrument' => [
            Cause::InstrumentHeight, new Details(by: -0.05, station: 'ST'),
            'All sights come out 50.0 mm too low alike: the instrument height, the height of all targets, or the elevation of “ST”',
        ];
        yield 'instrument, one sight' => [
            Cause::InstrumentHeight, new Details(by: 0.05, station: 'ST', alone: 'A'),
            '“A” comes out 50.0 mm too high: the instrument height, the target height',
        ];
        yield 'slanted' => [
            Cause::HeightOtherwise, new Details(instrumentHeight: 1.6, otherwise: 1.57), '1.600 m to the notch is 1.570 m straight',
        ];
        yield 'straight' => [
            Cause::HeightOtherwise, new Details(instrumentHeight: 1.6, otherwise: 1.63, wasSlanted: true),
            'read as slanted: 1.630 m straight fits',
        ];
        yield 'another station' => [Cause::AnotherStation, new Details(station: 'ST'), 'The instrument stands on “A”, and “ST” was named.'];
        yield 'less exact' => [Cause::LessExact, new Details(by: 0.0021), 'Control known to about 2.1 mm'];
    }

    #[DataProvider('said')]
    public function test_side_size_and_name_are_said(Cause $cause, Details $details, string $said): void
    {
        self::assertStringContainsString(
            $said, (new Explanations(LengthStyle::Metres, AngleStyle::DegreesMinutesSeconds))->sentence(self::of($cause, $details)),
        );
    }

    public function test_units_are_the_projects(): void
    {
        $feet = new Explanations(LengthStyle::FeetInches16, AngleStyle::Gon);
        self::assertStringContainsString(
            'the distance to “a” is 1 3/8" too long',
            mb_strtolower($feet->sentence(self::of(Cause::PrismConstant, new Details(by: 0.0344)))),
        );
        self::assertStringContainsString(
            'it is 3.0000 gon too large', $feet->sentence(self::of(Cause::Misread, new Details(angle: 3 * M_PI / 200))),
        );
        self::assertMatchesRegularExpression(
            '~off by \\d+\\.\\d mgon:~', $feet->sentence(self::of(Cause::Index, new Details(angle: 1e-4))),
        );
    }

    public function test_what_decides_is_named(): void
    {
        $words = new Explanations(LengthStyle::Metres, AngleStyle::Gon);
        self::assertSame(
            [
                'A sight to “P” decides.', '“P” measured again decides.', 'Measure all sights again.',
                'A sight to another mark, much nearer or much farther than these, decides.',
            ],
            array_map($words->decides(...), [Decider::sightTo('P'), Decider::again('P'), Decider::again(null), Decider::anotherMark()]),
        );
    }

    private static function slip(): Slip
    {
        return new Slip(Coordinate::Northing, 1020.0, 1000.0, new Position(1000.0, 0.0));
    }

    private static function of(Cause $cause, Details $details): Explanation
    {
        return new Explanation($cause, ['A', 'B'], $details, 1.0, 2, 1);
    }
}
