<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/**
 * Everything from one group 0 to the next: an entity, a table entry, the header.
 *
 * Most types give each group once, so the first value of each code is kept by its code; types that repeat groups keep all in order as well.
 */
final class Record
{
    /** Types whose groups repeat and mean something by their order. */
    public const REPEATING = [
        'SECTION' => true, 'LWPOLYLINE' => true, 'SPLINE' => true, 'HATCH' => true, 'MTEXT' => true, 'LEADER' => true,
        'MULTILEADER' => true, 'MLEADER' => true, 'MLINE' => true, 'MESH' => true,
    ];

    /** Handles, owners, class names, line types and weights: nobody asks for them, so they are not kept. */
    public const UNUSED = [
        5 => true, 6 => true, 48 => true, 100 => true, 102 => true, 105 => true, 330 => true, 347 => true, 348 => true, 360 => true,
        370 => true, 390 => true, 999 => true,
    ];

    public const EXTENDED_DATA = 1000;

    private const LARGEST = 1e15;

    /** @var list<array{float, float, float, float, int, list<int>}> of a POLYLINE: x, y, z, bulge, flags, the vertices that a face joins */
    public array $vertices = [];

    /**
     * @param  int  $place  line in which the record begins, or byte of a binary file
     * @param  array<int, string|int|float>  $first  first value of each code
     * @param  list<int>  $codes  of repeating types all codes in order
     * @param  list<string|int|float>  $values  and their values
     */
    public function __construct(
        public readonly string $type,
        public readonly int $place,
        public readonly array $first,
        public readonly array $codes = [],
        public readonly array $values = [],
        private readonly string $placeWord = 'line',
    ) {}

    /** Where it begins, in words. */
    public function at(): string
    {
        return "{$this->placeWord} {$this->place}";
    }

    /** The first group of that code, as it stands. */
    public function text(int $code, string $default = ''): string
    {
        return isset($this->first[$code]) ? trim((string) $this->first[$code]) : $default;
    }

    /** The first group of that code, as far as it is a whole number. */
    public function integer(int $code, int $default = 0): int
    {
        return isset($this->first[$code]) ? (int) $this->first[$code] : $default;
    }

    /** @throws UnreadableDrawing where it is no finite number */
    public function real(int $code, float $default = 0.0): float
    {
        $value = $this->first[$code] ?? null;
        if ($value === null) {
            return $default;
        }
        // The good case of number(), which a large drawing meets a million times.
        if (is_numeric($value)) {
            $number = (float) $value;
            if ($number >= -self::LARGEST && $number <= self::LARGEST) {
                return $number;
            }
        }

        return $this->number($code, $value);
    }

    /**
     * A figure without which the entity lies nowhere: where it is missing the record is damaged, and 0 would be a place nobody drew.
     *
     * @throws UnreadableDrawing where it is missing or no finite number
     */
    public function needed(int $code): float
    {
        return isset($this->first[$code]) ? $this->real($code) : throw UnreadableDrawing::missing($this->at(), $this->type, $code);
    }

    /**
     * A place in the plane; a height that is not given is 0, as in drawings without heights.
     *
     * @param  int  $x  group of the easting; the northing stands 10 groups on, the height 20
     * @return array{float, float, float}
     *
     * @throws UnreadableDrawing
     */
    public function place(int $x): array
    {
        return [$this->needed($x), $this->needed($x + 10), $this->real($x + 20)];
    }

    /** Whether a group of that code stands in it. */
    public function has(int $code): bool
    {
        return isset($this->first[$code]);
    }

    /** @throws UnreadableDrawing */
    public function number(int $code, string|int|float $value): float
    {
        if (is_numeric($value)) {
            $number = (float) $value;
            if ($number >= -self::LARGEST && $number <= self::LARGEST) {
                return $number;
            }
        }
        throw UnreadableDrawing::badNumber($this->at(), $this->type, $code, (string) $value);
    }

    /**
     * The repeated groups in order.
     *
     * @return \Generator<int, string|int|float>
     */
    public function pairs(): \Generator
    {
        foreach ($this->codes as $i => $code) {
            yield (int) $code => $this->values[$i];
        }
    }

    /**
     * Points given by a repeated x group and its y (x + 10) and z (x + 20).
     *
     * @return list<array{float, float, float}>
     */
    public function points(int $x): array
    {
        $points = [];
        $last = -1;
        $given = 0;
        foreach ($this->pairs() as $code => $value) {
            if ($code === $x) {
                $points[++$last] = [$this->number($code, $value), 0.0, 0.0];
            } elseif (($code === $x + 10 || $code === $x + 20) && $last >= 0) {
                $points[$last][intdiv($code - $x, 10)] = $this->number($code, $value);
                $given += $code === $x + 10 ? 1 : 0;
            }
        }
        if ($given < count($points)) {
            throw UnreadableDrawing::missing($this->at(), $this->type, $x + 10);
        }

        /** @var list<array{float, float, float}> $points  filled field by field */
        return $points;
    }

    /** Direction of the plane it is drawn on; null for the usual one, seen from above.
     *
     * @return array{float, float, float}|null
     */
    public function extrusion(): ?array
    {
        if (! isset($this->first[230])) {
            return null;
        }
        $n = [$this->real(210), $this->real(220), $this->real(230, 1.0)];

        return $n[0] === 0.0 && $n[1] === 0.0 && $n[2] > 0 ? null : $n;
    }
}
