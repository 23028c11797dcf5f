<?php

declare(strict_types=1);

namespace Parlay\Words\Tests;

use Parlay\Core\Points\Findings\Axis;
use Parlay\Core\Points\Findings\Evidence;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Points\Findings\Ground;
use Parlay\Core\Points\Findings\NumberSlip;
use Parlay\Core\Points\Findings\SlipKind;
use Parlay\Core\Points\Findings\Untestable;
use Parlay\Core\Points\Findings\UntestableKind;
use Parlay\Core\Units\LengthUnit;
use Parlay\Words\ListFindings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ListFindingsTest extends TestCase
{
    /** @return iterable<string, array{FindingKind, Evidence, string}> */
    public static function said(): iterable
    {
        $names = static fn (mixed ...$more): Evidence => new Evidence(
            Ground::Names, ...$more + ['count' => 5, 'away' => 4242.6, 'within' => 0.0],
        );
        yield 'exchanged' => [FindingKind::Exchanged, $names(), '5 points have names that the project knows, and lie 4,242.6 m from '
            .'them as read; with northing and easting exchanged they lie within 0 mm.'];
        yield 'unit' => [
            FindingKind::Unit, $names(readIn: LengthUnit::Millimetre, away: 5_000_000.0),
            '5 points have names that the project knows, and lie 5,000 km from them as read; read in millimetres they lie within 0 mm.',
        ];
        yield 'turned' => [FindingKind::OtherGrid, new Evidence(
            Ground::NamesTurned, count: 4, away: 912.0, within: 0.004, turn: -0.5,
        ), '4 points have names that the project knows and lie 912.0 m from them, but all alike: turned by -28.6479° and shifted they '
            .'fit within 4 mm. The list is in another grid.'];
        yield 'drawn' => [
            FindingKind::Exchanged, new Evidence(Ground::DrawnPlaces, count: 5, asRead: 0),
            'With northing and easting exchanged, 5 points fall on places drawn in the designs; as read, 0 do.',
        ];
        yield 'extent' => [
            FindingKind::Unit, new Evidence(Ground::Extent, away: 20_000.0, readIn: LengthUnit::Metre),
            'The points lie 20 km from everything in the project as read; read in metres they lie in it.',
        ];
        yield 'far off' => [FindingKind::OtherGrid, new Evidence(
            Ground::FarOff, away: 20_000.0,
        ), 'The points lie 20 km from everything in the project, and neither another unit nor an exchange brings them near: this is '
            .'probably another grid.'];
        yield 'whole numbers' => [
            FindingKind::Unit, new Evidence(Ground::WholeNumbers, away: 80_000.0),
            'Read in metres, the points lie over 80 km, and all are whole numbers: they are probably millimetres.',
        ];
        yield 'row exchanged' => [
            FindingKind::RowExchanged, new Evidence(names: ['P9'], away: 2890.0),
            '“P9” lies 2,890.0 m from the others; with northing and easting exchanged it lies among them.',
        ];
        yield 'names exchanged' => [FindingKind::NamesExchanged, new Evidence(
            names: ['A', 'Ö "B"'], away: 14.149, within: 0.03,
        ), '“A” and “Ö "B"” lie where the project has each other, 14.1 m away: their names are probably exchanged. With the places '
            .'changed over both agree within 30.0 mm.'];
        yield 'twice' => [
            FindingKind::RowTwice, new Evidence(names: ['A'], line: 1, lines: [3, 4]),
            '“A” of line 1 stands again, in the same place, in lines 3, 4.',
        ];
        yield 'many times' => [
            FindingKind::RowTwice, new Evidence(names: ['A'], line: 1, lines: range(2, 26)),
            '“A” of line 1 stands again, in the same place, in lines '.implode(', ', range(2, 21)).' and 5 more.',
        ];
        yield 'two places' => [
            FindingKind::OneNameTwoPlaces, new Evidence(names: ['A'], line: 1, lines: [3], away: 5.0),
            '“A” names different places: line 1 and, 5.0 m away, line 3.',
        ];
        yield 'one place' => [
            FindingKind::TwoNamesOnePlace, new Evidence(names: ['A', 'C'], line: 1, lines: [3], away: 0.001),
            '“A” and “C” are 0.0 m apart: one place with two names (lines 1 and 3).',
        ];
        yield 'elevations' => [
            FindingKind::ZeroElevations, new Evidence(count: 2),
            'All 2 elevations are 0: probably none were meant. As 0 they would be staked to; as none they are not.',
        ];
    }

    #[DataProvider('said')]
    public function test_a_finding_says_its_figures(FindingKind $kind, Evidence $evidence, string $said): void
    {
        self::assertSame($said, (new ListFindings(LengthUnit::Metre))->sentence(new Finding($kind, $evidence, [])));
    }

    /** @return iterable<string, array{list<NumberSlip>, string}> */
    public static function slips(): iterable
    {
        yield 'extra' => [[new NumberSlip(SlipKind::Extra, '0', '', '2307.000')], 'without an extra 0: 2307.000.'];
        yield 'exchanged' => [[new NumberSlip(SlipKind::Exchanged, '2', '3', '32070.000')], 'with 2 and 3 exchanged: 32070.000.'];
        yield 'one for another' => [[new NumberSlip(SlipKind::Replaced, '0', '2', '03070.000')], 'with 0 in place of 2: 03070.000.'];
        yield 'left out' => [[new NumberSlip(SlipKind::LeftOut, '5', '', '235070.000')], 'with a 5 put in: 235070.000.'];
        yield 'mark' => [
            [new NumberSlip(SlipKind::MarkEarlier, '', '', '2307.0000'), new NumberSlip(SlipKind::MarkLater, '', '', '230700.00')],
            'with its decimal mark a place earlier: 2307.0000; or with its decimal mark a place later: 230700.00.',
        ];
        $extra = new NumberSlip(SlipKind::Extra, '0', '', '2307.000');
        yield 'many' => [
            [$extra, $extra, $extra, $extra], 'without an extra 0: 2307.000; or without an extra 0: 2307.000, or one of 2 other slips.',
        ];
    }

    /** @param  list<NumberSlip>  $slips */
    #[DataProvider('slips')]
    public function test_a_slip_of_the_pen_is_told_with_the_number_that_was_meant(array $slips, string $said): void
    {
        $finding = new Finding(
            FindingKind::Digit, new Evidence(names: ['P9'], away: 20.756, axis: Axis::Easting, written: '23070.000', slips: $slips),
            [9],
        );
        self::assertSame(
            '“P9” lies 20,756 mm from the others. Its easting 23070.000 would be among them '.$said,
            (new ListFindings(LengthUnit::Millimetre))->sentence($finding),
        );
    }

    public function test_what_can_not_be_told_is_said(): void
    {
        $words = new ListFindings(LengthUnit::Foot);
        self::assertSame(
            'International or US feet can’t be told apart here: it moves these points by 4.8 mm at most.',
            $words->untestable(Untestable::whichFeet(0.0048)),
        );
        foreach (UntestableKind::cases() as $kind) {
            self::assertMatchesRegularExpression('~can’t be told~', $words->untestable(Untestable::that($kind)), $kind->value);
        }
    }
}
