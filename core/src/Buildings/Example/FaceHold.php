<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Example;

/** A plane face that a spot is held by: where another thing alike, or a later revision, has the same one. */
final readonly class FaceHold
{
    /**
     * @param  int  $index  among the faces of the thing
     * @param  float  $x  of its normal outward, of length 1, along the thing's own axes
     * @param  int  $rank  among the faces that look the same way, the outermost 0
     * @param  int  $of  how many look that way
     * @param  float  $inward  how far behind the face, metres; below 0 in front of it
     */
    public function __construct(
        public int $index,
        public float $x,
        public float $y,
        public float $z,
        public int $rank,
        public int $of,
        public float $inward = 0.0,
    ) {}

    public function behind(float $inward): self
    {
        return new self($this->index, $this->x, $this->y, $this->z, $this->rank, $this->of, $inward);
    }
}
