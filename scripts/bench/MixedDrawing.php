<?php

declare(strict_types=1);

namespace Parlay\Bench;

/**
 * Writes a large drawing of mixed entities for the bench: lines, polylines with bulges, arcs, circles, blocks; seeded, so always the
 * same.
 */
final class MixedDrawing
{
    private int $handle = 0x100;

    /** @param  resource  $out */
    private function __construct(private $out) {}

    public static function write(string $path, int $entities): void
    {
        $out = fopen($path, 'wb') ?: throw new \RuntimeException("$path can't be written.");
        (new self($out))->all($entities);
        fclose($out);
    }

    /** Lines only, of the same size and place. */
    public static function lines(string $path, int $segments): void
    {
        $out = fopen($path, 'wb') ?: throw new \RuntimeException("$path can't be written.");
        (new self($out))->all($segments, true);
        fclose($out);
    }

    private function all(int $entities, bool $lines = false): void
    {
        mt_srand(7);
        $this->put([
            0, 'SECTION', 2, 'HEADER', 9, '$ACADVER', 1, 'AC1015', 9, '$INSUNITS', 70, 6, 0, 'ENDSEC', 0, 'SECTION', 2, 'TABLES', 0,
            'TABLE', 2, 'LAYER', 70, 20,
        ]);
        for ($i = 0; $i < 20; $i++) {
            $this->put([
                0, 'LAYER', 5, $this->handle(), 100, 'AcDbSymbolTableRecord', 100, 'AcDbLayerTableRecord', 2, "LAYER $i", 70, 0, 62,
                1 + $i % 7, 6, 'CONTINUOUS',
            ]);
        }
        $this->put([
            0, 'ENDTAB', 0, 'ENDSEC', 0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 5, $this->handle(), 8, '0', 2, 'BASEPLATE', 70, 0, 10,
            '0.0', 20, '0.0', 30, '0.0',
        ]);
        foreach ([[-0.2, -0.2], [0.2, -0.2], [0.2, 0.2], [-0.2, 0.2]] as [$x, $y]) {
            $this->entity('CIRCLE', 'AcDbCircle', '0', [10, $x, 20, $y, 30, '0.0', 40, '0.012']);
        }
        $this->put([0, 'ENDBLK', 5, $this->handle(), 8, '0', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES']);
        for ($i = 0; $i < $entities; $i++) {
            $this->one($lines ? 0 : $i % 20);
        }
        $this->put([0, 'ENDSEC', 0, 'EOF']);
    }

    /** Of twenty: nine lines, three polylines, three arcs, three circles, two blocks. */
    private function one(int $kind): void
    {
        [$x, $y] = [self::at(5000, 900), self::at(8000, 700)];
        $layer = 'LAYER '.mt_rand(0, 19);
        match (true) {
            $kind < 9 => $this->entity(
                'LINE', 'AcDbLine', $layer,
                [10, $x, 20, $y, 30, '0.0', 11, $x + self::at(-6, 12), 21, $y + self::at(-6, 12), 31, '0.0'],
            ),
            $kind < 12 => $this->polyline($layer, $x, $y),
            $kind < 15 => $this->entity(
                'ARC', 'AcDbCircle', $layer,
                [10, $x, 20, $y, 30, '0.0', 40, self::at(1, 9), 100, 'AcDbArc', 50, self::at(0, 360), 51, self::at(0, 360)],
            ),
            $kind < 18 => $this->entity('CIRCLE', 'AcDbCircle', $layer, [10, $x, 20, $y, 30, '0.0', 40, self::at(1, 4)]),
            default => $this->entity(
                'INSERT', 'AcDbBlockReference', $layer, [2, 'BASEPLATE', 10, $x, 20, $y, 30, '0.0', 50, self::at(0, 360)],
            ),
        };
    }

    private function polyline(string $layer, float $x, float $y): void
    {
        $tags = [90, 8, 70, mt_rand(0, 1), 43, '0.0'];
        for ($k = 0; $k < 8; $k++) {
            array_push($tags, 10, $x + 2 * $k, 20, $y + self::at(-3, 6), 42, $k % 3 === 0 ? self::at(-1, 2) : '0.0');
        }
        $this->entity('LWPOLYLINE', 'AcDbPolyline', $layer, $tags);
    }

    /** @param  list<int|float|string>  $tags */
    private function entity(string $type, string $class, string $layer, array $tags): void
    {
        $this->put(
            [0, $type, 5, $this->handle(), 330, '1F', 100, 'AcDbEntity', 8, $layer, 6, 'BYLAYER', 62, 256, 370, -1, 100, $class, ...$tags],
        );
    }

    /** @param  list<int|float|string>  $tags  code and value in turn */
    private function put(array $tags): void
    {
        $text = '';
        for ($i = 0; $i < count($tags); $i += 2) {
            $text .= sprintf('%3d', $tags[$i])."\n"
                .(is_float($tags[$i + 1]) ? rtrim(sprintf('%.12f', $tags[$i + 1]), '0') : $tags[$i + 1])."\n";
        }
        fwrite($this->out, $text);
    }

    private function handle(): string
    {
        return strtoupper(dechex($this->handle++));
    }

    private static function at(float $from, float $span): float
    {
        return $from + $span * mt_rand() / mt_getrandmax();
    }
}
