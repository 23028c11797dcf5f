<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;

/** What a practising surveyor or a test does in the world: each deed is one line, {"do": ...}. */
final class Drawer
{
    /** metres: radius of a place that gives no return */
    private const PUDDLE = 0.12;

    /** Seconds for which the instrument's link stays cut; read and cleared by the server. */
    public ?float $cut = null;

    public function __construct(private readonly StandIn $instrument) {}

    /**
     * @param  array<array-key, mixed>  $deed
     *  @return array<string, mixed> the world as it now is
     *  @throws \InvalidArgumentException|\DomainException with a sentence for whoever asked
     */
    public function do(array $deed): array
    {
        $world = $this->instrument->world;
        match ($deed['do'] ?? null) {
            'look' => null,
            'plant' => $this->plant($deed),
            'go' => $this->go((string) $this->text($deed, 'site')),
            'walk' => $this->walk($world->pole, $this->place($deed), $deed),
            'nudge' => $this->nudge($world->pole, $deed),
            'pole' => $this->holdPole($world->pole, $deed),
            'move_mark' => $world->moveMark(
                (string) $this->text($deed, 'mark'), $this->number($deed, 'north', 0.0), $this->number($deed, 'east', 0.0),
                $this->number($deed, 'up', 0.0),
            ),
            'swap_marks' => $world->swapMarks((string) $this->text($deed, 'mark'), (string) $this->text($deed, 'with')),
            'wrong_face' => $world->wrongFace = (bool) ($deed['on'] ?? true),
            'tape' => $world->tapeSlanted = (bool) ($deed['on'] ?? true),
            'set_constant' => $this->instrument->prismConstant = $this->number($deed, 'prismConstant', 0.0),
            'block' => $world->blocked = (bool) ($deed['on'] ?? true),
            'surfaces' => $this->lay($deed),
            'dull' => $this->surfaces()->dull[] = [$this->number($deed, 'northing'), $this->number($deed, 'easting'), self::PUDDLE],
            'dry' => $this->surfaces()->dull = [],
            'knock' => $world->knock((bool) ($deed['hard'] ?? false)),
            'level' => $world->tripod->tilt = 0.0,
            'tripod' => $world->standTripod(
                $this->text($deed, 'mark'), isset($deed['mark']) ? null : $this->place($deed), $this->number($deed, 'height', 1.6),
            ),
            'battery' => $world->battery = max(0.0, min(1.0, $this->number($deed, 'left', 1.0))),
            'air' => $world->air = new Atmosphere(
                $this->number($deed, 'pressure', 1013.25), $this->number($deed, 'temperature', 12.0),
                refraction: $this->number($deed, 'refraction', Atmosphere::REFRACTION),
            ),
            'haste' => $this->instrument->haste = max(0.1, min(100.0, $this->number($deed, 'factor', 1.0))),
            'cut' => $this->cut = max(0.0, $this->number($deed, 'seconds', 3.0)),
            default => throw new \InvalidArgumentException('Nothing of that name can be done in the practice world.'),
        };

        return $this->look();
    }

    /** @return array<string, mixed> */
    public function look(): array
    {
        $w = $this->instrument->world;
        $at = static fn (Position $p) => ['northing' => $p->northing, 'easting' => $p->easting, 'elevation' => $p->elevation];

        return [
            'site' => $w->site,
            'seed' => $w->seed,
            'marks' => array_map(
                static fn (string $name, Position $p) => ['name' => $name] + $at($p), array_map(strval(...), array_keys($w->marks)),
                array_values($w->marks),
            ),
            'pole' => $at($w->pole->tip) + [
                'height' => $w->pole->height, 'prismConstant' => $w->pole->prismConstant, 'unsteady' => $w->pole->unsteady,
                'tilt' => $w->pole->tilt, 'tiltAzimuth' => $w->pole->tiltAzimuth, 'walking' => $w->pole->goal !== null,
                'goal' => $w->pole->goal === null ? null : $at($w->pole->goal),
            ],
            'tripod' => $at($w->tripod->foot) + [
                'height' => $w->tripod->height,
                'tape' => $w->tapeSlanted ? StandIn::notch()->slanted($w->tripod->height) : $w->tripod->height,
                'tapeSlanted' => $w->tapeSlanted, 'over' => $w->tripod->over, 'tilt' => $w->tripod->tilt,
                'circleZero' => $w->tripod->circleZero,
            ],
            'air' => ['pressure' => $w->air->pressureHpa, 'temperature' => $w->air->temperatureCelsius],
            'blocked' => $w->blocked,
            'wrongFace' => $w->wrongFace,
            'battery' => $w->battery,
            'haste' => $this->instrument->haste,
        ];
    }

    /** @param  array<array-key, mixed>  $deed */
    private function plant(array $deed): void
    {
        $control = [];
        foreach (is_array($deed['control'] ?? null) ? $deed['control'] : [] as $mark) {
            if (is_array($mark)) {
                $control[(string) $this->text($mark, 'name')] = new Position(
                    $this->number($mark, 'northing'), $this->number($mark, 'easting'),
                    isset($mark['elevation']) ? $this->number($mark, 'elevation') : null,
                );
            }
        }
        $this->instrument->goTo(
            World::plant((string) $this->text($deed, 'site'), $control, (int) $this->number($deed, 'seed', 1.0)),
        );
    }

    /** A bare floor where none was laid. */
    private function surfaces(): Surfaces
    {
        $world = $this->instrument->world;

        return $world->surfaces ??= new Surfaces($world->tripod->foot->elevation);
    }

    /** @param  array<array-key, mixed>  $deed */
    private function lay(array $deed): void
    {
        $rows = fn (string $key, int $width): array => array_map(fn (mixed $row): array => array_map(
            fn (int $i): float => $this->number(is_array($row) ? $row : [], (string) $i), range(0, $width - 1),
        ), is_array($deed[$key] ?? null) ? array_values($deed[$key]) : []);
        /** @var list<array{float, float, float, float, float, float}> $walls */
        $walls = $rows('walls', 6);
        /** @var list<array{float, float, float}> $dull */
        $dull = $rows('dull', 3);
        $level = fn (string $key): ?float => isset($deed[$key]) ? $this->number($deed, $key) : null;
        $this->instrument->world->surfaces = new Surfaces(
            $level('floor'), $level('ceiling'), $walls, $dull, max(0.0, min(0.2, $this->number($deed, 'uneven', 0.025))),
        );
    }

    private function go(string $site): void
    {
        if ($site !== $this->instrument->world->site) {
            $this->instrument->goTo(
                $this->instrument->left[$site] ?? throw new \InvalidArgumentException('No practice site has been laid out there.'),
            );
        }
    }

    /** @param  array<array-key, mixed>  $deed */
    private function walk(Pole $pole, Position $goal, array $deed): void
    {
        $pole->speed = max(0.05, min(10.0, $this->number($deed, 'speed', 1.4)));
        $pole->goal = $goal->at($goal->elevation ?? $pole->tip->elevation);
        if (($deed['atOnce'] ?? false) === true) {
            $pole->tip = $pole->goal;
            $pole->goal = null;
        }
    }

    /** @param  array<array-key, mixed>  $deed */
    private function nudge(Pole $pole, array $deed): void
    {
        $pole->goal = null;
        $pole->tip = new Position(
            $pole->tip->northing + $this->number($deed, 'north', 0.0),
            $pole->tip->easting + $this->number($deed, 'east', 0.0),
            $pole->tip->elevation + $this->number($deed, 'up', 0.0),
        );
    }

    /** @param  array<array-key, mixed>  $deed */
    private function holdPole(Pole $pole, array $deed): void
    {
        $pole->height = $this->number($deed, 'height', $pole->height);
        $pole->prismConstant = $this->number($deed, 'prismConstant', $pole->prismConstant);
        $pole->unsteady = $this->number($deed, 'unsteady', $pole->unsteady);
        $pole->tilt = $this->number($deed, 'tilt', $pole->tilt);
        $pole->tiltAzimuth = $this->number($deed, 'tiltAzimuth', $pole->tiltAzimuth);
    }

    /**
     * A mark by name, or coordinates.
     *
     * @param  array<array-key, mixed>  $deed
     */
    private function place(array $deed): Position
    {
        $mark = $this->text($deed, 'mark');
        if ($mark !== null) {
            return $this->instrument->world->marks[$mark]
                ?? throw new \InvalidArgumentException("There is no mark “{$mark}” on this site.");
        }

        return new Position(
            $this->number($deed, 'northing'), $this->number($deed, 'easting'),
            isset($deed['elevation']) ? $this->number($deed, 'elevation') : null,
        );
    }

    /** @param  array<array-key, mixed>  $deed */
    private function number(array $deed, string $key, ?float $default = null): float
    {
        $value = $deed[$key] ?? $default;
        if ((! is_int($value) && ! is_float($value)) || ! is_finite((float) $value) || abs((float) $value) > 1e8) {
            throw new \InvalidArgumentException("“{$key}” must be a number.");
        }

        return (float) $value;
    }

    /** @param  array<array-key, mixed>  $deed */
    private function text(array $deed, string $key): ?string
    {
        $value = $deed[$key] ?? null;

        return is_string($value) || is_int($value) ? (string) $value : null;
    }
}
