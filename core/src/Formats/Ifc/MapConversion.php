<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\Typed;
use Parlay\Core\Geometry\Frame;

/**
 * From the model to the map: E = E0 + s (x cos - y sin), N = N0 + s (x sin + y cos), the height above its own 0. Said by IfcMapConversion or, since IFC 4.3, its
 * scaled form with a factor for each axis, or by IfcRigidOperation without turning (ISO 16739); in IFC2X3 by a property set of the same figures. They are in the
 * unit of the map where the map says one, else in that of the model.
 */
final readonly class MapConversion
{
    /** No projection stretches more. */
    private const LEAST = 0.5;

    private const MOST = 2.0;

    /** Farther from its 0 no map reaches, metres. */
    private const FARTHEST = 1e9;

    private const CLASSES = ['IFCMAPCONVERSION', 'IFCMAPCONVERSIONSCALED', 'IFCRIGIDOPERATION'];

    /**
     * @param  Frame|null  $frame  metres of the model to metres of the map; null where what is said can't be read
     * @param  string  $said  by what it is said
     */
    private function __construct(public ?Frame $frame, public string $said, public string $why = '') {}

    /** Null where the file says nothing of the kind. */
    public static function of(StepFile $file, float $metres): ?self
    {
        $unread = null;
        foreach (self::CLASSES as $class) {
            foreach ($file->of($class) as $number) {
                try {
                    $m = $file->get($number);
                    $frame = $class === 'IFCRIGIDOPERATION' ? self::rigid($file, $m, $metres) : self::turned($file, $m, $metres);
                    $unread ??= new self(null, "{$file->where($number)}, {$class}", 'its figures are none that a map has');
                } catch (BrokenInstance $e) {
                    $frame = null;
                    $unread ??= new self(null, "{$file->where($number)}, {$class}", $e->getMessage());
                }
                if ($frame !== null) {
                    return new self($frame, "{$file->where($number)}, {$class}");
                }
            }
        }

        return self::ofProperties($file, $metres) ?? $unread;
    }

    private static function turned(StepFile $file, Instance $m, float $metres): ?Frame
    {
        $unit = self::unit($file, $m->reference(1));
        $factors = array_map(static fn (int $k): float => $m->class === 'IFCMAPCONVERSIONSCALED' ? $m->number($k) ?? 1.0 : 1.0, [8, 9, 10]);

        return self::frame([$m->number(2), $m->number(3), $m->number(4)], [$m->number(5), $m->number(6)], $m->number(7), $unit, $metres, $factors);
    }

    /** @throws BrokenInstance where it is said in degrees */
    private static function rigid(StepFile $file, Instance $m, float $metres): ?Frame
    {
        $at = [$m->number(2), $m->number(3), $m->number(4)];

        $lengths = array_filter([2, 3], static fn (int $k): bool => ! ($m->attributes[$k] ?? null) instanceof Typed || str_contains($m->attributes[$k]->type, 'LENGTH'));

        return $at[0] === null || $at[1] === null || count($lengths) < 2 ? throw new BrokenInstance("{$file->where($m->number)}: it is not said in lengths.")
            : self::frame($at, [null, null], null, self::unit($file, $m->reference(1)), $metres);
    }

    /** As files of IFC2X3 say it, which has no such class: by properties of the project or the site. */
    private static function ofProperties(StepFile $file, float $metres): ?self
    {
        $said = $unit = null;
        $where = '';
        foreach ($file->of('IFCPROPERTYSET') as $number) {
            try {
                $set = $file->get($number);
                $name = (string) $set->text(2);
                if (preg_match('~(map ?conversion)|(projected ?crs)~i', $name, $kind) !== 1) {
                    continue;
                }
                $values = [];
                foreach ($set->references(4) as $property) {
                    $p = $file->get($property);
                    $values[strtolower((string) $p->text(0))] = $p->number(2) ?? strtolower((string) self::words($p));
                }
                if ($kind[1] !== '') {
                    [$said, $where] = [$values, "{$file->where($number)}, property set {$name}"];
                } else {
                    $unit = preg_match('~^(metre|meter|m)$~', (string) ($values['mapunit'] ?? '')) === 1 ? 1.0 : null;
                }
            } catch (BrokenInstance) {
                continue;
            }
        }
        if ($said === null) {
            return null;
        }
        $figure = static fn (string $name): ?float => is_float($said[$name] ?? null) ? $said[$name] : null;
        $frame = self::frame(
            [$figure('eastings'), $figure('northings'), $figure('orthogonalheight')], [$figure('xaxisabscissa'), $figure('xaxisordinate')], $figure('scale'), $unit, $metres,
        );

        return new self($frame, $where, $frame === null ? 'its figures are none that a map has' : '');
    }

    private static function words(Instance $property): ?string
    {
        $value = $property->attributes[2] ?? null;

        return $value instanceof Typed && is_string($value->values[0] ?? null) ? $value->values[0] : $property->text(2);
    }

    /**
     * @param  array{float|null, float|null, float|null}  $at  easting, northing, height
     * @param  array{float|null, float|null}  $axis  of the model's x, on the map
     * @param  float|null  $unit  of the map, metres; null where it is not said
     * @param  array{0: float, 1: float, 2: float}|list<float>  $factors  of each axis of the model besides
     */
    private static function frame(array $at, array $axis, ?float $given, ?float $unit, float $metres, array $factors = [1.0, 1.0, 1.0]): ?Frame
    {
        // Where no unit is said and the scale is that from the model's to metres, the map is in metres.
        $unit ??= $given !== null && abs($metres - 1.0) > 0.1 && self::isScale($given / $metres) ? 1.0 : $metres;
        [$x, $y] = [$axis[0] ?? 1.0, $axis[1] ?? 0.0];
        $length = hypot($x, $y);
        // The scale takes the model's unit to the map's; what is left beside that is that of the projection.
        $scale = ($given ?? $metres / $unit) * $unit / $metres;
        // Many writers say 1 where the units differ, and mean that the projection has no scale.
        $scale = self::isScale($scale) ? $scale : $given ?? 1.0;
        [$e, $n, $h] = array_map(static fn (?float $v): float => ($v ?? 0.0) * $unit, $at);
        if ($length <= 0.0 || ! self::isScale($scale) || max(abs($e), abs($n), abs($h)) >= self::FARTHEST || array_filter($factors, self::isScale(...)) !== $factors) {
            return null;
        }
        [$cos, $sin] = [$scale * $x / $length, $scale * $y / $length];
        [$fx, $fy, $fz] = $factors;

        return new Frame($fx * $cos, -$fy * $sin, 0.0, $e, $fx * $sin, $fy * $cos, 0.0, $n, 0.0, 0.0, $fz, $h);
    }

    private static function isScale(float $scale): bool
    {
        return $scale > self::LEAST && $scale < self::MOST;
    }

    private static function unit(StepFile $file, ?int $target): ?float
    {
        $crs = $target === null ? null : $file->get($target);
        $unit = $crs?->reference(6);

        return $unit === null ? null : IfcUnits::factor($file, $file->get($unit), 0);
    }
}
