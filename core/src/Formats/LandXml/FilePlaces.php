<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\LengthStyle;

/** Reads places of a file: northing, easting and, where it has one, elevation, in the file's unit (LandXML 1.2 schema). */
final class FilePlaces
{
    private const MOST_NAMED = 300_000;

    /** @var array<string, string> packed places of points by their names, which others refer to */
    private array $named = [];

    /**
     * @param  float  $metres  of the file's unit
     * @param  bool  $exchanged  written easting first
     * @param  LengthStyle  $style  in which remarks say lengths
     */
    public function __construct(public readonly float $metres, private readonly bool $exchanged, public readonly LengthStyle $style = LengthStyle::Metres) {}

    /** The place an element says, by itself or by the name of a point; null where it says none. */
    public function of(?Node $node): ?Position
    {
        if ($node === null) {
            return null;
        }
        $reference = $node->get('pntRef');
        if ($reference !== null) {
            return $this->named($reference);
        }
        $numbers = $node->numbers();

        return $numbers === null || count($numbers) < 2 ? null : $this->place($numbers[0], $numbers[1], $numbers[2] ?? null);
    }

    public function place(float $first, float $second, ?float $third): Position
    {
        [$n, $e] = $this->exchanged ? [$second, $first] : [$first, $second];

        return new Position($n * $this->metres, $e * $this->metres, $third === null ? null : $third * $this->metres);
    }

    /**
     * Places of a list.
     *
     * @param  2|3  $each  numbers to a place
     * @return list<Position>|null null where it is no such list
     */
    public function list(Node $node, int $each): ?array
    {
        $numbers = $node->numbers();
        if ($numbers === null || $numbers === [] || count($numbers) % $each !== 0) {
            return null;
        }
        $places = [];
        foreach (array_chunk($numbers, $each) as $n) {
            $places[] = $this->place($n[0], $n[1], $n[2] ?? null);
        }

        return $places;
    }

    public function remember(string $name, Position $p): void
    {
        if (count($this->named) < self::MOST_NAMED) {
            $this->named[$name] = pack('e3', $p->northing, $p->easting, $p->elevation ?? NAN);
        }
    }

    private function named(string $name): ?Position
    {
        /** @var array{1: float, 2: float, 3: float}|false $v */
        $v = isset($this->named[$name]) ? unpack('e3', $this->named[$name]) : false;

        return $v === false ? null : new Position($v[1], $v[2], is_nan($v[3]) ? null : $v[3]);
    }
}
