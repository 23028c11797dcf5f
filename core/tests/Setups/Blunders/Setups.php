<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\Blunders\Cause;
use Parlay\Core\Setups\Blunders\Occupied;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Tests\Setups\Field;
use Parlay\Core\Units\Angle;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Seeded setups, free or on a known mark: clean ones with the noise that the stated accuracy says, and ones with a planted blunder of
 * at least eight standard deviations.
 */
final class Setups
{
    public const BLUNDERS = [
        'digit', 'extra zero', 'exchanged', 'names exchanged', 'another mark',
        'pole not plumb', 'target height', 'prism constant', 'prism constant of all',
        'control moved', 'scale', 'tripod moved', 'wrong face', 'misread', 'reflection', 'two wrong', 'less exact',
    ];

    /** Seen in one face, with steep sights among them. */
    public const ONE_FACE = ['collimation', 'index'];

    /** Of setups on a known mark. */
    public const KNOWN = ['instrument height', 'slanted read as straight', 'another station', 'beside its mark'];

    /** Radius and depth of the notch that slanted heights go to, metres. */
    private const NOTCH = [0.12, 0.05];

    private const INSTRUMENT_HEIGHT = 1.6;

    private readonly Randomizer $random;

    public readonly Position $axis;

    /** @var array<string, Position> control as it is on site */
    private array $true = [];

    /** @var array<string, Position> control as it is listed */
    public array $control = [];

    /** @var list<ControlSight> */
    public array $sights = [];

    public ?Cause $cause = null;

    /** @var list<string> */
    public array $wrong = [];

    public ?Occupied $on = null;

    private readonly Accuracy $accuracy;

    /**
     * @param  float  $steep  how far up marks may lie, radians
     */
    public function __construct(
        int $seed,
        ?int $sights = null,
        float $steep = 0.0,
        private readonly bool $oneFace = false,
        bool $known = false,
    ) {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->accuracy = self::accuracy();
        $middle = new Position($this->between(4000, 9000) + 70_000, $this->between(1000, 9000) + 40_000, $this->between(5, 90));
        $this->axis = $middle->at($middle->elevation + 1.6);
        $count = $sights ?? $this->random->getInt(5, 8);
        for ($i = 0; $i < $count + 3; $i++) {
            $off = $this->between(15, 120);
            $mark = $middle->along($this->between(0, 2 * M_PI), $off);
            $up = $steep === 0.0 ? $this->between(-3, 6) : $off * tan($this->between(-$steep / 3, $steep));
            $mark = new Position(round($mark->northing, 3), round($mark->easting, 3), round($middle->elevation + $up, 3));
            $this->true["CP$i"] = $this->control["CP$i"] = $mark;
        }
        if ($known) {
            // It was centred and taped as well as is stated.
            $listed = new Position(
                $middle->northing + $this->noise($this->accuracy->centring), $middle->easting + $this->noise($this->accuracy->centring),
                $middle->elevation + $this->noise($this->accuracy->height),
            );
            $this->control['ST'] = $listed;
            $this->on = new Occupied('ST', $listed, self::INSTRUMENT_HEIGHT);
        }
        $this->measure(array_slice(array_keys($this->true), 0, $count), static fn (Position $p) => $p);
    }

    public static function accuracy(): Accuracy
    {
        return Accuracy::stated(2.0, 1.0, 1.5);
    }

    public static function planted(int $seed, string $blunder, ?int $sights = null): self
    {
        $known = in_array($blunder, self::KNOWN, true);
        $oneFace = in_array($blunder, self::ONE_FACE, true);
        $self = new self($seed, $sights ?? ($known ? 3 + $seed % 3 : null), $oneFace ? M_PI / 3 : 0.0, $oneFace, $known);
        $self->plant($blunder);

        return $self;
    }

    private function plant(string $blunder): void
    {
        $names = array_map(static fn (ControlSight $s) => $s->name, $this->sights);
        $i = $this->random->getInt(0, count($names) - 1);
        $name = $names[$i];
        $this->wrong = [$name];
        $at = $this->control[$name];
        // Eight times what holding the pole and measuring to it leaves, and up to ten times that.
        $size = 8 * $this->accuracy->ofDistance(100) * $this->between(1, 10);
        $this->cause = match ($blunder) {
            'digit' => $this->list($name, $this->digit($at), Cause::CoordinateDigit),
            'extra zero' => $this->list($name, new Position(10 * $at->northing, $at->easting, $at->elevation), Cause::CoordinateDigit),
            'exchanged' => $this->list($name, new Position($at->easting, $at->northing, $at->elevation), Cause::Exchanged),
            'names exchanged' => $this->exchange($name, $names[($i + 1) % count($names)]),
            'another mark' => $this->again(
                $i, fn () => $this->reading($this->true[$this->wrong[] = 'CP'.(count($this->true) - 1)]), Cause::AnotherMark,
            ),
            'pole not plumb' => $this->again($i, fn () => $this->reading(
                $this->true[$name]->along($this->between(0, 2 * M_PI), min(0.2, $size))->at($this->true[$name]->elevation),
            ), Cause::Shifted),
            'control moved' => $this->list($name, $at->along($this->between(0, 2 * M_PI), $size, $at->elevation), Cause::Shifted),
            'target height' => $this->again(
                $i,
                fn () => $this->reading($this->true[$name]->at($this->true[$name]->elevation + $this->sign() * $this->between(0.03, 0.4))),
                Cause::Height,
            ),
            'prism constant' => $this->again(
                $i, fn () => $this->reading($this->true[$name], $this->sign() * $this->between(0.0175, 0.04)), Cause::PrismConstant,
            ),
            'prism constant of all' => $this->all(fn (string $n) => $this->reading($this->true[$n], 0.0344), Cause::PrismConstantOfAll),
            'scale' => $this->all(fn (string $n) => $this->reading($this->true[$n], 0.0, 1.0004), Cause::Scale),
            'tripod moved' => $this->knock(),
            'wrong face' => $this->again($i, fn () => $this->reading($this->true[$name])->turned(M_PI), Cause::Misread),
            'misread' => $this->again(
                $i,
                fn () => $this->reading($this->true[$name])->turned(deg2rad($this->sign() * $this->one([1, 2, 5, 10, 20, 90, 100]))),
                Cause::Misread,
            ),
            'reflection' => $this->again(
                $i, fn () => $this->reading($this->true[$name], $this->sign() * $this->between(0.3, 8.0)), Cause::Reflection,
            ),
            'two wrong' => $this->two($i),
            'less exact' => $this->loosen(),
            'collimation' => $this->faces($this->sign() * $this->between(60, 300), 0.0, Cause::Collimation),
            'index' => $this->faces(0.0, $this->sign() * $this->between(30, 300), Cause::Index),
            'instrument height' => $this->stands(
                new Occupied('ST', $this->control['ST'], self::INSTRUMENT_HEIGHT + $this->sign() * $this->between(0.02, 0.3)), [],
                Cause::InstrumentHeight,
            ),
            'slanted read as straight' => $this->stands(new Occupied(
                'ST', $this->control['ST'], hypot(self::INSTRUMENT_HEIGHT - self::NOTCH[1], self::NOTCH[0]),
                notch: new Notch(...self::NOTCH),
            ), [], Cause::HeightOtherwise),
            'another station' => $this->stands(
                new Occupied($other = 'CP'.(count($this->true) - 1), $this->control[$other], self::INSTRUMENT_HEIGHT), ['ST'],
                Cause::AnotherStation,
            ),
            'beside its mark' => $this->stands(new Occupied('ST', $this->control['ST'] = $this->control['ST']->along(
                $this->between(0, 2 * M_PI), $this->between(0.02, 0.2), $this->control['ST']->elevation,
            ), self::INSTRUMENT_HEIGHT), ['ST'], Cause::StationShifted),
        };
    }

    /** @param  list<string>  $wrong */
    private function stands(Occupied $on, array $wrong, Cause $cause): Cause
    {
        $this->on = $on;
        $this->wrong = $wrong;

        return $cause;
    }

    /** Two sights, each wrong in its own way. */
    private function two(int $i): Cause
    {
        $k = ($i + $this->random->getInt(1, count($this->sights) - 1)) % count($this->sights);
        $this->wrong = [];
        foreach ([$i, $k] as $at) {
            $name = $this->wrong[] = $this->sights[$at]->name;
            $mark = $this->true[$name];
            $reading = match ($this->random->getInt(0, 3)) {
                0 => $this->reading($mark->along($this->between(0, 2 * M_PI), $this->between(0.03, 0.4), $mark->elevation)),
                1 => $this->reading($mark->at($mark->elevation + $this->sign() * $this->between(0.03, 0.4))),
                2 => $this->reading($mark, $this->sign() * $this->between(0.03, 2.0)),
                default => $this->reading($mark)->turned(deg2rad($this->sign() * $this->one([1, 2, 5, 10]))),
            };
            $this->again($at, static fn () => $reading, Cause::TwoSights);
        }

        return Cause::TwoSights;
    }

    /** All control is known less exactly than is said. */
    private function loosen(): Cause
    {
        $this->wrong = [];
        foreach ($this->control as $name => $p) {
            $this->control[$name] = new Position(
                $p->northing + $this->noise(0.004), $p->easting + $this->noise(0.004), $p->elevation + $this->noise(0.004),
            );
        }
        $this->relist();

        return Cause::LessExact;
    }

    /** The instrument's own errors, in one face: seconds. */
    private function faces(float $collimation, float $index, Cause $cause): Cause
    {
        $this->wrong = [];
        $this->sights = array_map(function (ControlSight $s) use ($collimation, $index): ControlSight {
            $sight = $this->reading($this->true[$s->name]);

            return $s->with(
                sight: $sight->turned(Angle::fromSeconds($collimation) / sin($sight->zenith))->lowered(Angle::fromSeconds($index)),
            );
        }, $this->sights);

        return $cause;
    }

    /** @param  non-empty-list<int>  $of */
    private function one(array $of): int
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    /** One digit of northing or easting another, of 0.1 m or more. */
    private function digit(Position $p): Position
    {
        $north = $this->random->getInt(0, 1) === 1;
        $text = sprintf('%.3f', $north ? $p->northing : $p->easting);
        $places = array_values(array_diff(range(0, strlen($text) - 3), [strpos($text, '.')]));
        $k = $places[$this->random->getInt(0, count($places) - 1)];
        $text[$k] = (string) (((int) $text[$k] + $this->random->getInt(1, 9)) % 10);

        return $north ? new Position((float) $text, $p->easting, $p->elevation) : new Position($p->northing, (float) $text, $p->elevation);
    }

    private function list(string $name, Position $at, Cause $cause): Cause
    {
        $this->control[$name] = $at;
        $this->relist();

        return $cause;
    }

    private function exchange(string $a, string $b): Cause
    {
        [$this->control[$a], $this->control[$b]] = [$this->control[$b], $this->control[$a]];
        $this->wrong = [$a, $b];
        $this->relist();

        return Cause::NamesExchanged;
    }

    private function relist(): void
    {
        $this->sights = array_map(fn (ControlSight $s) => $s->with(control: $this->control[$s->name]), $this->sights);
    }

    /** @param  callable(): Sight  $sight */
    private function again(int $i, callable $sight, Cause $cause): Cause
    {
        $s = $this->sights[$i];
        $this->sights[$i] = $s->with(sight: $sight());

        return $cause;
    }

    /** @param  callable(string): Sight  $sight */
    private function all(callable $sight, Cause $cause): Cause
    {
        $this->wrong = [];
        $this->sights = array_map(static fn (ControlSight $s) => $s->with(sight: $sight($s->name)), $this->sights);

        return $cause;
    }

    /** From a sight on the tripod stands a little elsewhere and turned. */
    private function knock(): Cause
    {
        $from = $this->random->getInt(2, count($this->sights) - 2);
        $axis = $this->axis->along($this->between(0, 2 * M_PI), $this->between(0.02, 0.05), $this->axis->elevation);
        $turn = $this->sign() * $this->between(0.0004, 0.003);
        foreach ($this->sights as $i => $s) {
            if ($i >= $from) {
                $this->sights[$i] = $s->with(sight: $this->reading($this->true[$s->name], 0.0, 1.0, $axis, $turn));
            }
        }
        $this->wrong = [$this->sights[$from]->name];

        return Cause::TripodMoved;
    }

    /** @param  list<string>  $names */
    private function measure(array $names, callable $where): void
    {
        foreach ($names as $name) {
            $this->sights[] = new ControlSight(
                $name, $this->control[$name], $this->reading($where($this->true[$name])), angleFactor: $this->oneFace ? M_SQRT2 : 1.0,
                oneFace: $this->oneFace,
            );
        }
    }

    /** To a prism 1.8 m over a mark, with the noise of instrument and pole. */
    private function reading(Position $mark, float $constant = 0.0, float $scale = 1.0, ?Position $axis = null, float $turn = 0.0): Sight
    {
        $axis ??= $this->axis;
        $prism = new Position(
            $mark->northing + $this->noise($this->accuracy->centring), $mark->easting + $this->noise($this->accuracy->centring),
            (float) $mark->elevation + 1.8 + $this->noise($this->accuracy->height),
        );
        [$slope, $zenith] = Field::light($axis, $prism);

        return Sight::reduce(new RawReading(
            Angle::wrap($axis->azimuthTo($prism) - 1.2345 + $turn + $this->noise($this->angles())),
            $zenith + $this->noise($this->angles()),
            $slope * $scale + $constant + $this->noise(hypot($this->accuracy->distance, $this->accuracy->distancePpm * 1e-6 * $slope)),
        ), new Atmosphere, new Target(1.8));
    }

    private function angles(): float
    {
        return $this->accuracy->angle * ($this->oneFace ? M_SQRT2 : 1.0);
    }

    private function sign(): int
    {
        return $this->random->getInt(0, 1) === 1 ? 1 : -1;
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    /** Normal, by Box and Muller. */
    private function noise(float $deviation): float
    {
        return $deviation * sqrt(-2 * log($this->between(1e-9, 1.0))) * cos($this->between(0, 2 * M_PI));
    }
}
