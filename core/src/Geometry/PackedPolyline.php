<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/**
 * A polyline in bytes, for one that is asked many times a second where somebody stands beside it: pieces lie in blocks with a box around
 * each, and only blocks that may hold the nearest place are unpacked.
 *
 * Head, little-endian: number of pieces (32 bits), 1 where closed (32 bits), length (double); for each block least and greatest northing,
 * least and greatest easting (4 doubles). Blocks: for each piece how far along it begins, northing, easting and elevation of both ends,
 * sweep (8 doubles; an elevation that is not known is NaN).
 */
final class PackedPolyline
{
    private const HEAD = 16;

    private const BLOCK = 64;

    private const BOX_BYTES = 32;

    private const LEG_BYTES = 64;

    /** Nearer than this to a corner is the corner, metres. */
    private const CORNER = 1e-9;

    public readonly int $count;

    public readonly bool $closed;

    /** metres */
    public readonly float $length;

    /** @var array<int, string> blocks that were read, by their number */
    private array $read = [];

    /**
     * @param  string  $head  what stands before the pieces
     * @param  \Closure(int): string  $block  the bytes of a block of pieces, by its number
     */
    private function __construct(public readonly string $head, private readonly \Closure $block)
    {
        $count = strlen($head) < self::HEAD ? 0 : (unpack('V', $head)[1] ?? 0);
        if ($count < 1 || strlen($head) !== self::HEAD + self::BOX_BYTES * self::blocks($count)) {
            throw new \DomainException('That is no line as Parlay keeps it.');
        }
        /** @var array{count: int, closed: int, length: float} $values */
        $values = unpack('Vcount/Vclosed/elength', $head);
        $this->count = $values['count'];
        $this->closed = $values['closed'] === 1;
        $this->length = $values['length'];
    }

    /**
     * @param  string  $head  as it was kept
     * @param  \Closure(int): string  $block  reads a block of pieces, by its number: only those asked for are read
     *
     * @throws \DomainException where these bytes are none
     */
    public static function kept(string $head, \Closure $block): self
    {
        return new self($head, $block);
    }

    /**
     * Its pieces as they are kept beside the head.
     *
     * @return list<string>
     */
    public function blocksToKeep(): array
    {
        return array_map($this->bytesOf(...), range(0, self::blocks($this->count) - 1));
    }

    /** Whether it is the same line, to the last bit. */
    public function equals(self $other): bool
    {
        return $this->head === $other->head && $this->blocksToKeep() === $other->blocksToKeep();
    }

    public static function of(Polyline $line): self
    {
        $boxes = '';
        $blocks = [];
        $start = 0.0;
        foreach (array_chunk($line->legs, self::BLOCK) as $block) {
            $bounds = [INF, -INF, INF, -INF];
            $legs = '';
            foreach ($block as $leg) {
                $bounds = self::around($bounds, $leg);
                $legs .= pack(
                    'e8', $start, $leg->from->northing, $leg->from->easting, $leg->from->elevation ?? NAN,
                    $leg->to->northing, $leg->to->easting, $leg->to->elevation ?? NAN, $leg->sweep,
                );
                $start += $leg->length();
            }
            $boxes .= pack('e4', ...$bounds);
            $blocks[] = $legs;
        }

        return new self(
            pack('VVe', count($line->legs), $line->isClosed() ? 1 : 0, $start).$boxes, static fn (int $b): string => $blocks[$b] ?? '',
        );
    }

    /** The piece so numbered, from 0. */
    public function leg(int $i): Leg
    {
        return $this->unpacked($i)[1];
    }

    public function beginning(): Position
    {
        return $this->leg(0)->from;
    }

    public function end(): Position
    {
        return $this->leg($this->count - 1)->to;
    }

    /** The whole line, for what is asked once. */
    public function polyline(): Polyline
    {
        $legs = [];
        for ($i = 0; $i < $this->count; $i++) {
            $legs[] = $this->leg($i);
        }

        return Polyline::of($legs);
    }

    /**
     * What is nearest to a place on the line itself; where that is one of its ends, the foot on what goes on from it: straight, or round
     * the same circle.
     */
    public function foot(Position $p): Foot
    {
        $best = [INF, 0, 0.0];
        foreach ($this->blocksFor($p) as $block => $bound) {
            if ($bound > $best[0]) {
                break;
            }
            for ($i = $block * self::BLOCK, $end = min($this->count, $i + self::BLOCK); $i < $end; $i++) {
                $best = self::nearer($best, $i, $this->leg($i), $p);
            }
        }
        [, $piece, $within] = $best;
        [$start, $leg] = $this->unpacked($piece);
        $atStart = $within <= self::CORNER;
        $atEnd = $within >= $leg->length() - self::CORNER;

        return match (true) {
            $atStart && $piece === 0 && ! $this->closed => self::beyond($leg->reversed(), $p, 0.0, 0, -1),
            $atEnd && $piece === $this->count - 1 && ! $this->closed => self::beyond($leg, $p, $this->length, $piece, 1),
            $atStart => $this->atCorner($piece, $start, $p),
            $atEnd => $this->atCorner(($piece + 1) % $this->count, $start + $leg->length(), $p),
            default => self::beside($leg, $start, $within, $piece, $p),
        };
    }

    /**
     * @param  array{float, int, float}  $best  distance, number of the piece, how far along the piece
     * @return array{float, int, float}
     */
    private static function nearer(array $best, int $i, Leg $leg, Position $p): array
    {
        $foot = $leg->foot($p);
        if ($foot !== null) {
            return abs($foot[1]) < $best[0] ? [abs($foot[1]), $i, $foot[0]] : $best;
        }
        $from = $leg->from->distanceTo($p);
        $to = $leg->to->distanceTo($p);
        if (min($from, $to) >= $best[0]) {
            return $best;
        }

        return $from <= $to ? [$from, $i, 0.0] : [$to, $i, $leg->length()];
    }

    private static function beside(Leg $leg, float $start, float $within, int $piece, Position $p): Foot
    {
        $on = $leg->at($within);
        $azimuth = $leg->azimuthAt($within);

        return new Foot($on, $start + $within, (new Line($on, $azimuth))->right($p), $piece, $azimuth);
    }

    private function atCorner(int $after, float $along, Position $p): Foot
    {
        $leg = $this->leg($after);
        $before = $this->leg(($after + $this->count - 1) % $this->count);

        return new Foot($leg->from, $along, Polyline::sideOfCorner($before, $leg, $p) * $leg->from->distanceTo($p), $after, $leg->azimuthAt(0.0));
    }

    /**
     * The foot on what goes on from the end of a piece.
     *
     * @param  int  $sign  1 beyond the end; -1 where the piece was turned round to go on before the beginning
     */
    private static function beyond(Leg $leg, Position $p, float $end, int $piece, int $sign): Foot
    {
        $azimuth = $leg->azimuthAt($leg->length());
        $centre = $leg->centre();
        if ($centre === null) {
            $line = new Line($leg->to, $azimuth);
            $over = max(0.0, $line->along($p));
            $rise = $leg->at($leg->length() + $over)->elevation;

            return new Foot($line->at($over)->at($rise), $end + $sign * $over, $sign * $line->right($p), $piece, self::along($azimuth, $sign));
        }
        $turned = Angle::wrap($leg->side() * ($centre->azimuthTo($p) - $centre->azimuthTo($leg->to)));
        // Short of the end by rounding is the end.
        $over = $turned > M_PI ? 0.0 : $turned * $leg->radius();
        $there = $azimuth + $leg->side() * $over / $leg->radius();
        $place = $centre->along($centre->azimuthTo($leg->to) + $leg->side() * $over / $leg->radius(), $leg->radius())
            ->at($leg->at($leg->length() + $over)->elevation);

        return new Foot($place, $end + $sign * $over, $sign * (new Line($place, $there))->right($p), $piece, self::along($there, $sign));
    }

    private static function along(float $azimuth, int $sign): float
    {
        return Angle::wrap($sign > 0 ? $azimuth : $azimuth + M_PI);
    }

    /** @return array<int, float> blocks and how far off each lies at least, the nearest first */
    private function blocksFor(Position $p): array
    {
        $count = self::blocks($this->count);
        /** @var list<float> $boxes */
        $boxes = array_values((array) unpack('e'.(4 * $count), $this->head, self::HEAD));
        $bounds = [];
        for ($b = 0, $k = 0; $b < $count; $b++, $k += 4) {
            $bounds[$b] = hypot(
                max(0.0, $boxes[$k] - $p->northing, $p->northing - $boxes[$k + 1]),
                max(0.0, $boxes[$k + 2] - $p->easting, $p->easting - $boxes[$k + 3]),
            );
        }
        asort($bounds);

        return $bounds;
    }

    /** @throws \DomainException where it is none */
    private function bytesOf(int $block): string
    {
        $bytes = $this->read[$block] ??= ($this->block)($block);
        if (strlen($bytes) !== self::LEG_BYTES * min(self::BLOCK, $this->count - $block * self::BLOCK)) {
            throw new \DomainException('A piece of that line is missing.');
        }

        return $bytes;
    }

    /** @return array{float, Leg} how far along it begins, and the piece */
    private function unpacked(int $i): array
    {
        /** @var array{1: float, 2: float, 3: float, 4: float, 5: float, 6: float, 7: float, 8: float} $v */
        $v = unpack('e8', $this->bytesOf(intdiv($i, self::BLOCK)), $i % self::BLOCK * self::LEG_BYTES);

        return [$v[1], new Leg(
            new Position($v[2], $v[3], is_nan($v[4]) ? null : $v[4]), new Position($v[5], $v[6], is_nan($v[7]) ? null : $v[7]), $v[8],
        )];
    }

    /**
     * @param  array{float, float, float, float}  $bounds
     * @return array{float, float, float, float}
     */
    private static function around(array $bounds, Leg $leg): array
    {
        // How far an arc may bulge beyond its ends.
        $bulge = match (true) {
            $leg->isStraight() => 0.0,
            abs($leg->sweep) >= M_PI => 2 * $leg->radius(),
            default => $leg->radius() * (1 - cos($leg->sweep / 2)),
        };
        foreach ([$leg->from, $leg->to] as $p) {
            $bounds = [
                min($bounds[0], $p->northing - $bulge), max($bounds[1], $p->northing + $bulge), min($bounds[2], $p->easting - $bulge),
                max($bounds[3], $p->easting + $bulge),
            ];
        }

        return $bounds;
    }

    private static function blocks(int $count): int
    {
        return intdiv($count + self::BLOCK - 1, self::BLOCK);
    }
}
