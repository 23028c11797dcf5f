<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points\Findings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\Axis;
use Parlay\Core\Points\Findings\Digits;
use Parlay\Core\Points\Findings\Evidence;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Points\Findings\Findings;
use Parlay\Core\Points\Findings\Ground;
use Parlay\Core\Points\Findings\ListCheck;
use Parlay\Core\Points\Findings\MainCluster;
use Parlay\Core\Points\Findings\NumberSlip;
use Parlay\Core\Points\Findings\SlipKind;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Points\Findings\UntestableKind;
use Parlay\Core\Points\Findings\WholeList;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** Each sentence of the doctor with its figures, and each of its bounds from both sides; ListCheckTest counts how often it is right. */
final class WholeListTest extends TestCase
{
    /** Northing and easting of the site, metres. */
    private const SITE = [[5000.0, 2000.0], [5040.0, 2010.0], [5020.0, 2090.0], [5100.0, 2050.0], [5070.0, 2030.0]];

    public function test_common_names_tell_the_reading_with_both_distances(): void
    {
        $says = static fn (array $rows, LengthUnit $unit = LengthUnit::Metre): ?Evidence => WholeList::suspect($rows, $unit, self::named())->finding?->evidence;
        self::assertNull($says(self::rows()));
        // Exchanged, each lies as far off as the diagonal of its northing and easting.
        $off = array_map(static fn (array $p): float => M_SQRT2 * ($p[0] - $p[1]), self::SITE);
        sort($off);
        $exchanged = $says(self::rows(static fn (float $n, float $e) => [$e, $n]));
        self::assertSame([Ground::Names, 5, null], [$exchanged?->ground, $exchanged?->count, $exchanged?->readIn]);
        self::assertEqualsWithDelta([$off[2], 0.0], [$exchanged->away, $exchanged->within], 1e-9);
        $millimetres = $says(self::rows(static fn (float $n, float $e) => [1000 * $n, 1000 * $e]));
        self::assertSame(LengthUnit::Millimetre, $millimetres?->readIn);
        self::assertGreaterThan(1_000_000.0, $millimetres->away);
        // US feet read as feet at 2 km differ by 4 mm, at 4 km by 8: only then is it said.
        foreach ([[2000.0, false], [4000.0, true]] as [$far, $told]) {
            $rows = array_map(static fn (int $i): PointRow => new PointRow($i, "P$i", new Position($far + $i, 0.0), '', ''), [0, 1, 2]);
            $known = array_column(
                array_map(static fn (PointRow $r) => [$r->name, new Position($r->position->northing * (1200 / 3937) / 0.3048, 0.0)], $rows),
                1, 0,
            );
            self::assertSame($told, WholeList::suspect(
                $rows, LengthUnit::Foot, new Surroundings($known, [], [0.0, $far, 1.0, $far + 2]),
            )->finding?->kind === FindingKind::Unit);
        }
        // A shift that no other reading explains, and one within what marks may differ, are no other unit.
        self::assertNull($says(self::rows(static fn (float $n, float $e) => [$n + 0.04, $e])));
        self::assertNull($says(self::rows(static fn (float $n, float $e) => [$n + 0.9, $e])));
    }

    public function test_another_grid_is_told_with_its_turn_from_three_names_on(): void
    {
        foreach ([0.5, -0.5, 3.0] as $turn) {
            $turned = static fn (float $n, float $e): array => [
                700.0 + ($n - 5000) * cos($turn) - ($e - 2000) * sin($turn),
                300.0 + ($n - 5000) * sin($turn) + ($e - 2000) * cos($turn),
            ];
            $found = WholeList::suspect(self::rows($turned), LengthUnit::Metre, self::named())->finding;
            self::assertSame(FindingKind::OtherGrid, $found?->kind);
            self::assertSame(Ground::NamesTurned, $found->evidence->ground);
            self::assertEqualsWithDelta(
                [-$turn, 0.0], [$found->evidence->turn, $found->evidence->within], 1e-9,
                'the turn that brings the list onto the project',
            );
            self::assertNull(
                WholeList::suspect(array_slice(self::rows($turned), 0, 2), LengthUnit::Metre, self::named())->finding,
                'two names fit any turn',
            );
        }
    }

    public function test_us_feet_are_untestable_only_where_they_show_by_less_than_five_millimetres(): void
    {
        $rows = static fn (float $far): array => array_map(
            static fn (int $i): PointRow => new PointRow($i, "P$i", new Position($far + $i, 0.0), '', ''), [0, 1, 2],
        );
        foreach ([[2400.0, true], [2600.0, false]] as [$far, $told]) {
            $around = new Surroundings(
                array_column(array_map(static fn (PointRow $r) => [$r->name, $r->position], $rows($far)), 1, 0), [],
                [0.0, $far, 10.0, $far + 10],
            );
            $found = WholeList::suspect($rows($far), LengthUnit::Foot, $around)->untestable;
            self::assertSame($told, $found !== [], (string) $far);
            self::assertSame([], WholeList::suspect($rows($far), LengthUnit::Metre, $around)->untestable);
        }
        self::assertEqualsWithDelta(2e-6 * 2400.0, WholeList::suspect($rows(2398.0), LengthUnit::Foot, new Surroundings(
            array_column(array_map(static fn (PointRow $r) => [$r->name, $r->position], $rows(2398.0)), 1, 0), [], [0.0, 0.0, 1.0, 1.0],
        ))->untestable[0]->metres, 1e-9);
    }

    public function test_places_drawn_in_the_designs_tell_the_reading(): void
    {
        $spots = array_map(static fn (array $p) => new Position(...$p), self::SITE);
        $around = new Surroundings([], $spots, [2000.0, 5000.0, 2090.0, 5100.0]);
        $exchanged = WholeList::suspect(self::rows(static fn (float $n, float $e) => [$e, $n], 'X'), LengthUnit::Metre, $around)->finding;
        self::assertSame(
            [Ground::DrawnPlaces, 5, 0, null],
            [$exchanged?->evidence->ground, $exchanged?->evidence->count, $exchanged?->evidence->asRead, $exchanged?->evidence->readIn],
        );
        self::assertNull(WholeList::suspect(self::rows(null, 'X'), LengthUnit::Metre, $around)->finding);
        self::assertSame(
            [], WholeList::suspect(self::rows(null, 'X'), LengthUnit::Metre, $around)->untestable,
            'three that fall on drawn places are known',
        );
        // Two drawn places could be chance.
        $two = WholeList::suspect(
            self::rows(static fn (float $n, float $e) => [$e, $n], 'X'), LengthUnit::Metre,
            new Surroundings([], array_slice($spots, 0, 2), [2000.0, 5000.0, 2090.0, 5100.0]),
        )->finding;
        self::assertSame(Ground::Extent, $two?->evidence->ground);
    }

    /** Nothing in common: from every side, how far off the middle of the list lies, and whether another reading brings it in. */
    public function test_the_place_alone_tells_a_unit_an_exchange_or_another_grid(): void
    {
        $around = new Surroundings([], [], [2000.0, 5000.0, 2100.0, 5100.0]);
        $suspect = static fn (float $north, float $east, LengthUnit $unit = LengthUnit::Metre) => WholeList::suspect(
            self::rows(static fn (float $n, float $e) => [$n + $north, $e + $east], 'X'), $unit, $around,
        );
        foreach ([[20_000.0, 0.0], [-20_000.0, 0.0], [0.0, 20_000.0], [0.0, -20_000.0]] as [$north, $east]) {
            self::assertSame(FindingKind::OtherGrid, $suspect($north, $east)->finding?->kind, "$north $east");
            self::assertEqualsWithDelta(20_000.0, $suspect($north, $east)->finding?->evidence->away, 500.0);
        }
        // 3, 4, 5: both sides count.
        self::assertEqualsWithDelta(4900.0, $suspect(3000.0, 4000.0)->finding?->evidence->away, 100.0);
        foreach ([[250.0, 0.0], [-250.0, 0.0], [0.0, 250.0], [0.0, -250.0]] as [$north, $east]) {
            self::assertSame(
                UntestableKind::SmallDifferences, ($suspect($north, $east)->untestable[0] ?? null)?->kind,
                'beside the site within three of its sizes',
            );
        }
        foreach ([[600.0, 0.0], [-600.0, 0.0], [0.0, 600.0], [0.0, -600.0]] as [$north, $east]) {
            self::assertSame(
                UntestableKind::Beside, ($suspect($north, $east)->untestable[0] ?? null)?->kind,
                'farther, and not far enough for another grid',
            );
        }
        $feet = WholeList::suspect(
            self::rows(static fn (float $n, float $e) => [$n * 0.3048, $e * 0.3048], 'X'), LengthUnit::Foot, $around,
        )->finding;
        self::assertSame([FindingKind::Unit, 'm'], [$feet?->kind, $feet?->mend?->unit?->value]);
    }

    /** Written out by hand from what a slip is; each once, and never the number itself. */
    public function test_the_slips_of_a_short_number_are_all_there(): void
    {
        $slips = array_map(static fn (NumberSlip $s): string => $s->meant, Digits::slips('1.5'));
        $expected = ['.5', '1.'];
        foreach (range(0, 9) as $d) {
            array_push($expected, "$d.5", "1.$d", "{$d}1.5", "1{$d}.5", "1.{$d}5", "1.5$d");
        }
        // A digit is put in before one that is there: nothing is put in at a number's end.
        $expected = array_filter(
            array_unique($expected),
            static fn (string $x) => ! preg_match('~^(1\d\.5|1\.5\d)$~', $x) || in_array($x, ['11.5', '1.55'], true),
        );
        $expected[] = '15.';
        self::assertEqualsCanonicalizing(array_values(array_unique(array_diff($expected, ['1.5']))), $slips);
        $long = array_column(
            array_map(static fn (NumberSlip $s): array => [$s->meant, [$s->kind, $s->digit, $s->other]], Digits::slips('-120.34')), 1,
            0,
        );
        self::assertSame(
            [
                [SlipKind::Exchanged, '1', '2'], [SlipKind::MarkEarlier, '', ''], [SlipKind::MarkLater, '', ''],
                [SlipKind::Extra, '2', ''], [SlipKind::Extra, '0', ''], [SlipKind::Replaced, '9', '4'], [SlipKind::LeftOut, '7', ''],
            ],
            [$long['-210.34'], $long['-12.034'], $long['-1203.4'], $long['-10.34'], $long['-12.34'], $long['-120.39'], $long['-7120.34']],
        );
        self::assertArrayNotHasKey('-120.34', $long);
        self::assertContains(
            '72,5',
            array_map(static fn (NumberSlip $s): string => $s->kind === SlipKind::MarkLater ? $s->meant : '', Digits::slips('7,25')),
        );
    }

    public function test_the_body_of_a_list_leaves_what_stands_off_out_on_both_sides(): void
    {
        $row = static fn (int $i, float $n, float $e): PointRow => new PointRow($i, "P$i", new Position($n, $e), '', '');
        $rows = array_map(static fn (int $i) => $row($i, 100.0 + 10 * $i, 200.0 + 5 * $i), range(0, 10));
        $body = MainCluster::of([...$rows, $row(20, 9000.0, -9000.0), $row(21, -7000.0, 8000.0)]);
        self::assertSame([100.0, 200.0, 200.0, 250.0], [$body->south, $body->north, $body->west, $body->east]);
        self::assertSame(100.0, $body->size());
        self::assertSame([true, false, true, false], [
            $body->holdsNorthing(50.0, 0.5), $body->holdsNorthing(49.9, 0.5), $body->holdsNorthing(250.0, 0.5),
            $body->holdsNorthing(250.1, 0.5),
        ]);
        self::assertSame([true, false, true, false], [
            $body->holdsEasting(100.0, 1.0), $body->holdsEasting(99.0, 1.0), $body->holdsEasting(350.0, 1.0),
            $body->holdsEasting(351.0, 1.0),
        ]);
        self::assertSame(1.0, MainCluster::of([$rows[0]])->size(), 'one point has a size, too');
    }

    public function test_names_and_places_are_told_with_lines_and_distances(): void
    {
        $row = static fn (int $line, string $name, float $n, float $e, ?float $z = 1.0): PointRow => new PointRow(
            $line, $name, new Position($n, $e, $z), '', '', sprintf('%.3f', $n), sprintf('%.3f', $e),
        );
        $found = static fn (array $rows): array => array_map(static fn (Finding $f): array => [
            $f->kind, $f->evidence->names, $f->evidence->line, $f->evidence->lines, round((float) $f->evidence->away, 3),
        ], self::examined($rows)->findings);
        self::assertSame(
            [[FindingKind::RowTwice, ['A'], 1, [3, 4], 0.0]],
            $found([$row(1, 'A', 10, 10), $row(2, 'B', 20, 20), $row(3, 'A', 10, 10), $row(4, 'A', 10.0015, 10)]),
        );
        self::assertSame(
            [[FindingKind::OneNameTwoPlaces, ['A'], 1, [3], 5.0]],
            $found([$row(1, 'A', 10, 10), $row(2, 'B', 20, 20), $row(3, 'A', 13, 14)]),
        );
        self::assertSame(
            [[FindingKind::TwoNamesOnePlace, ['A', 'C'], 1, [3], 0.001]],
            $found([$row(1, 'A', 10, 10), $row(2, 'B', 20, 20), $row(3, 'C', 10.001, 9.9995)]),
        );
        self::assertSame(
            [], $found([$row(1, 'A', 10, 10), $row(2, 'C', 10, 10, 4.0), $row(3, 'D', 10, 10, null), $row(4, 'E', 10.0021, 10, 1.0)]),
            'one over the other, or without a height, or two millimetres away, is another place',
        );
        $zero = self::examined([$row(1, 'A', 10, 10, 0.0), $row(2, 'B', 20, 20, 0.0), $row(3, 'C', 30, 30, null)])->findings;
        self::assertSame([FindingKind::ZeroElevations, 2], [$zero[0]->kind, $zero[0]->evidence->count]);
        self::assertSame([], $found([$row(1, 'A', 10, 10, 0.0), $row(2, 'B', 20, 20, null)]), 'one may well be 0');
        $around = new Surroundings(['A' => new Position(10, 10), 'B' => new Position(20, 20)], [], [10.0, 10.0, 20.0, 20.0]);
        $exchanged = self::examined([$row(1, 'A', 20.01, 20, null), $row(2, 'B', 10, 10.03, null)], $around)->findings;
        self::assertSame([FindingKind::NamesExchanged, ['A', 'B']], [$exchanged[0]->kind, $exchanged[0]->evidence->names]);
        self::assertEqualsWithDelta([14.149, 0.03], [$exchanged[0]->evidence->away, $exchanged[0]->evidence->within], 0.005);
    }

    public function test_a_row_far_from_the_others_is_brought_home(): void
    {
        $row = static fn (int $line, float $n, float $e): PointRow => new PointRow(
            $line, "P$line", new Position($n, $e), '', '', sprintf('%.3f', $n), sprintf('%.3f', $e),
        );
        $rows = array_map(static fn (int $i) => $row($i, 5200.0 + 10 * $i, 2300.0 + 7 * ($i % 3)), range(1, 8));
        $slipped = self::examined([...$rows, $row(9, 5240.0, 23_070.0)])->findings;
        self::assertSame([FindingKind::Digit, [9]], [$slipped[0]->kind, $slipped[0]->rows]);
        $e = $slipped[0]->evidence;
        self::assertSame([['P9'], Axis::Easting, '23070.000'], [$e->names, $e->axis, $e->written]);
        self::assertEqualsWithDelta(20_756.0, $e->away, 1e-6);
        self::assertGreaterThan(1, count($e->slips));
        self::assertEqualsWithDelta(5240.0, $slipped[0]->mend?->places[0]['northing'], 1e-9);
        self::assertEqualsWithDelta(2307.0, $slipped[0]->mend?->places[0]['easting'], 10.0);
        $changed = self::examined([...$rows, $row(9, 2310.0, 5240.0)])->findings;
        self::assertSame(
            [FindingKind::RowExchanged, 5240.0, 2310.0],
            [$changed[0]->kind, $changed[0]->mend?->places[0]['northing'], $changed[0]->mend?->places[0]['easting']],
        );
        self::assertSame(
            [], self::examined([$row(1, 5200, 2300), $row(2, 5210, 2310), $row(3, 52_200, 2305)])->findings, 'of three none stands off',
        );
        self::assertSame([], self::examined([...$rows, $row(9, 5270.0, 2360.0)])->findings, 'a little farther is no slip');
    }

    public function test_whole_numbers_over_many_kilometres_are_millimetres(): void
    {
        $row = static fn (int $line, float $n, string $text): PointRow => new PointRow(
            $line, "P$line", new Position($n, 2 * $n), '', '', $text, (string) (2 * $n),
        );
        $rows = array_map(static fn (int $i) => $row($i, 10_000.0 * $i, (string) (10_000 * $i)), range(1, 5));
        $found = self::examined($rows)->findings;
        self::assertSame(
            [FindingKind::Unit, Ground::WholeNumbers, LengthUnit::Millimetre],
            [$found[0]->kind, $found[0]->evidence->ground, $found[0]->mend?->unit],
        );
        self::assertEqualsWithDelta(80_000.0, $found[0]->evidence->away, 1.0);
        self::assertSame([], self::examined([...$rows, $row(9, 20_000.5, '20000.5')])->findings, 'one decimal is enough');
        self::assertSame([], self::examined(array_slice($rows, 0, 2))->findings);
        self::assertSame([], ListCheck::examine($rows, LengthUnit::Millimetre, '.', new Surroundings)->findings);
    }

    /** @param  list<PointRow>  $rows */
    private static function examined(array $rows, Surroundings $around = new Surroundings): Findings
    {
        return ListCheck::examine($rows, LengthUnit::Metre, '.', $around);
    }

    private static function named(): Surroundings
    {
        $named = [];
        foreach (self::SITE as $i => [$n, $e]) {
            $named["P$i"] = new Position($n, $e);
        }

        return new Surroundings($named, [], [2000.0, 5000.0, 2090.0, 5100.0]);
    }

    /**
     * @param  (callable(float, float): array{float, float})|null  $as
     * @return list<PointRow>
     */
    private static function rows(?callable $as = null, string $prefix = 'P'): array
    {
        return array_map(static function (int $i) use ($as, $prefix): PointRow {
            [$n, $e] = $as === null ? self::SITE[$i] : $as(...self::SITE[$i]);

            return new PointRow($i + 2, "$prefix$i", new Position($n, $e), '', '', sprintf('%.3f', $n), sprintf('%.3f', $e));
        }, array_keys(self::SITE));
    }
}
