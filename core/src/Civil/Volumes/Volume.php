<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Geometry\Position;

/** What lies between two surfaces: cut where the first is above the second, fill where it is below. */
final readonly class Volume
{
    /**
     * @param  float  $cut  metres³
     * @param  float  $fill  metres³, positive
     * @param  float  $cutArea  metres² in plan where there is cut
     * @param  float  $fillArea  metres² in plan where there is fill
     * @param  float  $level  metres² in plan where both are at one height
     * @param  float  $deepestCut  metres
     * @param  float  $deepestFill  metres, positive
     */
    public function __construct(
        public float $cut,
        public float $fill,
        public float $cutArea,
        public float $fillArea,
        public float $level,
        public float $deepestCut,
        public float $deepestFill,
        public ?Position $deepestCutAt = null,
        public ?Position $deepestFillAt = null,
    ) {}

    /** Cut less fill: what is to be carried off, metres³. */
    public function net(): float
    {
        return $this->cut - $this->fill;
    }

    /** Of the ground that both have, metres² in plan. */
    public function area(): float
    {
        return $this->cutArea + $this->fillArea + $this->level;
    }

    /** Of the layer between them, metres; cut positive. */
    public function meanThickness(): float
    {
        return $this->area() > 0.0 ? $this->net() / $this->area() : 0.0;
    }
}
