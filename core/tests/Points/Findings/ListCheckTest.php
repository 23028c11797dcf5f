<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points\Findings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Findings\Axis;
use Parlay\Core\Points\Findings\Finding;
use Parlay\Core\Points\Findings\FindingKind;
use Parlay\Core\Points\Findings\ListCheck;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Points\Findings\UntestableKind;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A thousand seeded lists to each fault. The goals: the fault named in 95 of 100 where the data can tell, a false word on at most 2 of
 * 100 clean ones.
 */
final class ListCheckTest extends TestCase
{
    private const LISTS = 1000;

    #[DataProvider('surroundings')]
    public function test_a_clean_list_is_left_in_peace(?int $common): void
    {
        $false = 0;
        for ($seed = 1; $seed <= self::LISTS; $seed++) {
            $rows = Lists::clean($seed);
            $false += self::kinds($rows, $common === null ? new Surroundings : Lists::around($rows, $common)) === [] ? 0 : 1;
        }
        self::assertLessThanOrEqual(0.02 * self::LISTS, $false);
    }

    public static function surroundings(): array
    {
        return ['in an empty project' => [null], 'beside a site without common names' => [0], 'with common names' => [4]];
    }

    /** @param  callable(list<PointRow>, int): ?array{list<PointRow>, ?Surroundings}  $plant  null where the data can't tell */
    #[DataProvider('faults')]
    public function test_a_planted_fault_is_named(FindingKind $kind, callable $plant): void
    {
        [$named, $told] = self::measured($kind, $plant);
        self::assertSame(self::LISTS, $told);
        self::assertGreaterThanOrEqual(0.95, $named / $told, "$named of $told");
    }

    /**
     * @param  callable(list<PointRow>, int): ?array{list<PointRow>, Surroundings}  $plant
     * @return array{int, int} lists in which the fault was named, of so many
     */
    public static function measured(FindingKind $kind, callable $plant): array
    {
        $named = $told = 0;
        for ($seed = 1; $told < self::LISTS && $seed < 4 * self::LISTS; $seed++) {
            $rows = Lists::clean($seed);
            mt_srand($seed);
            $planted = $plant($rows, $seed);
            if ($planted !== null) {
                $told++;
                $named += in_array($kind, self::kinds($planted[0], $planted[1]), true) ? 1 : 0;
            }
        }

        return [$named, $told];
    }

    public static function faults(): array
    {
        $swap = static fn (PointRow $r) => Lists::row(
            $r->line, $r->name, $r->eastingText, $r->northingText, $r->position->elevation, LengthUnit::Metre,
        );
        $scaled = static fn (PointRow $r, float $f) => Lists::row(
            $r->line, $r->name, sprintf('%.3f', $r->position->northing * $f), sprintf('%.3f', $r->position->easting * $f),
            $r->position->elevation, LengthUnit::Metre,
        );
        $replaced = static function (array $rows, int $i, PointRow $row): array {
            $rows[$i] = $row;

            return $rows;
        };

        return [
            'exchanged, common names' => [
                FindingKind::Exchanged, static fn (array $rows) => [array_map($swap, $rows), Lists::around($rows, 4)],
            ],
            'exchanged, told by the place' => [
                FindingKind::Exchanged, static fn (array $rows) => [array_map($swap, $rows), Lists::around($rows, 0)],
            ],
            'millimetres read as metres, common names' => [
                FindingKind::Unit,
                static fn (array $rows) => [array_map(static fn ($r) => $scaled($r, 1000), $rows), Lists::around($rows, 3)],
            ],
            'millimetres read as metres, told by the place' => [
                FindingKind::Unit,
                static fn (array $rows) => [array_map(static fn ($r) => $scaled($r, 1000), $rows), Lists::around($rows, 0)],
            ],
            'millimetres in an empty project' => [FindingKind::Unit, static fn (array $rows, int $seed) => Lists::around($rows, 0)->extent[2] - Lists::around($rows, 0)->extent[0] < 40 ? null : [array_map(
                static fn (PointRow $r) => Lists::row(
                    $r->line, $r->name, (string) round($r->position->northing * 1000), (string) round($r->position->easting * 1000),
                    null, LengthUnit::Metre,
                ),
                $rows,
            ), new Surroundings]],
            'US feet read as feet, where it shows' => [FindingKind::Unit, static function (array $rows) {
                $off = 2e-6 * hypot($rows[3]->position->northing, $rows[3]->position->easting);

                return $off < 0.03 ? null : [Lists::written(array_map(static fn (PointRow $r) => [
                    $r->position->northing * 0.3048 / (1200 / 3937), $r->position->easting * 0.3048 / (1200 / 3937), null,
                ], $rows), LengthUnit::Foot), Lists::around($rows, 4)];
            }],
            'a digit wrong' => [FindingKind::Digit, static function (array $rows) use ($replaced) {
                $i = mt_rand(1, count($rows) - 1);
                $n = $rows[$i]->northingText;
                $at = mt_rand(0, strpos($n, '.') - 1);
                $n[$at] = (string) (((int) $n[$at] + mt_rand(1, 9)) % 10);

                return self::standsOff($rows, (float) $n, $i) ? [
                    $replaced($rows, $i, Lists::row($rows[$i]->line, $rows[$i]->name, $n, $rows[$i]->eastingText, null, LengthUnit::Metre)),
                    new Surroundings,
                ] : null;
            }],
            'an extra zero' => [FindingKind::Digit, static function (array $rows) use ($replaced) {
                $i = mt_rand(1, count($rows) - 1);
                $n = substr_replace($rows[$i]->northingText, '0', mt_rand(1, strpos($rows[$i]->northingText, '.')), 0);

                return self::standsOff($rows, (float) $n, $i) ? [
                    $replaced($rows, $i, Lists::row($rows[$i]->line, $rows[$i]->name, $n, $rows[$i]->eastingText, null, LengthUnit::Metre)),
                    new Surroundings,
                ] : null;
            }],
            'one row exchanged' => [
                FindingKind::RowExchanged, static fn (array $rows) => [$replaced($rows, 3, $swap($rows[3])), new Surroundings],
            ],
            'two names exchanged' => [FindingKind::NamesExchanged, static function (array $rows) {
                $around = Lists::around($rows, 4);
                [$rows[2], $rows[3]] = [$rows[2]->named($rows[3]->name), $rows[3]->named($rows[2]->name)];

                return [$rows, $around];
            }],
            'a row twice' => [FindingKind::RowTwice, static fn (array $rows) => [[...$rows, Lists::row(
                999, $rows[2]->name, $rows[2]->northingText, $rows[2]->eastingText, $rows[2]->position->elevation, LengthUnit::Metre,
            )], new Surroundings]],
            'one name for two places' => [
                FindingKind::OneNameTwoPlaces,
                static fn (array $rows) => [[...$rows, $rows[3]->named($rows[2]->name)], new Surroundings],
            ],
            'two names for one place' => [
                FindingKind::TwoNamesOnePlace, static fn (array $rows) => [[...$rows, $rows[3]->named('X')], new Surroundings],
            ],
            'all elevations 0' => [
                FindingKind::ZeroElevations,
                static fn (array $rows) => [array_map(static fn (PointRow $r) => $r->at($r->position->at(0.0)), $rows), new Surroundings],
            ],
            'another grid, common names' => [FindingKind::OtherGrid, static function (array $rows) {
                $turn = mt_rand(-100, 100) / 100;

                return [array_map(static fn (PointRow $r) => $r->at(new Position(
                    700 + ($r->position->northing - 5000) * cos($turn) - ($r->position->easting - 3000) * sin($turn),
                    300 + ($r->position->northing - 5000) * sin($turn) + ($r->position->easting - 3000) * cos($turn),
                )), $rows), Lists::around($rows, 5)];
            }],
            'another grid, told by the place' => [FindingKind::OtherGrid, static fn (array $rows) => [array_map(
                static fn (PointRow $r) => $r->at(new Position($r->position->northing + 1_834_000, $r->position->easting + 3_561_000)),
                $rows,
            ), Lists::around($rows, 0)]],
        ];
    }

    public function test_the_mend_of_a_digit_brings_the_point_home(): void
    {
        $rows = [
            Lists::row(2, 'A', '5200.100', '2350.000', 4.0, LengthUnit::Metre),
            Lists::row(3, 'B', '5210.200', '2360.000', 4.0, LengthUnit::Metre),
            Lists::row(4, 'C', '5220.300', '2370.000', 4.0, LengthUnit::Metre),
            Lists::row(5, 'D', '52150.400', '2365.000', 4.0, LengthUnit::Metre),
            Lists::row(6, 'E', '5230.500', '2355.000', 4.0, LengthUnit::Metre),
        ];
        $finding = ListCheck::examine($rows, LengthUnit::Metre, '.', new Surroundings)->findings[0];
        self::assertSame([FindingKind::Digit, [5]], [$finding->kind, $finding->rows]);
        self::assertEqualsWithDelta(
            [5215.04, 2365.0], [$finding->mend->places[0]['northing'], $finding->mend->places[0]['easting']], 100.0,
        );
        self::assertSame([Axis::Northing, '52150.400'], [$finding->evidence->axis, $finding->evidence->written]);
    }

    /** Three names in a ring: each stands where another belongs, and no two of them where the other does. */
    public function test_names_are_exchanged_only_where_each_stands_at_the_place_of_the_other(): void
    {
        $rows = Lists::clean(3);
        $around = Lists::around($rows, count($rows));
        [$rows[2], $rows[3], $rows[4]] = [$rows[2]->named($rows[3]->name), $rows[3]->named($rows[4]->name), $rows[4]->named($rows[2]->name)];
        $kinds = static fn (array $rows): array => array_map(static fn ($f) => $f->kind, ListCheck::examine($rows, LengthUnit::Metre, '.', $around)->findings);
        self::assertNotContains(FindingKind::NamesExchanged, $kinds($rows));
        [$rows[3], $rows[4]] = [$rows[3]->named($rows[4]->name), $rows[4]->named($rows[3]->name)];
        self::assertContains(FindingKind::NamesExchanged, $kinds($rows));
    }

    public function test_what_nothing_can_tell_is_said(): void
    {
        $report = ListCheck::examine(Lists::clean(5), LengthUnit::Metre, '.', new Surroundings);
        self::assertSame(UntestableKind::NothingToCompare, $report->untestable[0]->kind);
        $rows = Lists::written([[100.0, 200.0, null], [110.0, 210.0, null], [120.0, 190.0, null], [130.0, 205.0, null]], LengthUnit::Foot);
        self::assertSame(
            UntestableKind::WhichFeet, ListCheck::examine($rows, LengthUnit::Foot, '.', Lists::around($rows, 2))->untestable[0]->kind,
        );
    }

    /** The data can tell a wrong figure where it puts the point well outside the rest. */
    private static function standsOff(array $rows, float $northing, int $row): bool
    {
        unset($rows[$row], $rows[0]);
        $n = array_map(static fn (PointRow $r) => $r->position->northing, $rows);
        $e = array_map(static fn (PointRow $r) => $r->position->easting, $rows);
        $size = max(max($n) - min($n), max($e) - min($e));

        return $northing > max($n) + 1.5 * $size || $northing < min($n) - 1.5 * $size;
    }

    /** @return list<FindingKind> */
    private static function kinds(array $rows, Surroundings $around): array
    {
        return array_map(static fn (Finding $f) => $f->kind, ListCheck::examine(
            array_values($rows),
            $rows[0]->northingText !== '' && $around->named !== [] && self::inFeet($rows, $around) ? LengthUnit::Foot : LengthUnit::Metre,
            '.', $around,
        )->findings);
    }

    /** Lists written in feet carry metres that are not their text. */
    private static function inFeet(array $rows, Surroundings $around): bool
    {
        return abs((float) $rows[1]->northingText * 0.3048 - $rows[1]->position->northing) < 0.01;
    }
}
