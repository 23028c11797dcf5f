<?php

declare(strict_types=1);

namespace Parlay\Demo;

/** Writes the demo drawings: just enough DXF (R2000, or R12 with old polylines) for what they show. */
final class DxfSheet
{
    private string $layers = '';

    private string $blocks = '';

    private string $entities = '';

    private int $handle = 256;

    /** @param  int  $units as $INSUNITS */
    public function __construct(private readonly int $units, private readonly bool $r12 = false) {}

    public function layer(string $name, int $colour): void
    {
        $this->layers .= $this->tags([
            [0, 'LAYER'], ...$this->mark('AcDbSymbolTableRecord', 'AcDbLayerTableRecord'), [2, $name], [70, 0], [62, $colour],
            [6, 'CONTINUOUS'],
        ]);
    }

    public function line(string $layer, array $p, array $q): string
    {
        return $this->entity(
            'LINE', $layer, 'AcDbLine', [[10, $p[0]], [20, $p[1]], [30, $p[2] ?? 0.0], [11, $q[0]], [21, $q[1]], [31, $q[2] ?? 0.0]],
        );
    }

    public function circle(string $layer, array $p, float $radius): string
    {
        return $this->entity('CIRCLE', $layer, 'AcDbCircle', [[10, $p[0]], [20, $p[1]], [30, $p[2] ?? 0.0], [40, $radius]]);
    }

    public function point(string $layer, array $p): string
    {
        return $this->entity('POINT', $layer, 'AcDbPoint', [[10, $p[0]], [20, $p[1]], [30, $p[2] ?? 0.0]]);
    }

    public function text(string $layer, array $p, float $height, string $text, float $degrees = 0.0): string
    {
        return $this->entity(
            'TEXT', $layer, 'AcDbText', [[10, $p[0]], [20, $p[1]], [30, $p[2] ?? 0.0], [40, $height], [1, $text], [50, $degrees]],
        );
    }

    public function ellipse(string $layer, array $p, array $axis, float $ratio): string
    {
        return $this->entity(
            'ELLIPSE', $layer, 'AcDbEllipse',
            [[10, $p[0]], [20, $p[1]], [30, 0.0], [11, $axis[0]], [21, $axis[1]], [31, 0.0], [40, $ratio], [41, 0.0], [42, 2 * M_PI]],
        );
    }

    /** @param  list<array{float, float, 2?: float}>  $vertices x, y, bulge */
    public function polyline(string $layer, array $vertices, bool $closed, float $z = 0.0): string
    {
        if (! $this->r12) {
            $tags = [[90, count($vertices)], [70, $closed ? 1 : 0], [38, $z]];
            foreach ($vertices as $v) {
                $tags = [...$tags, [10, $v[0]], [20, $v[1]], [42, $v[2] ?? 0.0]];
            }

            return $this->entity('LWPOLYLINE', $layer, 'AcDbPolyline', $tags);
        }
        $text = $this->entity('POLYLINE', $layer, '', [[66, 1], [10, 0.0], [20, 0.0], [30, $z], [70, $closed ? 1 : 0]]);
        foreach ($vertices as $v) {
            $text .= $this->tags([[0, 'VERTEX'], [8, $layer], [10, $v[0]], [20, $v[1]], [30, $z], [42, $v[2] ?? 0.0]]);
        }

        return $text.$this->tags([[0, 'SEQEND'], [8, $layer]]);
    }

    public function insert(string $layer, string $block, array $p, float $degrees, float $scale = 1.0): string
    {
        return $this->entity(
            'INSERT', $layer, 'AcDbBlockReference',
            [[2, $block], [10, $p[0]], [20, $p[1]], [30, $p[2] ?? 0.0], [41, $scale], [42, $scale], [43, $scale], [50, $degrees]],
        );
    }

    public function block(string $name, string $entities): void
    {
        $this->blocks .= $this->tags([
            [0, 'BLOCK'], ...$this->mark('AcDbEntity', 'AcDbBlockBegin'), [8, '0'], [2, $name], [70, 0], [10, 0.0], [20, 0.0],
            [30, 0.0], [3, $name],
        ])
            .$entities.$this->tags([[0, 'ENDBLK'], ...$this->mark('AcDbEntity', 'AcDbBlockEnd'), [8, '0']]);
    }

    public function draw(string ...$entities): void
    {
        $this->entities .= implode('', $entities);
    }

    public function file(): string
    {
        return $this->tags([[
            0, 'SECTION',
        ], [2, 'HEADER'], [9, '$ACADVER'], [1, $this->r12 ? 'AC1009' : 'AC1015'], [9, '$INSUNITS'], [70, $this->units], [0, 'ENDSEC'],
            [0, 'SECTION'], [2, 'TABLES'], [0, 'TABLE'], [2, 'LAYER'], [70, 20]]).$this->layers.$this->tags(
                [[0, 'ENDTAB'], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'BLOCKS']],
            )
            .$this->blocks.$this->tags([[0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']]).$this->entities.$this->tags(
                [[0, 'ENDSEC'], [0, 'EOF']],
            );
    }

    private function entity(string $type, string $layer, string $class, array $tags): string
    {
        return $this->tags([
            [0, $type], ...($this->r12 ? [] : [[5, strtoupper(dechex($this->handle++))], [100, 'AcDbEntity']]), [8, $layer],
            ...($this->r12 ? [] : [[100, $class]]), ...$tags,
        ]);
    }

    private function mark(string ...$classes): array
    {
        return $this->r12 ? [] : [[5, strtoupper(dechex($this->handle++))], ...array_map(static fn (string $c) => [100, $c], $classes)];
    }

    private function tags(array $tags): string
    {
        $text = '';
        foreach ($tags as [$code, $value]) {
            $text .= sprintf("%3d\n%s\n", $code, is_float($value) ? rtrim(rtrim(sprintf('%.6f', $value), '0'), '.') : $value);
        }

        return $text;
    }
}
