<?php

declare(strict_types=1);

namespace Parlay\Core\Design;

/** A layer while it is being read: shapes packed as they come, strings beside them. */
final class DrawingLayer
{
    public string $records = '';

    public int $count = 0;

    /** @var list<string> */
    public array $strings = [];

    /** @var array<string, int> number of shapes of each kind */
    public array $kinds = [];

    /** @var array{float, float, float, float}|null least x, least y, greatest x, greatest y */
    public ?array $extent = null;

    public function __construct(
        public readonly string $name,
        public readonly string $colour,
    ) {}

    public function add(Shape $shape): void
    {
        $this->records .= $shape->pack();
        $this->count++;
        $word = $shape->kind->word();
        $this->kinds[$word] = ($this->kinds[$word] ?? 0) + 1;
        $b = $shape->bounds();
        $e = $this->extent;
        $this->extent = $e === null ? $b : [min($e[0], $b[0]), min($e[1], $b[1]), max($e[2], $b[2]), max($e[3], $b[3])];
    }

    /** Keeps a string and gives the index that its shape carries. */
    public function addString(string $text): int
    {
        $this->strings[] = $text;

        return count($this->strings) - 1;
    }
}
