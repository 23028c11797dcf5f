<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

use Parlay\Core\Geometry\Frame;

/** A ball, or a ring: u turns about the z axis of its frame, v rises about the tube. A ball is a ring whose tube's middle lies on the axis. */
final readonly class Ball implements CurvedSurface
{
    private Frame $inward;

    /**
     * @param  float  $radius  of the ball or of the tube, metres
     * @param  float  $ring  from the axis to the middle of the tube, metres; 0 of a ball
     */
    public function __construct(private Frame $frame, private float $radius, private float $ring = 0.0)
    {
        $this->inward = $frame->inverse() ?? $frame;
    }

    public function at(float $u, float $v): array
    {
        $out = $this->ring + $this->radius * cos($v);

        return $this->frame->point($out * cos($u), $out * sin($u), $this->radius * sin($v));
    }

    public function nearest(array $place): array
    {
        [$x, $y, $z] = $this->inward->point(...$place);

        return [atan2($y, $x), atan2($z, hypot($x, $y) - $this->ring)];
    }

    public function periods(): array
    {
        return [2 * M_PI, $this->ring > 0.0 ? 2 * M_PI : null];
    }

    public function corners(): array
    {
        return [false, false];
    }

    public function poles(): array
    {
        return $this->ring > 0.0 ? [null, null] : [-M_PI / 2, M_PI / 2];
    }
}
