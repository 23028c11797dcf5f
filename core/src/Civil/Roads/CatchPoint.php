<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

use Parlay\Core\Civil\Surfaces\AlongSurface;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Volumes\SectionDifference;
use Parlay\Core\Geometry\Position;

/** Where a side slope, begun at its hinge, comes out of the ground or down onto it: where the slope stake stands. */
final readonly class CatchPoint
{
    /** How far it is looked for, metres. */
    public const FARTHEST = 200.0;

    /**
     * @param  Position  $place  on the ground
     * @param  float  $out  metres from the hinge, in plan
     * @param  bool  $cut  whether the ground there lies above the hinge's slope: a cutting
     */
    private function __construct(public Position $place, public float $out, public bool $cut) {}

    /**
     * @param  Position  $hinge  with its design elevation
     * @param  float  $azimuth  outward, radians
     * @param  float  $cutSlope  rise for each metre outward
     * @param  float  $fillSlope  fall for each metre outward, positive
     *
     * @throws NoSurface where the ground does not reach so far, or the slope never meets it
     */
    public static function of(Position $hinge, float $azimuth, float $cutSlope, float $fillSlope, SurfaceIndex $ground): self
    {
        $under = $ground->at($hinge->northing, $hinge->easting) ?? throw NoSurface::noGroundAtHinge();
        $cut = $under->elevation >= (float) $hinge->elevation;
        $slope = $cut ? $cutSlope : -$fillSlope;
        $line = [[0.0, (float) $hinge->elevation], [self::FARTHEST, $hinge->elevation + self::FARTHEST * $slope]];
        foreach (AlongSurface::of($ground, $hinge, $hinge->along($azimuth, self::FARTHEST)) as $run) {
            foreach (SectionDifference::meetings($run, $line) as [$out, $elevation]) {
                return new self($hinge->along($azimuth, $out, $elevation), $out, $cut);
            }
            // What lies beyond a gap in the ground is not this slope's ground.
            break;
        }
        throw NoSurface::slopeMeetsNoGround(self::FARTHEST);
    }
}
