<?php

declare(strict_types=1);

namespace App\Instrument;

use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Core\Instrument\RawReading;

/** Status and readings as the live row keeps them. */
final class LiveStatus
{
    /** @return array<string, mixed> */
    public static function toArray(InstrumentStatus $s): array
    {
        return [
            'model' => $s->model, 'serial' => $s->serial, 'level' => $s->level, 'locked' => $s->locked, 'tracking' => $s->tracking,
            'battery' => $s->battery, 'tilt' => $s->tilt, 'circle' => $s->circle, 'zenith' => $s->zenith,
            'trouble' => $s->trouble?->sentence(),
            'ppm' => $s->ppm, 'prism_constant' => $s->prismConstant, 'pressure' => $s->pressure,
            'accuracy' => ['angle' => $s->accuracy->angle, 'distance' => $s->accuracy->distance, 'ppm' => $s->accuracy->distancePpm],
        ];
    }

    /**
     * @param  bool  $dot  of what the red dot hit
     * @return array<string, float>
     */
    public static function reading(RawReading $r, bool $dot = false): array
    {
        return ['dot' => $dot ? 1.0 : 0.0,
            'circle' => $r->circle, 'zenith' => $r->zenith, 'slope' => $r->slope, 'ppm' => $r->ppmApplied,
            'prism_constant' => $r->prismConstantApplied,
        ];
    }

    /** @param  array<string, mixed>  $stored */
    public static function restore(array $stored): RawReading
    {
        return new RawReading(
            (float) $stored['circle'], (float) $stored['zenith'], (float) $stored['slope'], (float) $stored['ppm'],
            (float) $stored['prism_constant'],
        );
    }
}
