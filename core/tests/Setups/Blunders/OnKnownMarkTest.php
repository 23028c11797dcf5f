<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Setups\Blunders\BlunderDetection;
use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\Blunders\Explanation;
use Parlay\Core\Setups\Blunders\Occupied;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Tests\Setups\Field;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A setup over a known mark: what is wrong with the mark, its height, or a backsight. */
final class OnKnownMarkTest extends TestCase
{
    private const EACH = 40;

    private Field $field;

    /** @var list<ControlSight> */
    private array $sights;

    /** @var array<string, Position> */
    private array $control;

    private Occupied $on;

    public function test_clean_setups_are_seldom_suspected(): void
    {
        foreach ([1, 2, 3, 5] as $count) {
            $false = 0;
            for ($seed = 1; $seed <= 150; $seed++) {
                $this->make($seed, $count);
                $false += $this->explained() === null ? 0 : 1;
            }
            // 2 in 100 are to be expected: more than 9 of 150 would come once in 800 times.
            self::assertLessThanOrEqual(9, $false, "$count sights");
        }
    }

    /** @return iterable<string, array{int, callable(self): void, Cause, list<string>}> */
    public static function blunders(): iterable
    {
        $over = static fn (Occupied $on, float $height, ?Notch $notch = null, ?float $slanted = null): Occupied => new Occupied(
            $on->name, $on->mark, $height, 0.0, 0.0, $notch, $slanted,
        );
        $notch = new Notch(0.12, 0.05);
        foreach ([1, 3] as $count) {
            yield "instrument height, $count sights" => [
                $count, static fn (self $t) => $t->on = $over($t->on, Field::INSTRUMENT_HEIGHT + 0.04), Cause::InstrumentHeight, [],
            ];
            yield "slanted read as straight, $count sights" => [
                $count, static fn (self $t) => $t->on = $over($t->on, hypot(Field::INSTRUMENT_HEIGHT - 0.05, 0.12), $notch),
                Cause::HeightOtherwise, [],
            ];
            yield "straight read as slanted, $count sights" => [
                $count,
                static fn (self $t) => $t->on = $over($t->on, $notch->straight(Field::INSTRUMENT_HEIGHT), $notch, Field::INSTRUMENT_HEIGHT),
                Cause::HeightOtherwise, [],
            ];
            yield "another mark sighted, $count sights" => [
                $count, static fn (self $t) => $t->sights[0] = self::renamed($t->sights[0], 'CP2', $t->control['CP2']),
                Cause::AnotherMark, ['CP2', 'CP1'],
            ];
        }
        yield 'another station' => [
            3, static fn (self $t) => $t->on = new Occupied('CP5', $t->control['CP5'], Field::INSTRUMENT_HEIGHT), Cause::AnotherStation,
            ['ST'],
        ];
        yield 'one target height' => [3, static fn (self $t) => $t->sights[1] = $t->sights[1]->with(
            control: $t->sights[1]->control->at($t->sights[1]->control->elevation + 0.1),
        ), Cause::Height, ['CP2']];
        yield 'names exchanged' => [3, static fn (self $t) => [$t->sights[0], $t->sights[1]] = [
            self::renamed($t->sights[0], 'CP2', $t->control['CP2']), self::renamed($t->sights[1], 'CP1', $t->control['CP1']),
        ], Cause::NamesExchanged, ['CP2', 'CP1']];
    }

    /** @param  list<string>  $names */
    #[DataProvider('blunders')]
    public function test_a_blunder_is_found_with_its_cause(int $count, callable $plant, Cause $cause, array $names): void
    {
        $right = 0;
        $said = [];
        for ($seed = 1; $seed <= self::EACH; $seed++) {
            $this->make($seed, $count);
            $plant($this);
            $best = $this->explained()[0] ?? null;
            $right += $best?->cause === $cause && $best->sights === $names ? 1 : 0;
            $said[] = $best?->cause->value.' '.implode(' ', $best->sights ?? []);
        }
        self::assertGreaterThanOrEqual(self::EACH - 4, $right, json_encode(array_count_values($said)) ?: '');
    }

    public function test_the_value_mends_the_height(): void
    {
        $this->make(3, 4);
        $this->on = new Occupied($this->on->name, $this->on->mark, 1.55);
        $best = ($this->explained() ?? [])[0];
        self::assertEqualsWithDelta(0.05, $best->value, 0.004);
        self::assertSame([Cause::InstrumentHeight, 'ST', null], [$best->cause, $best->details->station, $best->details->alone]);
        self::assertLessThan(0.0, $best->details->by, 'all sights come out too low');
        $this->on = new Occupied($this->on->name, $this->on->mark, 1.55 + (float) $best->value);
        self::assertNull($this->explained());
    }

    public function test_many_small_differences_are_called_control_less_exact_than_said_and_no_blunder(): void
    {
        $said = [];
        $sizes = [];
        for ($seed = 1; $seed <= 60; $seed++) {
            $this->make($seed, 4);
            foreach ($this->sights as $i => $s) {
                $this->sights[$i] = $s->with(control: new Position(
                    $s->control->northing + $this->field->noise(0.002), $s->control->easting + $this->field->noise(0.002),
                    $s->control->elevation + $this->field->noise(0.002),
                ));
            }
            $best = $this->explained()[0] ?? null;
            if ($best !== null) {
                $said[] = $best->cause->value;
                self::assertTrue($best->cause === Cause::LessExact || $best->size === null || $best->size >= 0.003, $best->cause->value);
                if ($best->cause === Cause::LessExact) {
                    $sizes[] = 1000.0 * (float) $best->details->by;
                }
            }
        }
        self::assertGreaterThan(4, count($sizes), json_encode(array_count_values($said)) ?: '');
        self::assertEqualsWithDelta(2.0, array_sum($sizes) / count($sizes), 1.0);
    }

    public function test_a_mark_without_elevation_is_judged_in_plan_alone(): void
    {
        $this->make(4, 3);
        $this->on = new Occupied('ST', $this->on->mark->at(null), 5.9);
        self::assertNull($this->explained(), 'its height says nothing then');
        $this->sights[2] = $this->sights[2]->with(control: $this->sights[2]->control->along(1.0, 0.4));
        self::assertSame(['CP3'], ($this->explained() ?? [])[0]->sights);
        self::assertNull(BlunderDetection::explain([], $this->control, $this->field->accuracy, on: $this->on));
    }

    /** A mark with an instrument over it, centred and taped as well as is stated. */
    private function make(int $seed, int $count): void
    {
        $mark = new Position(5000.0, 2000.0, 40.0);
        $luck = new Field($seed + 7000);
        $a = $luck->accuracy;
        $this->field = new Field($seed, new Position(
            $mark->northing + $luck->noise($a->centring), $mark->easting + $luck->noise($a->centring), 40.0 + $luck->noise($a->height),
        ));
        $all = $this->field->sights(6);
        $this->control = array_column(array_map(static fn (ControlSight $s) => [$s->name, $s->control], $all), 1, 0) + ['ST' => $mark];
        $this->sights = array_slice($all, 0, $count);
        $this->on = new Occupied('ST', $mark, Field::INSTRUMENT_HEIGHT);
    }

    /** @return list<Explanation>|null */
    private function explained(): ?array
    {
        return BlunderDetection::explain($this->sights, $this->control, $this->field->accuracy, on: $this->on);
    }

    private static function renamed(ControlSight $s, string $name, Position $control): ControlSight
    {
        return new ControlSight($name, $control, $s->sight);
    }
}
