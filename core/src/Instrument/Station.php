<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** An instrument that knows where it stands and which way its circle's zero points. */
final readonly class Station
{
    /**
     * @param  Position  $mark  ground mark, or the trunnion axis itself where the height is 0
     * @param  float  $orientation  grid azimuth of the circle's zero, radians
     * @param  float  $instrumentHeight  mark to trunnion axis, metres
     */
    public function __construct(
        public Position $mark,
        public float $orientation,
        public float $instrumentHeight,
    ) {
        if (! Bounds::hold($instrumentHeight, 0, 6)) {
            throw ImplausibleEntry::height('An instrument height', $instrumentHeight);
        }
    }

    /** The mark under the prism. */
    public function locate(Sight $sight): Position
    {
        return $this->mark->along(
            $this->azimuthOf($sight->circle),
            $sight->distance,
            $this->mark->elevation === null ? null
                : $this->mark->elevation + $this->instrumentHeight + $sight->rise - $sight->target->height,
        );
    }

    /** Elevation of the mark under the prism from the zenith angle alone, over a horizontal distance known otherwise. */
    public function heightAt(Sight $sight, float $distance): ?float
    {
        return $this->mark->elevation === null ? null
            : $this->mark->elevation + $this->instrumentHeight + $distance / tan($sight->straightZenith($distance))
                - $sight->target->height;
    }

    /** Grid azimuth, radians, of a reading of the horizontal circle. */
    public function azimuthOf(float $circle): float
    {
        return Angle::wrap($circle + $this->orientation);
    }

    /**
     * Circle and zenith at which a target over this place is found; level where a height is missing.
     *  @return array{circle: float, zenith: float}
     */
    public function aimAt(Position $place, float $targetHeight): array
    {
        $distance = $this->mark->distanceTo($place);
        $rise = $this->mark->elevation === null || $place->elevation === null
            ? 0.0
            : $place->elevation + $targetHeight - $this->mark->elevation - $this->instrumentHeight - Sight::curvature($distance);

        return [
            'circle' => Angle::wrap($this->mark->azimuthTo($place) - $this->orientation),
            'zenith' => M_PI_2 - atan2($rise, max($distance, 1e-6)),
        ];
    }
}
