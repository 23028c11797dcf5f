<?php

declare(strict_types=1);

namespace App\Practice\Http;

use Parlay\Core\Geometry\Position;

final readonly class WorldPole
{
    public function __construct(
        public float $northing,
        public float $easting,
        public float $elevation,
        public float $height,
        public float $prismConstant,
        public float $unsteady,
        public float $tilt,
        public float $tiltAzimuth,
        public bool $walking,
        public ?Position $goal,
    ) {}
}
