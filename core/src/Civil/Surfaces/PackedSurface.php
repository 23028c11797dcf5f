<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/**
 * A surface in bytes, for one that is asked many times a second what lies under somebody: triangles that lie together are kept together
 * in tiles with a box around each, and only tiles that may hold the place are unpacked.
 *
 * Head, little-endian: number of tiles, triangles and points (32 bits each) and 0; least and greatest northing, easting and elevation (6
 * doubles); for each tile least and greatest northing, least and greatest easting (4 doubles). Tile: how many points and triangles (32 bits
 * each); number of each point in the whole (32 bits); northing, easting, elevation of each (3 doubles); three of them to each triangle (16
 * bits each).
 */
final class PackedSurface
{
    private const HEAD = 64;

    private const BOX = 32;

    /** Triangles to a tile, about and at most. */
    private const TILE = 384;

    private const FULL_TILE = 8192;

    /** Tiles that are held unpacked. */
    private const HELD = 8;

    public readonly int $tiles;

    /** How many triangles. */
    public readonly int $count;

    public readonly int $points;

    /** @var array{south: float, north: float, west: float, east: float, lowest: float, highest: float} metres */
    public readonly array $bounds;

    /** @var array<int, array{array<int, int>, array<int, float>, array<int, int>}> tiles that were looked at last */
    private array $held = [];

    /** @param  \Closure(int): string  $tile */
    private function __construct(public readonly string $head, private readonly \Closure $tile)
    {
        if (strlen($head) < self::HEAD) {
            throw new \DomainException('That is no surface as Parlay keeps it.');
        }
        /** @var array{tiles: int, count: int, points: int, south: float, north: float, west: float, east: float, lowest: float, highest: float} $v */
        $v = unpack('Vtiles/Vcount/Vpoints/x4/esouth/enorth/ewest/eeast/elowest/ehighest', $head);
        if (strlen($head) !== self::HEAD + self::BOX * $v['tiles']) {
            throw new \DomainException('That is no surface as Parlay keeps it.');
        }
        [$this->tiles, $this->count, $this->points] = [$v['tiles'], $v['count'], $v['points']];
        $this->bounds = [
            'south' => $v['south'], 'north' => $v['north'], 'west' => $v['west'], 'east' => $v['east'], 'lowest' => $v['lowest'],
            'highest' => $v['highest'],
        ];
    }

    /**
     * @param  string  $head  as it was kept
     * @param  \Closure(int): string  $tile  reads a tile by its number: only those asked for are read
     *
     * @throws \DomainException where these bytes are none
     */
    public static function kept(string $head, \Closure $tile): self
    {
        return new self($head, $tile);
    }

    public static function of(Surface $surface): self
    {
        $tiles = [];
        $boxes = '';
        foreach (self::together($surface) as $triangles) {
            [$tile, $box] = self::packed($surface, $triangles);
            $tiles[] = $tile;
            $boxes .= $box;
        }
        $bound = static fn (array $of): array => $of === [] ? [0.0, 0.0] : [min($of), max($of)];
        $head = pack(
            'V4e6', count($tiles), $surface->count(), count($surface->northings), 0,
            ...$bound($surface->northings), ...$bound($surface->eastings), ...$bound($surface->elevations),
        );

        return new self($head.$boxes, static fn (int $tile): string => $tiles[$tile]);
    }

    /**
     * Its triangles, those that lie together together.
     *
     * @return \Generator<array<int, int>>
     */
    private static function together(Surface $surface): \Generator
    {
        $n = $surface->northings;
        $e = $surface->eastings;
        $corners = $surface->corners;
        if ($surface->count() === 0) {
            return;
        }
        [$west, $south, $east, $north] = $surface->extent() ?? [0.0, 0.0, 0.0, 0.0];
        $tile = max(1e-3, sqrt(max(1e-6, ($north - $south) * ($east - $west)) / ceil($surface->count() / self::TILE)), max($north - $south, $east - $west) / 4096);
        $columns = (int) (($east - $west) / $tile) + 1;
        $of = [];
        for ($i = 0, $end = count($corners); $i < $end; $i += 3) {
            $a = $corners[$i];
            $b = $corners[$i + 1];
            $c = $corners[$i + 2];
            $of[] = (int) ((($n[$a] + $n[$b] + $n[$c]) / 3 - $south) / $tile) * $columns + (int) ((($e[$a] + $e[$b] + $e[$c]) / 3 - $west) / $tile);
        }
        // Sorted by counting: the tiles are few and known.
        $starts = array_fill(0, $columns * ((int) (($north - $south) / $tile) + 1) + 1, 0);
        foreach ($of as $at) {
            $starts[$at + 1]++;
        }
        $sum = 0;
        foreach ($starts as $at => $count) {
            $starts[$at] = $sum += $count;
        }
        $fill = $starts;
        $sorted = array_fill(0, count($of), 0);
        foreach ($of as $triangle => $at) {
            $sorted[$fill[$at]++] = $triangle;
        }
        unset($of, $fill);
        for ($at = 0, $end = count($starts) - 1; $at < $end; $at++) {
            for ($from = $starts[$at]; $from < $starts[$at + 1]; $from += self::FULL_TILE) {
                yield array_slice($sorted, $from, min(self::FULL_TILE, $starts[$at + 1] - $from));
            }
        }
    }

    /**
     * @param  array<int, int>  $triangles
     * @return array{string, string} the tile, and its box
     */
    private static function packed(Surface $surface, array $triangles): array
    {
        $n = $surface->northings;
        $e = $surface->eastings;
        $z = $surface->elevations;
        $corners = $surface->corners;
        $local = $own = $coordinates = [];
        $south = $west = INF;
        $north = $east = -INF;
        foreach ($triangles as $t) {
            for ($i = 3 * $t, $end = $i + 3; $i < $end; $i++) {
                $point = $corners[$i];
                if (! isset($local[$point])) {
                    $local[$point] = count($local);
                    $pn = $n[$point];
                    $pe = $e[$point];
                    $coordinates[] = $pn;
                    $coordinates[] = $pe;
                    $coordinates[] = $z[$point];
                    $south = $pn < $south ? $pn : $south;
                    $north = $pn > $north ? $pn : $north;
                    $west = $pe < $west ? $pe : $west;
                    $east = $pe > $east ? $pe : $east;
                }
                $own[] = $local[$point];
            }
        }

        return [
            pack('V2', count($local), count($triangles)).pack('V*', ...array_keys($local)).pack('e*', ...$coordinates).pack('v*', ...$own),
            pack('e4', $south, $north, $west, $east),
        ];
    }

    /**
     * Holds a tile that comes from elsewhere to what a tile is.
     *
     * @throws \DomainException where it is none
     */
    public static function checkTile(string $tile): void
    {
        [1 => $points, 2 => $triangles] = strlen($tile) < 8 ? [1 => -1, 2 => 0] : (unpack('V2', $tile) ?: [1 => -1, 2 => 0]);
        if ($points < 0 || $points > 65_536 || $triangles > self::FULL_TILE || strlen($tile) !== 8 + 28 * $points + 6 * $triangles) {
            throw new \DomainException('A tile of a surface is not as long as it says.');
        }
        [, $coordinates, $own] = self::unpacked($tile);
        if (($own !== [] && max($own) >= $points) || array_filter($coordinates, static fn (float $c) => is_nan($c) || abs($c) >= 1e9) !== []) {
            throw new \DomainException('A tile of a surface holds what is no triangle.');
        }
    }

    /** @return \Generator<string> as they are kept beside the head */
    public function tilesToKeep(): \Generator
    {
        for ($i = 0; $i < $this->tiles; $i++) {
            yield ($this->tile)($i);
        }
    }

    /** The whole of it, to compute with. */
    public function surface(): Surface
    {
        $n = $e = $z = $corners = [];
        foreach ($this->tilesToKeep() as $tile) {
            self::gather(self::unpacked($tile), $n, $e, $z, $corners);
        }

        return self::numberedAnew($n, $e, $z, $corners);
    }

    /**
     * @param  array{array<int, int>, array<int, float>, array<int, int>}  $tile
     * @param  array<int, float>  $n
     * @param  array<int, float>  $e
     * @param  array<int, float>  $z
     * @param  array<int, int>  $corners
     */
    private static function gather(array $tile, array &$n, array &$e, array &$z, array &$corners): void
    {
        [$numbers, $coordinates, $own] = $tile;
        foreach ($numbers as $i => $number) {
            $n[$number] = $coordinates[3 * $i];
            $e[$number] = $coordinates[3 * $i + 1];
            $z[$number] = $coordinates[3 * $i + 2];
        }
        foreach ($own as $i) {
            $corners[] = $numbers[$i];
        }
    }

    /** @return array{array<int, int>, array<int, float>, array<int, int>} a tile; those looked at last are held */
    private function read(int $tile): array
    {
        if (! isset($this->held[$tile])) {
            if (count($this->held) >= self::HELD) {
                unset($this->held[array_key_first($this->held)]);
            }
            $this->held[$tile] = self::unpacked(($this->tile)($tile));
        }

        return $this->held[$tile];
    }

    /**
     * Points that no triangle has are not kept, so numbers may have gaps.
     *
     * @param  array<int, float>  $n
     * @param  array<int, float>  $e
     * @param  array<int, float>  $z
     * @param  array<int, int>  $corners
     */
    private static function numberedAnew(array $n, array $e, array $z, array $corners): Surface
    {
        ksort($n);
        $numbers = array_keys($n);
        $place = array_flip($numbers);
        ksort($e);
        ksort($z);
        foreach ($corners as $i => $corner) {
            $corners[$i] = $place[$corner];
        }

        return new Surface(array_values($n), array_values($e), array_values($z), $corners);
    }

    /** Those of its triangles that may lie in a box: all of the tiles that touch it. */
    public function near(float $south, float $west, float $north, float $east): Surface
    {
        $n = $e = $z = $corners = [];
        for ($tile = 0, $at = self::HEAD; $tile < $this->tiles; $tile++, $at += self::BOX) {
            /** @var array{1: float, 2: float, 3: float, 4: float} $box */
            $box = unpack('e4', $this->head, $at);
            if ($box[1] <= $north && $box[2] >= $south && $box[3] <= $east && $box[4] >= $west) {
                self::gather($this->read($tile), $n, $e, $z, $corners);
            }
        }

        return self::numberedAnew($n, $e, $z, $corners);
    }

    /** What the surface is like at a place; null outside. */
    public function at(float $northing, float $easting): ?OnSurface
    {
        $b = $this->bounds;
        if ($northing < $b['south'] || $northing > $b['north'] || $easting < $b['west'] || $easting > $b['east']) {
            return null;
        }
        for ($tile = 0, $at = self::HEAD; $tile < $this->tiles; $tile++, $at += self::BOX) {
            /** @var array{1: float, 2: float, 3: float, 4: float} $box */
            $box = unpack('e4', $this->head, $at);
            if ($northing >= $box[1] && $northing <= $box[2] && $easting >= $box[3] && $easting <= $box[4]) {
                $found = self::inTile($this->read($tile), $northing, $easting);
                if ($found !== null) {
                    return $found;
                }
            }
        }

        return null;
    }

    /** @param  array{array<int, int>, array<int, float>, array<int, int>}  $tile */
    private static function inTile(array $tile, float $northing, float $easting): ?OnSurface
    {
        [, $c, $own] = $tile;
        for ($i = 0, $end = count($own); $i < $end; $i += 3) {
            [$p, $q, $r] = [3 * $own[$i], 3 * $own[$i + 1], 3 * $own[$i + 2]];
            if (min($c[$p], $c[$q], $c[$r]) > $northing || max($c[$p], $c[$q], $c[$r]) < $northing
                || min($c[$p + 1], $c[$q + 1], $c[$r + 1]) > $easting || max($c[$p + 1], $c[$q + 1], $c[$r + 1]) < $easting) {
                continue;
            }
            $triangle = array_map(static fn (int $k) => new Position($c[$k], $c[$k + 1], $c[$k + 2]), [$p, $q, $r]);
            if (OnSurface::within($triangle, $northing, $easting) !== null) {
                return OnSurface::of($triangle, $northing, $easting);
            }
        }

        return null;
    }

    /** @return array{array<int, int>, array<int, float>, array<int, int>} numbers of its points, their coordinates, corners of its triangles */
    private static function unpacked(string $tile): array
    {
        [1 => $points, 2 => $triangles] = unpack('V2', $tile) ?: [1 => 0, 2 => 0];
        $list = static fn (string $of, int $at): array => array_values(unpack($of, $tile, $at) ?: []);

        return [$list("V$points", 8), $list('e'.(3 * $points), 8 + 4 * $points), $list('v'.(3 * $triangles), 8 + 28 * $points)];
    }
}
