<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Instrument\Sight;

/** A shot anywhere along a line. */
final readonly class LineShot
{
    /** @param  float  $angleFactor  how much less certain its angles are than one mean of two faces */
    public function __construct(
        public SiteLine $line,
        public Sight $sight,
        public bool $used = true,
        public float $angleFactor = 1.0,
    ) {}

    /** @return array{float, float} where it is, seen from the instrument: metres along the circle's zero and to the right of it */
    public function local(): array
    {
        return [$this->sight->distance * cos($this->sight->circle), $this->sight->distance * sin($this->sight->circle)];
    }
}
