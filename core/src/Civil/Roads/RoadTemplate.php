<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

use Parlay\Core\Formerly;
use Parlay\Core\ListOf;

/** A road by its strips: lanes and shoulders left and right of the axis, their cross-falls, and the slopes beside it. */
final readonly class RoadTemplate implements RoadShape
{
    /** Sums of widths miss the edge they lead to by rounding, metres. */
    private const SLACK = 1e-6;

    /**
     * @param  list<Strip>  $left  from the axis outward
     * @param  list<Strip>  $right
     * @param  list<Superelevation>  $turned  by station; strips that turn follow it
     * @param  float|null  $cutSlope  rise for each metre outward of a cutting; null where there is none
     * @param  float|null  $fillSlope  fall for each metre outward of an embankment, positive
     * @param  float  $verticalOffset  metres above the profile: a subgrade lies below it
     */
    public function __construct(
        #[ListOf(Strip::class)]
        public array $left,
        #[ListOf(Strip::class)]
        public array $right,
        #[ListOf(Superelevation::class)]
        public array $turned = [],
        public ?float $cutSlope = null,
        public ?float $fillSlope = null,
        #[Formerly('raised')]
        public float $verticalOffset = 0.0,
        public string $name = '',
    ) {}

    public function heightAt(float $along, float $right, ?float $axis, ?float $ground = null): ?OnSection
    {
        if ($axis === null) {
            return null;
        }
        $side = $right < 0.0 ? -1 : 1;
        $off = abs($right);
        [$at, $height] = [0.0, $axis + $this->verticalOffset];
        foreach ($this->strips($along, $side) as [$strip, $slope]) {
            if ($off <= $at + $strip->width + self::SLACK) {
                return new OnSection($height + ($off - $at) * $slope, $strip->name, $slope * $side);
            }
            $at += $strip->width;
            $height += $strip->width * $slope;
        }
        if ($off <= $at + self::SLACK) {
            return new OnSection($height, '', 0.0);
        }
        $slope = $this->slopeFrom($height, $ground);

        if ($slope === null) {
            return null;
        }
        $stake = $slope === 0.0 ? null : new SideSlope($side * $at, $height, $slope, $side * ($at + ((float) $ground - $height) / $slope));

        return new OnSection($height + ($off - $at) * $slope, $slope > 0.0 ? 'cut slope' : 'fill slope', $slope * $side, $stake);
    }

    /** Rise outward of the slope beside the road; null where it has none, or nothing says which of both. */
    private function slopeFrom(float $hinge, ?float $ground): ?float
    {
        if ($ground === null) {
            return null;
        }

        return $ground >= $hinge ? $this->cutSlope : ($this->fillSlope === null ? null : -$this->fillSlope);
    }

    /** @return list<array{Strip, float}> of one side, each with its cross-fall there */
    private function strips(float $along, int $side): array
    {
        $turned = $this->turnedAt($along, $side);

        return array_map(
            static fn (Strip $s): array => [$s, $s->turns && $turned !== null ? $turned : $s->crossfall], $side < 0 ? $this->left : $this->right,
        );
    }

    private function turnedAt(float $along, int $side): ?float
    {
        $before = null;
        foreach ($this->turned as $at) {
            $now = $side < 0 ? $at->left : $at->right;
            if ($at->along >= $along) {
                $was = $before === null ? $now : ($side < 0 ? $before->left : $before->right);
                $way = $before === null ? 0.0 : $at->along - $before->along;

                return $way <= 0.0 ? $now : $was + ($now - $was) * ($along - $before?->along) / $way;
            }
            $before = $at;
        }

        return $before === null ? null : ($side < 0 ? $before->left : $before->right);
    }

    /**
     * Where a side slope begins.
     *
     * @return array{float, float} metres from the axis, and height
     */
    public function hinge(float $along, int $side, float $axis): array
    {
        [$at, $height] = [0.0, $axis + $this->verticalOffset];
        foreach ($this->strips($along, $side) as [$strip, $slope]) {
            $at += $strip->width;
            $height += $strip->width * $slope;
        }

        return [$at, $height];
    }

    public function section(float $along, ?float $axis): array
    {
        if ($axis === null) {
            return [];
        }
        $points = [new SectionPoint(0.0, $axis + $this->verticalOffset, 'axis')];
        foreach ([-1, 1] as $side) {
            [$at, $height] = [0.0, $axis + $this->verticalOffset];
            foreach ($this->strips($along, $side) as [$strip, $slope]) {
                $at += $strip->width;
                $height += $strip->width * $slope;
                $points[] = new SectionPoint($side * $at, $height, $strip->name);
            }
        }

        return (new CrossSection($along, $points))->points;
    }
}
