<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Civil\Alignments\AlignmentFoot;
use Parlay\Core\Civil\Roads\OnSection;
use Parlay\Core\Civil\Roads\Road;
use Parlay\Core\Civil\Surfaces\OnSurface;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/**
 * An alignment: staked as a line, or a parallel of it, anywhere along; or only its heights, wherever one stands beside it, as a road is
 * graded.
 */
final readonly class AlignmentAim implements Aim
{
    /** Other feet are said that lie no further off than this, metres. */
    private const OTHERS_WITHIN = 60.0;

    private const MOST_OTHERS = 3;

    /**
     * @param  float  $offset  metres right of the axis that is staked, negative left
     * @param  bool  $grade  only heights count, wherever one stands
     * @param  PackedSurface|null  $surface  that heights are taken from, in place of the road's own
     * @param  float  $verticalOffset  metres above those heights
     * @param  bool  $heights  whether it has heights at all
     */
    public function __construct(
        private Road $road,
        private float $offset = 0.0,
        private bool $grade = false,
        private ?PackedSurface $surface = null,
        private float $verticalOffset = 0.0,
        private bool $heights = true,
    ) {}

    public function designedAt(Position $pole): Designed
    {
        $alignment = $this->road->alignment;
        $foot = $alignment->foot($pole);
        $right = $this->grade ? $foot->offset : $this->offset;
        $at = $this->grade ? $pole : $alignment->at($foot->along, $this->offset);
        [$elevation, $on, $ground] = $this->heightAt($foot->along, $right, $at, $pole->elevation);

        return new Designed($at->at($elevation), $this->grade ? null : $this->onLine($foot), $this->on($foot, $pole, $on), $ground);
    }

    public function judges(): Judged
    {
        return $this->grade ? Judged::Height : ($this->heights ? Judged::PlanAndHeight : Judged::Plan);
    }

    /** @return array{float|null, OnSection|null, OnSurface|null} */
    private function heightAt(float $along, float $right, Position $at, ?float $ground): array
    {
        if (! $this->heights) {
            return [null, null, null];
        }
        if ($this->surface !== null) {
            $on = $this->surface->at($at->northing, $at->easting);

            return [$on === null ? null : $on->elevation + $this->verticalOffset, null, $on];
        }
        $on = $this->road->heightAt($along, $right, $ground === null ? null : $ground - $this->verticalOffset);

        return $on === null ? [null, null, null] : [$on->elevation + $this->verticalOffset, $on, null];
    }

    private function onLine(AlignmentFoot $foot): OnLine
    {
        $length = $this->road->alignment->length;

        return new OnLine(
            along: $foot->along,
            toEnd: $length - $foot->along,
            offset: $foot->offset - $this->offset,
            piece: $foot->element + 1,
            pieces: count($this->road->alignment->elements),
            azimuth: $foot->azimuth,
            radius: $foot->curvature === 0.0 ? null : abs(1 / $foot->curvature),
            reach: match (true) {
                $foot->along < 0.0 => Reach::BeforeStart,
                $foot->along > $length => Reach::BeyondEnd,
                default => Reach::Beside,
            },
        );
    }

    private function on(AlignmentFoot $foot, Position $pole, ?OnSection $on): OnAlignment
    {
        $alignment = $this->road->alignment;
        $stationing = $alignment->stationing;
        $others = [];
        foreach ($alignment->feet($pole, min(self::OTHERS_WITHIN, 3 * abs($foot->offset) + 20.0)) as $other) {
            if (abs($other->along - $foot->along) > 0.01 && count($others) < self::MOST_OTHERS) {
                $others[] = new OtherFoot($stationing->stationAt($other->along), $stationing->regionAt($other->along), $other->offset);
            }
        }

        return new OnAlignment(
            station: $stationing->stationAt($foot->along),
            region: $stationing->regionAt($foot->along),
            regions: $stationing->regions(),
            along: $foot->along,
            offset: $foot->offset,
            element: $foot->element + 1,
            kind: $alignment->elements[$foot->element]->kind,
            radius: $foot->curvature === 0.0 ? null : 1 / $foot->curvature,
            axis: $this->road->profile?->elevationAt($foot->along),
            part: $on->part ?? '',
            slope: $on?->slope,
            others: $others,
            side: $this->grade ? $on?->side?->raised($this->verticalOffset) : null,
            azimuth: $foot->azimuth,
        );
    }
}
