<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Refusal;

/** One line of the instrument's protocol; described in docs/instrument-protocol.md. */
final readonly class Message
{
    /** @param  array<string, mixed>  $fields */
    private function __construct(public array $fields) {}

    public static function done(int $number, ?RawReading $reading = null): self
    {
        return new self(['re' => $number, 'ok' => true] + ($reading === null ? [] : ['reading' => self::fieldsOf($reading)]));
    }

    public static function refused(int $number, Refusal $why): self
    {
        return new self(['re' => $number, 'ok' => false, 'why' => $why->value]);
    }

    public static function tracked(RawReading $reading): self
    {
        return new self(['event' => 'reading', 'reading' => self::fieldsOf($reading), 'age' => 0.0]);
    }

    public static function status(StandIn $instrument, ?Refusal $trouble, bool $level): self
    {
        $accuracy = StandIn::accuracy();

        return new self([
            'event' => 'status',
            'model' => StandIn::MODEL,
            'serial' => StandIn::serial($instrument->world->seed),
            'accuracy' => ['angle' => $accuracy->angle, 'distance' => $accuracy->distance, 'ppm' => $accuracy->distancePpm],
            'level' => $level,
            'tilt' => $instrument->world->tripod->tilt,
            'locked' => $instrument->locked,
            'tracking' => $instrument->tracking,
            'battery' => $instrument->world->battery,
            'circle' => $instrument->circle,
            'zenith' => $instrument->zenith,
            'trouble' => $trouble?->value,
            'ppm' => $instrument->ppm,
            'prism_constant' => $instrument->prismConstant,
            // A barometer of a tenth of a hectopascal.
            'pressure' => round($instrument->world->air->pressureHpa, 1),
        ]);
    }

    public function line(): string
    {
        return json_encode($this->fields, JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, float> */
    private static function fieldsOf(RawReading $r): array
    {
        return [
            'circle' => $r->circle, 'zenith' => $r->zenith, 'slope' => $r->slope, 'ppm' => $r->ppmApplied,
            'prism_constant' => $r->prismConstantApplied,
        ];
    }
}
