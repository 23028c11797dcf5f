<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout\Aims;

use Parlay\Core\Geometry\Foot;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Judged;

/** A line, anywhere along it: designed is the place on it that is square to the pole. */
final readonly class LineAim implements Aim
{
    /**
     * @param  PackedPolyline  $line  or the parallel of it that is staked
     * @param  float|null  $one  metres, where the line has one height
     * @param  float  $verticalOffset  metres above those heights
     */
    public function __construct(
        private PackedPolyline $line,
        private LineHeights $heights = LineHeights::Vertices,
        private ?float $one = null,
        private float $verticalOffset = 0.0,
    ) {}

    public function designedAt(Position $pole): Designed
    {
        $foot = $this->line->foot($pole);
        $leg = $this->line->leg($foot->piece);

        return new Designed($foot->place->at($this->elevationAt($foot)), new OnLine(
            along: $foot->along,
            toEnd: $this->line->length - $foot->along,
            offset: $foot->offset,
            piece: $foot->piece + 1,
            pieces: $this->line->count,
            azimuth: $foot->azimuth,
            radius: $leg->isStraight() ? null : $leg->radius(),
            reach: match (true) {
                $foot->along < 0.0 => Reach::BeforeStart,
                $foot->along > $this->line->length => Reach::BeyondEnd,
                default => Reach::Beside,
            },
        ));
    }

    public function judges(): Judged
    {
        return $this->heights === LineHeights::None ? Judged::Plan : Judged::PlanAndHeight;
    }

    private function elevationAt(Foot $foot): ?float
    {
        $elevation = match ($this->heights) {
            LineHeights::Vertices => $foot->place->elevation,
            LineHeights::Ends => $this->betweenEnds($foot->along),
            LineHeights::One => $this->one,
            LineHeights::None => null,
        };

        return $elevation === null ? null : $elevation + $this->verticalOffset;
    }

    /** On one grade from end to end, whatever the vertices between have. */
    private function betweenEnds(float $along): ?float
    {
        $from = $this->line->beginning()->elevation;
        $to = $this->line->end()->elevation;

        return $from === null || $to === null ? null : $from + ($to - $from) * $along / $this->line->length;
    }
}
