<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Bounds;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setups\ShotSpread;

/**
 * What no prism can stand on is measured beside it: how far it lies behind the prism, to its right and above it, as one looks from the instrument, held by eye and
 * measured by tape. The centre of a round column is its radius behind the prism that is held at its front.
 */
final readonly class OffsetShot
{
    /** Longer ones are measured from another place, metres. */
    private const LONGEST = 20.0;

    /** How well a tape is read and held beside a prism, standard deviation, metres. Common practice, no source. */
    private const TAPE = 0.002;

    /** How well a line along the sight or square to it is held by eye: a degree, standard deviation. Common practice, no source. */
    private const BY_EYE = M_PI / 180;

    /**
     * @param  float  $behind  metres beyond the prism along the line of sight, level; before it where negative
     * @param  float  $right  metres to the right as one looks from the instrument; left where negative
     * @param  float  $up  metres above; below where negative
     *
     * @throws \DomainException where it is none that is taped
     */
    public function __construct(public float $behind = 0.0, public float $right = 0.0, public float $up = 0.0)
    {
        foreach ([$behind, $right, $up] as $metres) {
            if (! Bounds::hold($metres, -self::LONGEST, self::LONGEST)) {
                throw new \DomainException('An offset is taped over 20 m at most. Set the prism up nearer to what is measured.');
            }
        }
    }

    public function isNone(): bool
    {
        return $this->behind === 0.0 && $this->right === 0.0 && $this->up === 0.0;
    }

    /** What is measured, where the prism stands there. */
    public function from(Station $station, Position $prism): Position
    {
        [$c, $s] = self::way($station, $prism);

        return new Position(
            $prism->northing + $this->behind * $c - $this->right * $s, $prism->easting + $this->behind * $s + $this->right * $c,
            $prism->elevation === null ? null : $prism->elevation + $this->up,
        );
    }

    /** How far that may be wrong: as far as the shot itself, and by the tape and the eye. */
    public function widen(ShotSpread $spread, Station $station, Position $prism): ShotSpread
    {
        $long = hypot($this->behind, $this->right);
        if ($this->isNone()) {
            return $spread;
        }
        [$c, $s] = self::way($station, $prism);
        // Along the taped way and across it.
        [$n, $e] = $long === 0.0 ? [$c, $s] : [($this->behind * $c - $this->right * $s) / $long, ($this->behind * $s + $this->right * $c) / $long];
        $along = $long === 0.0 ? 0.0 : self::TAPE ** 2;
        $across = ($long * self::BY_EYE) ** 2;

        return new ShotSpread(
            nn: $spread->nn + $n * $n * $along + $e * $e * $across, ne: $spread->ne + $n * $e * ($along - $across), nh: $spread->nh,
            ee: $spread->ee + $e * $e * $along + $n * $n * $across, eh: $spread->eh,
            // What is level is held level by eye as well.
            hh: $spread->hh + ($this->up === 0.0 ? 0.0 : self::TAPE ** 2) + ($long * self::BY_EYE) ** 2,
        );
    }

    /** What its tape and the eye add in plan, in the direction in which they are the weaker; square metres. */
    public function variance(): float
    {
        $long = hypot($this->behind, $this->right);

        return $long === 0.0 ? 0.0 : max(self::TAPE ** 2, ($long * self::BY_EYE) ** 2);
    }

    /** @return array{float, float} north and east of the level way from the instrument to the prism, a metre long */
    private static function way(Station $station, Position $prism): array
    {
        $azimuth = $station->mark->azimuthTo($prism);

        return [cos($azimuth), sin($azimuth)];
    }
}
