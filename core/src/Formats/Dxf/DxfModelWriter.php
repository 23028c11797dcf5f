<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Geometry\Position;

/** Writes lines in space and the faces of surfaces into a DXF, each on a layer of its own. */
final class DxfModelWriter
{
    /**
     * @param  array<string, list<Position>>  $lines  by their layer; without a height they lie at 0
     * @param  array<string, \Closure(): Surface>  $surfaces  by their layer; one is held at a time
     * @return \Generator<string>
     */
    public static function pieces(array $lines, array $surfaces): \Generator
    {
        yield from DxfFrame::head([...array_map(strval(...), array_keys($lines)), ...array_map(strval(...), array_keys($surfaces))]);
        foreach ($lines as $layer => $places) {
            yield DxfFrame::tags([0, 'POLYLINE', 8, DxfFrame::layer((string) $layer), 66, 1, 70, 8, 10, '0.0', 20, '0.0', 30, '0.0']);
            foreach ($places as $p) {
                yield DxfFrame::tags([0, 'VERTEX', 8, DxfFrame::layer((string) $layer), 70, 32, ...self::place(0, $p)]);
            }
            yield DxfFrame::tags([0, 'SEQEND', 8, DxfFrame::layer((string) $layer)]);
        }
        foreach ($surfaces as $layer => $surface) {
            $own = $surface();
            for ($t = 0, $count = $own->count(); $t < $count; $t++) {
                [$a, $b, $c] = $own->triangle($t);
                // The format has four corners; the third stands twice.
                yield DxfFrame::tags([
                    0, '3DFACE', 8, DxfFrame::layer((string) $layer), ...self::place(0, $a), ...self::place(1, $b), ...self::place(2, $c), ...self::place(3, $c),
                ]);
            }
        }
        yield DxfFrame::tail();
    }

    /** @return list<int|string> */
    private static function place(int $corner, Position $p): array
    {
        return [10 + $corner, DxfFrame::number($p->easting), 20 + $corner, DxfFrame::number($p->northing), 30 + $corner, DxfFrame::number($p->elevation ?? 0.0)];
    }
}
