<?php

declare(strict_types=1);

namespace Parlay\Simulator\Tests;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\GridLines;
use Parlay\Core\Setups\KnownPoint;
use Parlay\Core\Setups\LineShot;
use Parlay\Core\Setups\MeasuredBaseline;
use Parlay\Core\Setups\Precision;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\SetUpAgain;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Setups\SiteLine;
use Parlay\Core\Units\Angle;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\World;

/** Each way to set up, against the stand-in: whether what it says of itself holds the truth, which only the stand-in knows. */
final class Methods
{
    public const ALL = [
        'resection', 'angles alone', 'distances alone', 'known point', 'several backsights', 'given direction', 'grid lines',
        'measured baseline', 'height only', 'orientation only',
    ];

    /**
     * How far the marks lie from their coordinates, and how still the pole is held, which does not rise or sink; all is said to the
     * computation as it is.
     */
    private const ERROR = 0.0015;

    private const CONTROL = [
        'A' => [1000.0, 2000.0, 10.0], 'B' => [1060.0, 2015.0, 11.0], 'C' => [1030.0, 2090.0, 9.5], 'D' => [962.0, 2071.0, 10.4],
        'E' => [1010.0, 2052.0, 10.1],
    ];

    private readonly World $world;

    private readonly StandIn $instrument;

    private readonly Accuracy $accuracy;

    private function __construct(int $seed)
    {
        $this->world = World::plant(
            'test', array_map(static fn (array $p) => new Position(...$p), self::CONTROL), $seed, self::ERROR, self::ERROR,
        );
        $this->world->pole->unsteady = self::ERROR;
        $this->instrument = new StandIn($this->world);
        $stated = StandIn::accuracy();
        $this->accuracy = new Accuracy($stated->angle, $stated->distance, $stated->distancePpm, self::ERROR, 0.0001);
    }

    /**
     * Whether the truth lies within what is stated with 95 % for the place, and for a point 60 m off where the method finds an
     * orientation.
     */
    public static function holds(string $method, int $seed): bool
    {
        $self = new self($seed);

        return match ($method) {
            'resection' => $self->near(Resection::solve($self->sights('A', 'B', 'C', 'D'), $self->height(), $self->accuracy)),
            'angles alone' => $self->near(Resection::solve(
                array_map(static fn (ControlSight $s) => $s->with(distance: false), $self->sights('A', 'B', 'C', 'D')), $self->height(),
                $self->accuracy,
            )),
            'distances alone' => $self->near(Resection::solve(
                array_map(static fn (ControlSight $s) => $s->with(direction: false), $self->sights('A', 'B', 'C')), $self->height(),
                $self->accuracy,
            )),
            'known point' => $self->over('E')->far((new KnownPoint(
                self::at('E'), $self->height(), $self->accuracy, self::ERROR, self::ERROR,
            ))->onBacksights($self->sights('C'))),
            'several backsights' => $self->over('E')->far((new KnownPoint(
                self::at('E'), $self->height(), $self->accuracy, self::ERROR, self::ERROR,
            ))->onBacksights($self->sights('A', 'B', 'D'))),
            'given direction' => $self->over('E')->givenDirection(),
            'grid lines' => $self->gridLines(),
            'measured baseline' => $self->baseline(),
            'height only' => $self->heightOnly(),
            'orientation only' => $self->orientationOnly(),
            default => throw new \LogicException("There is no method “{$method}”."),
        };
    }

    private function givenDirection(): bool
    {
        $this->world->pole->tip = $this->world->marks['B'];
        // The direction is that of the marks as they really lie: it is the place of the station that is off.
        $true = $this->world->marks['E']->azimuthTo($this->world->marks['B']);

        return $this->far(
            (new KnownPoint(self::at('E'), $this->height(), $this->accuracy, self::ERROR))->onDirection($this->sight(), $true),
        );
    }

    private function gridLines(): bool
    {
        $middle = $this->world->tripod->foot;
        [$n, $e] = [$middle->northing - 14.0, $middle->easting - 9.0];
        $lines = [
            new SiteLine('A', new Position($n, $e), new Position($n, $e + 40.0)),
            new SiteLine('1', new Position($n, $e), new Position($n + 45.0, $e)),
        ];
        $shots = [];
        foreach ($lines as $line) {
            foreach ([4.0, 17.0, 36.0] as $at) {
                $this->world->pole->tip = $line->from->along($line->azimuth(), $at, $middle->elevation);
                $shots[] = new LineShot($line, $this->sight());
            }
        }

        return $this->near((new GridLines($shots, $this->height(), $this->accuracy))->places()[0]->solution);
    }

    /** In a system in which the station is where it was assumed, and the marks lie as they do seen from it. */
    private function baseline(): bool
    {
        $foot = $this->world->tripod->foot;
        $sights = [];
        foreach (['A', 'B'] as $name) {
            $this->world->pole->tip = $this->world->marks[$name];
            $sights[] = $this->sight();
        }
        $base = MeasuredBaseline::solve(
            $foot, $this->height(), $sights[0], $sights[1], $this->world->marks['A']->azimuthTo($this->world->marks['B']),
            $this->accuracy,
        );

        // Only the orientation can be wrong here, so it is a matter of one dimension.
        return abs(
            Angle::signed($base->solution->station->orientation - $this->world->tripod->circleZero),
        ) <= 1.96 * (float) $base->solution->precision->orientation();
    }

    private function heightOnly(): bool
    {
        $foot = $this->world->tripod->foot;
        $zero = [0.0, 0.0, 0.0];
        $again = new SetUpAgain(
            new Station($foot->at(null), $this->world->tripod->circleZero, $this->height()), new Precision([$zero, $zero, $zero], null),
            $this->accuracy,
        );
        $found = $again->height($this->sights('A', 'B', 'D'));

        return abs($found->station->mark->elevation - $foot->elevation) <= 1.96 * $found->precision->height();
    }

    private function orientationOnly(): bool
    {
        $held = Resection::solve($this->sights('A', 'B', 'C', 'D'), $this->height(), $this->accuracy);
        $this->world->tripod->circleZero += 0.7;

        return $this->far((new SetUpAgain($held->station, $held->precision, $this->accuracy))->orientation($this->sights('B', 'D')));
    }

    /** Over a mark as well as an instrument is centred. */
    private function over(string $mark): self
    {
        $m = $this->world->marks[$mark];
        $this->world->standTripod(null, new Position(
            $m->northing + $this->world->noise->normal(self::ERROR), $m->easting + $this->world->noise->normal(self::ERROR),
            $m->elevation,
        ), 1.55);

        return $this;
    }

    private function near(SetupSolution $s): bool
    {
        $true = $this->world->tripod->foot;

        return $s->precision->ellipse()->holds($true->northing - $s->station->mark->northing, $true->easting - $s->station->mark->easting);
    }

    /** A point staked 60 m off from this setup with an errorless shot: where it comes to lie, against the ellipse stated for it. */
    private function far(SetupSolution $s): bool
    {
        $circle = 1.1;
        $meant = $s->station->mark->along($s->station->azimuthOf($circle), 60.0);
        $comes = $this->world->tripod->foot->along($this->world->tripod->circleZero + $circle, 60.0);
        $ellipse = $s->precision->at($s->station->mark, $meant);

        return $ellipse->holds($comes->northing - $meant->northing, $comes->easting - $meant->easting);
    }

    private static function at(string $name): Position
    {
        return new Position(...self::CONTROL[$name]);
    }

    private function height(): float
    {
        return $this->world->tripod->height;
    }

    /** @return list<ControlSight> */
    private function sights(string ...$names): array
    {
        return array_map(function (string $name): ControlSight {
            $this->world->pole->tip = $this->world->marks[$name];

            return new ControlSight($name, self::at($name), $this->sight(), planDeviation: self::ERROR, heightDeviation: self::ERROR);
        }, array_values($names));
    }

    private function sight(): Sight
    {
        return Sight::reduce($this->instrument->readNow(), $this->world->air, new Target(2.0));
    }
}
