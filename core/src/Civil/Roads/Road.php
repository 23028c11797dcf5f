<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\NoAlignment;
use Parlay\Core\Civil\Profiles\Profile;
use Parlay\Core\Geometry\Position;

/** A road without triangles: an axis, its heights, and what lies across it. */
final readonly class Road
{
    /** Sine of the least angle of a skew, 5°: a smaller one would lie kilometres off. */
    private const LEAST_SKEW = 0.08715574274765817;

    public function __construct(public Alignment $alignment, public ?Profile $profile, public ?RoadShape $shape) {}

    /**
     * The design at a place beside the axis; null where there is none.
     *
     * @param  float|null  $ground  metres, where it is known
     */
    public function heightAt(float $along, float $right, ?float $ground = null): ?OnSection
    {
        $axis = $this->profile?->elevationAt($along);
        if ($this->shape !== null) {
            return $this->shape->heightAt($along, $right, $axis, $ground);
        }

        return $axis === null ? null : new OnSection($axis, '', 0.0);
    }

    /**
     * A place beside the axis, without its height.
     *
     * @param  float  $offset  metres to the right, negative to the left, measured along the skew
     * @param  float|null  $skew  whereto an offset to the right runs, radians clockwise from the direction of the axis; square to it where null
     *
     * @throws NoAlignment where it runs nearly along the axis
     */
    public function beside(float $along, float $offset, ?float $skew = null): Position
    {
        if ($skew !== null && abs(sin($skew)) < self::LEAST_SKEW - 1e-12) {
            throw NoAlignment::tooSkewed();
        }

        return $skew === null || $offset === 0.0
            ? $this->alignment->at($along, $offset)
            : $this->alignment->at($along)->along($this->alignment->azimuthAt($along) + $skew, $offset);
    }

    /**
     * The design at such a place. Skewed, it stands square to another station.
     *
     * @param  Position  $place  that is beside() there
     */
    public function heightBeside(float $along, float $offset, ?float $skew, Position $place): ?OnSection
    {
        $foot = $skew === null ? null : $this->alignment->foot($place);

        return $this->heightAt($foot->along ?? $along, $foot->offset ?? $offset);
    }
}
