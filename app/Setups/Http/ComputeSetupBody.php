<?php

declare(strict_types=1);

namespace App\Setups\Http;

use App\Cogo\Http\PositionBody;
use App\Setups\SetupMethod;
use Parlay\Core\ListOf;

final readonly class ComputeSetupBody
{
    /**
     * Angle in seconds, distances in millimetres and ppm, as instruments state them.
     *  @param  list<ControlReadingBody>  $sights
     */
    public function __construct(
        public SetupMethod $method,
        #[ListOf(ControlReadingBody::class)]
        public array $sights,
        public ?PositionBody $station = null,
        public float $instrumentHeight = 0.0,
        public float $angleSeconds = 2.0,
        public float $distanceMillimetres = 1.0,
        public float $distancePpm = 1.5,
    ) {}
}
