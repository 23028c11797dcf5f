<?php

declare(strict_types=1);

namespace App\Setups;

use App\Instrument\Models\Instrument;
use App\Instrument\Models\Target;
use App\Projects\Models\Project;

/** What is written beside a reading: the target, the air, the scale, and what the chosen instrument states of itself. */
final class Conditions
{
    /** What is written in the place of a prism's name. */
    private const RED_DOT = 'red dot';

    /** @return array<string, mixed> */
    public static function of(Project $project, Draft $draft): array
    {
        $instrument = $draft->instrumentId === null ? null : Instrument::of($project)->find($draft->instrumentId);

        return [
            'targetHeight' => $draft->target()->height, 'prismConstant' => $draft->target()->prismConstant, 'dot' => $draft->dot,
            'pressure' => $draft->pressure, 'temperature' => $draft->temperature,
            'humidity' => $draft->humidity, 'refraction' => $draft->refraction, 'ppm' => $draft->ppmInUse, 'scale' => $draft->scale,
            'target' => match (true) {
                $draft->dot => self::RED_DOT,
                $draft->targetId === null => '',
                default => (string) Target::of($project)->find($draft->targetId)?->name,
            },
            // One face alone is less certain than the mean of two by the root of two.
            'angles' => $draft->oneFace ? M_SQRT2 : 1.0,
            'instrument' => $instrument?->name,
            'accuracy' => $instrument?->accuracy()->figures(),
        ];
    }
}
