<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Geometry\Angle;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Station;

/** The instrument stands on a known mark and takes its orientation from one other. */
final class KnownBacksight
{
    /** Nearer than this a sight gives no direction worth having. */
    private const TOO_NEAR = 0.1;

    /** @throws CannotSetUp */
    public static function solve(Position $mark, float $instrumentHeight, ControlSight $backsight, Accuracy $accuracy): SetupSolution
    {
        $known = $mark->distanceTo($backsight->control);
        if ($known < self::TOO_NEAR) {
            throw CannotSetUp::backsightIsStation($backsight->name);
        }
        $sight = $backsight->sight;
        $station = new Station($mark, Angle::wrap($mark->azimuthTo($backsight->control) - $sight->circle), $instrumentHeight);
        $found = $station->locate($sight);
        $height = $found->elevation === null || $backsight->control->elevation === null
            ? null : $found->elevation - $backsight->control->elevation;

        return new SetupSolution(
            station: $station,
            northingDeviation: null,
            eastingDeviation: null,
            heightDeviation: null,
            // The instrument's own centring on the mark turns the orientation as much as the pole's does.
            orientationDeviation: hypot($accuracy->ofDirection($known), $accuracy->centring / $known),
            residuals: [new SightResidual($backsight->name, true, null, null, $sight->distance - $known, $height)],
            redundancy: 1,
            fit: null,
            cautions: self::cautions($sight->distance - $known, $height, $known, $accuracy, $mark),
        );
    }

    /** @return list<string> */
    private static function cautions(float $distance, ?float $height, float $known, Accuracy $accuracy, Position $mark): array
    {
        $cautions = ['The orientation cannot be checked with one sight: only the distance and the height difference are. Take a check shot on another control point.'];
        if (abs($distance) > 3 * hypot($accuracy->ofDistance($known), $accuracy->centring)) {
            $cautions[] = 'The measured distance does not agree with the coordinates. Check that both points are the ones named, and the prism constant.';
        }
        if ($height === null) {
            $cautions[] = $mark->elevation === null
                ? 'The station has no elevation, so this setup gives none.'
                : 'The backsight has no elevation: the height difference is not checked.';
        } elseif (abs($height) > 3 * hypot($accuracy->ofHeight($known), 0.002)) {
            $cautions[] = 'The height difference does not agree. Check the instrument height and the target height.';
        }

        return $cautions;
    }
}
