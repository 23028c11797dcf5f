<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Where a block is inserted, once or in rows and columns. */
final readonly class Insertion
{
    /**
     * @param  array{float, float, float}  $at
     * @param  array{float, float, float}  $scale
     * @param  float  $rotation  radians
     * @param  array<string, string>  $attributes  the texts that this insertion fills in, by their tag
     */
    public function __construct(
        public string $block,
        public array $at,
        public array $scale,
        public float $rotation,
        public int $columns,
        public int $rows,
        public float $across,
        public float $up,
        public string $where,
        public array $attributes = [],
    ) {}

    /** @param  array<string, string>  $attributes */
    public static function of(Record $r, string $block, array $attributes = []): self
    {
        return new self(
            block: $block,
            at: $r->place(10),
            scale: [$r->real(41, 1.0) ?: 1.0, $r->real(42, 1.0) ?: 1.0, $r->real(43, 1.0) ?: 1.0],
            rotation: deg2rad($r->real(50)),
            columns: max(1, $r->integer(70, 1)),
            rows: max(1, $r->integer(71, 1)),
            across: $r->real(44),
            up: $r->real(45),
            where: $r->at(),
            attributes: $attributes,
        );
    }

    /** A dimension's picture is a block drawn where it belongs. */
    public static function picture(Record $r, string $block): self
    {
        return new self(
            block: $block,
            at: [0.0, 0.0, 0.0],
            scale: [1.0, 1.0, 1.0],
            rotation: 0.0,
            columns: 1,
            rows: 1,
            across: 0.0,
            up: 0.0,
            where: $r->at(),
        );
    }

    /**
     * Rows and columns of an array run along the turned axes and are not scaled.
     *
     * @return array{float, float, float}
     */
    public function place(int $column, int $row): array
    {
        [$x, $y] = [$column * $this->across, $row * $this->up];

        return [
            $this->at[0] + $x * cos($this->rotation) - $y * sin($this->rotation),
            $this->at[1] + $x * sin($this->rotation) + $y * cos($this->rotation), $this->at[2],
        ];
    }
}
