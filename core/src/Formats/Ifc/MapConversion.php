<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/**
 * From the model to the map (IfcMapConversion, ISO 16739): E = E0 + s (x cos - y sin), N = N0 + s (x sin + y cos), the height above its own 0.
 * Its figures are in the unit of the map where the map says one, else in that of the model.
 */
final readonly class MapConversion
{
    /** No projection stretches more. */
    private const LEAST = 0.5;

    private const MOST = 2.0;

    /** @param  Frame  $frame  metres of the model to metres of the map */
    private function __construct(public Frame $frame) {}

    /** Null where the file has none, or none that can be read. */
    public static function of(StepFile $file, float $metres): ?self
    {
        foreach ($file->of('IFCMAPCONVERSION') as $number) {
            try {
                $m = $file->get($number);
                $unit = self::unit($file, $m->reference(1)) ?? $metres;
                [$x, $y] = [$m->number(5) ?? 1.0, $m->number(6) ?? 0.0];
                $length = hypot($x, $y);
                // The scale takes the model's unit to the map's; what is left beside that is that of the projection.
                $scale = ($m->number(7) ?? $metres / $unit) * $unit / $metres;
                // Many writers say 1 where the units differ, and mean that the projection has no scale.
                $scale = $scale > self::LEAST && $scale < self::MOST ? $scale : $m->number(7) ?? 1.0;
                $at = array_map(static fn (int $k): float => ($m->number($k) ?? 0.0) * $unit, [2, 3, 4]);
                if ($length > 0.0 && $scale > self::LEAST && $scale < self::MOST && max(array_map(abs(...), $at)) < 1e9) {
                    [$cos, $sin] = [$scale * $x / $length, $scale * $y / $length];

                    return new self(new Frame($cos, -$sin, 0.0, $at[0], $sin, $cos, 0.0, $at[1], 0.0, 0.0, 1.0, $at[2]));
                }
            } catch (BrokenInstance) {
                // The next one.
            }
        }

        return null;
    }

    private static function unit(StepFile $file, ?int $target): ?float
    {
        $crs = $target === null ? null : $file->get($target);
        $unit = $crs?->reference(6);

        return $unit === null ? null : IfcUnits::factor($file, $file->get($unit), 0);
    }
}
