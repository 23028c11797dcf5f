<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;

/** The pole with its prism: where its tip stands, how it leans, where its holder is walking. */
final class Pole
{
    public ?Position $goal = null;

    public float $speed = 1.4;

    /** Standard deviation of the hand, metres at the prism. */
    public float $unsteady = 0.0;

    public float $tilt = 0.0;

    public float $tiltAzimuth = 0.0;

    public function __construct(
        public Position $tip,
        public float $height = 2.0,
        public float $prismConstant = 0.0,
    ) {}

    public function walk(float $seconds): void
    {
        if ($this->goal === null) {
            return;
        }
        $left = $this->tip->distanceTo($this->goal);
        $step = $this->speed * $seconds;
        if ($left <= $step) {
            $this->tip = $this->goal;
            $this->goal = null;

            return;
        }
        $part = $step / $left;
        $z = $this->tip->elevation + $part * ($this->goal->elevation - $this->tip->elevation);
        $this->tip = $this->tip->along($this->tip->azimuthTo($this->goal), $step, $z);
    }

    /** Where the prism really is. */
    public function prism(Noise $noise): Position
    {
        $lean = $this->height * sin($this->tilt);

        return new Position(
            $this->tip->northing + $lean * cos($this->tiltAzimuth) + $noise->normal($this->unsteady),
            $this->tip->easting + $lean * sin($this->tiltAzimuth) + $noise->normal($this->unsteady),
            $this->tip->elevation + $this->height * cos($this->tilt),
        );
    }
}
