<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** A plane convex piece of a face, while solids are cut. */
final readonly class Facet
{
    /** A tenth of what lies in a plane while solids are parted (Partition), metres. */
    private const FLAT = 1e-7;

    /**
     * @param  list<array{float, float, float}>  $corners  turning to the left from outside
     * @param  float  $x  of its normal, of length 1
     * @param  float  $d  from the origin along the normal, metres
     * @param  int|null  $round  as of Face
     */
    public function __construct(
        public array $corners,
        public float $x,
        public float $y,
        public float $z,
        public float $d,
        public ?int $round,
    ) {}

    /** @param  list<array{float, float, float}>  $corners */
    public static function of(array $corners, ?int $round): ?self
    {
        [$x, $y, $z] = FaceTriangles::normal($corners, array_keys($corners));
        $length = sqrt($x * $x + $y * $y + $z * $z);
        if ($length < 1e-14) {
            return null;
        }
        [$x, $y, $z] = [$x / $length, $y / $length, $z / $length];

        return new self($corners, $x, $y, $z, $x * $corners[0][0] + $y * $corners[0][1] + $z * $corners[0][2], $round);
    }

    /**
     * The same of many corners; null also where they do not lie in one plane.
     *
     * @param  list<array{float, float, float}>  $corners
     */
    public static function inPlane(array $corners, ?int $round): ?self
    {
        $facet = self::of($corners, $round);
        if ($facet === null) {
            return null;
        }
        foreach ($corners as [$x, $y, $z]) {
            if (abs($facet->x * $x + $facet->y * $y + $facet->z * $z - $facet->d) > self::FLAT) {
                return null;
            }
        }

        return $facet;
    }

    /** @param  list<array{float, float, float}>  $corners  a piece of this */
    public function piece(array $corners): self
    {
        return new self($corners, $this->x, $this->y, $this->z, $this->d, $this->round);
    }

    /** Seen from the other side. */
    public function turned(int $rounds): self
    {
        return new self(array_reverse($this->corners), -$this->x, -$this->y, -$this->z, -$this->d, $this->numbered($rounds)->round);
    }

    /** Its round face counted from another number on. */
    public function numbered(int $rounds): self
    {
        return new self($this->corners, $this->x, $this->y, $this->z, $this->d, $this->round === null || $this->round < 0 ? $this->round : $this->round + $rounds);
    }
}
