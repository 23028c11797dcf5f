<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Buildings\Revision;

use Parlay\Core\Buildings\Revision\ModelComparison;
use Parlay\Core\Buildings\Revision\Standing;
use Parlay\Core\Buildings\Revision\ThingChange;
use Parlay\Core\Geometry\Frame;
use PHPUnit\Framework\TestCase;

/** Two revisions of things, with and without ids that lasted. */
final class ModelComparisonTest extends TestCase
{
    private static function thing(int $number, string $guid, float $x, float $turn = 0.0, float $long = 0.3, string $shape = 's', string $topology = 't', string $class = 'Plate', string $type = 'BP'): Standing
    {
        $place = Frame::ofAxes([cos($turn), sin($turn), 0.0], [-sin($turn), cos($turn), 0.0], [0.0, 0.0, 1.0], [$x, 5.0, 2.0]);

        return new Standing(
            number: $number, guid: $guid, name: "Thing $number", class: $class, type: $type, shape: $shape, topology: $topology, place: $place, low: [-$long / 2, -0.1, 0.0], high: [$long / 2, 0.1, 0.02],
        );
    }

    /** @return array<string, array{float, float, bool, bool}> by the number before and after */
    private static function changes(ModelComparison $c): array
    {
        $said = [];
        foreach ($c->changes as $k) {
            $said[($k->before->number ?? '-').'>'.($k->after->number ?? '-')] = [round($k->moved, 6), round($k->turned, 6), $k->resized, $k->reshaped];
        }
        ksort($said);

        return $said;
    }

    public function test_by_their_ids_things_are_added_gone_moved_turned_resized_and_reshaped(): void
    {
        $before = [self::thing(1, 'a', 0.0), self::thing(2, 'b', 1.0), self::thing(3, 'c', 2.0), self::thing(4, 'd', 3.0), self::thing(5, 'e', 4.0), self::thing(6, 'f', 5.0)];
        $after = [
            self::thing(11, 'a', 0.0004), self::thing(12, 'b', 1.04), self::thing(13, 'c', 2.0, 0.2), self::thing(14, 'd', 3.0, 0.0, 0.35, 'other'),
            self::thing(15, 'e', 4.0, 0.0, 0.3, 'bored', 'bored'), self::thing(17, 'g', 90.0, 0.0, 0.9, 'new'),
        ];
        $c = ModelComparison::between($before, $after);
        self::assertSame(1, $c->unchanged, 'what went by less than anybody stakes');
        self::assertSame([
            '->17' => [0.0, 0.0, false, false], '2>12' => [0.04, 0.0, false, false], '3>13' => [0.0, 0.2, false, false], '4>14' => [0.0, 0.0, true, false],
            '5>15' => [0.0, 0.0, false, true], '6>-' => [0.0, 0.0, false, false],
        ], self::changes($c));
        self::assertSame([], $c->renamed);
        self::assertEqualsWithDelta([0.35, 0.2, 0.02], $c->changes[2]->after?->size(), 1e-12);
    }

    public function test_where_ids_are_new_things_are_known_by_shape_and_place(): void
    {
        $before = [self::thing(1, 'a', 0.0), self::thing(2, 'b', 1.0), self::thing(3, 'c', 2.0), self::thing(4, 'd', 3.0, class: 'Column')];
        $after = [
            self::thing(11, 'x', 1.05), self::thing(12, 'y', 0.05), self::thing(13, 'z', 2.1, 0.0, 0.4, 'larger', type: 'BP 400'), self::thing(14, 'w', 3.0, class: 'Beam'),
        ];
        $c = ModelComparison::between($before, $after);
        self::assertSame([1 => 12, 2 => 11, 3 => 13], $c->renamed);
        self::assertSame([
            '->14' => [0.0, 0.0, false, false], '1>12' => [0.05, 0.0, false, false], '2>11' => [0.05, 0.0, false, false], '3>13' => [0.1, 0.0, true, false], '4>-' => [0.0, 0.0, false, false],
        ], self::changes($c));
    }

    public function test_one_id_carried_twice_is_taken_in_its_order_and_none_is_no_id(): void
    {
        $c = ModelComparison::between(
            [self::thing(1, 'a', 0.0), self::thing(2, 'a', 1.0), self::thing(3, '', 50.0)], [self::thing(4, 'a', 0.0), self::thing(5, 'a', 1.0), self::thing(6, '', 200.0)],
        );
        self::assertSame(2, $c->unchanged);
        self::assertSame(['->6', '3>-'], array_keys(self::changes($c)));
        self::assertSame([], ModelComparison::between([], [])->changes);
        self::assertInstanceOf(ThingChange::class, ModelComparison::between([], [self::thing(1, 'a', 0.0)])->changes[0]);
    }
}
