<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\GroupedModel;
use Parlay\Core\Adjustment\ObservationGroup;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Units\Angle;

/**
 * The observation equations of a station in space: directions, zenith angles and slope distances to control.
 *
 * What is uncertain about a target (its control, the pole over it, its height) moves all observations to it together, so they form one
 * correlated block. Where only the plan or only the height of a sight is used, its slope distance and zenith angle serve as the
 * horizontal distance or the rise they give. Unknowns: northing and easting from the origin, then the orientation and the axis' height
 * over the origin, each where it is there.
 */
final readonly class StationModel implements GroupedModel
{
    /** Nothing is given more exactly than this: metres, radians. */
    private const SUREST = 1e-6;

    /** Where the orientation stands among the unknowns; null where no direction is used. */
    public ?int $orientation;

    public ?int $height;

    private int $size;

    private float $level;

    /** @param  list<ControlSight>  $sights  in use */
    public function __construct(
        private array $sights,
        private Position $origin,
        private Accuracy $accuracy,
        private float $instrumentHeight,
        private StationConstraint $given = new StationConstraint,
        bool $oriented = false,
    ) {
        $size = 2;
        $oriented = $oriented || $given->orientation !== null;
        $level = $given->place?->elevation;
        $high = $level !== null;
        foreach ($sights as $s) {
            $oriented = $oriented || $s->givesDirection();
            if ($s->givesHeight()) {
                $high = true;
                $level ??= $s->control->elevation;
            }
        }
        $this->orientation = $oriented ? $size++ : null;
        $this->height = $high ? $size++ : null;
        $this->size = $size;
        $this->level = $level ?? 0.0;
    }

    /** @param  list<float>  $unknowns */
    public function mark(array $unknowns): Position
    {
        return new Position(
            $this->origin->northing + $unknowns[0], $this->origin->easting + $unknowns[1],
            $this->height === null ? null : $this->level + $unknowns[$this->height] - $this->instrumentHeight,
        );
    }

    /**
     * @param  Position  $place  about where the station is
     * @return list<float>
     */
    public function start(Position $place, float $orientation): array
    {
        $unknowns = [$place->northing - $this->origin->northing, $place->easting - $this->origin->easting];
        if ($this->orientation !== null) {
            $unknowns[] = $orientation;
        }
        if ($this->height !== null) {
            $unknowns[] = $this->startHeight($place);
        }

        return $unknowns;
    }

    /** One group for each sight, whose observations share what is uncertain about its mark. */
    public function blocksAt(array $unknowns): array
    {
        $blocks = $this->givenBlocks($unknowns);
        foreach ($this->sights as $s) {
            $blocks[] = $this->block($s, $unknowns);
        }

        return $blocks;
    }

    /**
     * How each observation of a sight grows with a scale of all distances.
     *
     * @return list<float>
     */
    public static function scaled(ControlSight $s): array
    {
        return array_map(static fn (ObservedKind $kind): float => match ($kind) {
            ObservedKind::SlopeDistance => hypot($s->sight->distance, $s->sight->rise),
            ObservedKind::HorizontalDistance => $s->sight->distance,
            ObservedKind::Rise => $s->sight->rise,
            default => 0.0,
        }, self::observed($s));
    }

    /** @return array<int, array{float, float}> value and variance of the unknowns that are given, by their index */
    public function given(): array
    {
        $given = [];
        $place = $this->given->place;
        if ($place !== null) {
            $variance = max($this->given->placeDeviation, self::SUREST) ** 2;
            $given = [[$place->northing - $this->origin->northing, $variance], [$place->easting - $this->origin->easting, $variance]];
        }
        if ($place?->elevation !== null && $this->height !== null) {
            $given[$this->height] = [
                $place->elevation + $this->instrumentHeight - $this->level, max($this->given->heightDeviation, self::SUREST) ** 2,
            ];
        }
        if ($this->given->orientation !== null && $this->orientation !== null) {
            $given[$this->orientation] = [$this->given->orientation, max($this->given->orientationDeviation, self::SUREST / 100) ** 2];
        }

        return $given;
    }

    /** How many blocks come before those of the sights. */
    public function before(): int
    {
        return count($this->given());
    }

    /**
     * What of a sight enters, in the order of its block's rows.
     *
     * @return list<ObservedKind>
     */
    public static function observed(ControlSight $s): array
    {
        return [
            ...($s->givesDirection() ? [ObservedKind::Direction] : []),
            ...(! $s->givesHeight() ? ($s->givesDistance() ? [ObservedKind::HorizontalDistance] : []) : (! $s->plan ? [ObservedKind::Rise]
                : ($s->givesDistance() ? [ObservedKind::SlopeDistance, ObservedKind::ZenithAngle] : [ObservedKind::ZenithAngle]))),
        ];
    }

    /**
     * @param  list<float>  $unknowns
     * @return list<ObservationGroup>
     */
    private function givenBlocks(array $unknowns): array
    {
        $blocks = [];
        foreach ($this->given() as $i => [$value, $variance]) {
            $row = array_fill(0, $this->size, 0.0);
            $row[$i] = 1.0;
            $blocks[] = new ObservationGroup(
                [array_values($row)], [$i === $this->orientation ? Angle::signed($value - $unknowns[$i]) : $value - $unknowns[$i]],
                [[$variance]],
            );
        }

        return $blocks;
    }

    /**
     * A sight's own block; no rows where nothing of it enters.
     *
     * @param  list<float>  $unknowns
     */
    public function block(ControlSight $s, array $unknowns): ObservationGroup
    {
        $sight = $s->sight;
        $dn = $s->control->northing - $this->origin->northing - $unknowns[0];
        $de = $s->control->easting - $this->origin->easting - $unknowns[1];
        $square = max($dn * $dn + $de * $de, 1e-6);
        $flat = sqrt($square);
        $angle = ($this->accuracy->angle * $s->angleFactor) ** 2;
        $zenith = ($this->accuracy->zenith() * $s->angleFactor) ** 2;
        $length = $sight->hasDistance() ? $this->accuracy->distance ** 2 + ($this->accuracy->distancePpm * 1e-6 * $sight->slope) ** 2 : 0.0;
        // Each observation: its misclosure, its own variance, and its derivatives by northing, easting, orientation and height.
        $of = [];
        if ($s->givesDirection()) {
            $of[] = [
                Angle::signed($sight->circle + $unknowns[(int) $this->orientation] - atan2($de, $dn)), $angle, $de / $square,
                -$dn / $square, -1.0, 0.0,
            ];
        }
        if ($s->givesHeight()) {
            $rise = (float) $s->control->elevation + $sight->target->height - $this->level - $unknowns[(int) $this->height];
            if (! $s->plan) {
                $level = cos($sight->zenith) ** 2;
                $of[] = [$sight->rise - $rise, $sight->slope ** 2 * (1 - $level) * $zenith + $level * $length, 0.0, 0.0, 0.0, -1.0];
            } else {
                $slope = sqrt($square + $rise * $rise);
                if ($s->givesDistance()) {
                    $measured = hypot($sight->distance, $sight->rise);
                    $of[] = [$measured - $slope, $length, -$dn / $slope, -$de / $slope, 0.0, -$rise / $slope];
                }
                $of[] = [
                    $sight->straightZenith($flat) - atan2($flat, $rise), $zenith, -$dn * $rise / ($slope * $slope * $flat),
                    -$de * $rise / ($slope * $slope * $flat), 0.0, $flat / ($slope * $slope),
                ];
            }
        } elseif ($s->givesDistance()) {
            $of[] = [
                $sight->distance - $flat, sin($sight->zenith) ** 2 * $length + $sight->rise ** 2 * $zenith, -$dn / $flat, -$de / $flat,
                0.0, 0.0,
            ];
        }

        return $this->together($s, $of);
    }

    /** @param  list<array{float, float, float, float, float, float}>  $of */
    private function together(ControlSight $s, array $of): ObservationGroup
    {
        $plan = $s->planDeviation ** 2 + $this->accuracy->centring ** 2;
        $up = $s->heightDeviation ** 2 + $this->accuracy->height ** 2;
        $rows = $misclosures = $covariance = [];
        foreach ($of as $i => [$misclosure, $variance, $n, $e, $turn, $h]) {
            $row = [$n, $e];
            if ($this->orientation !== null) {
                $row[] = $turn;
            }
            if ($this->height !== null) {
                $row[] = $h;
            }
            $rows[] = $row;
            $misclosures[] = $misclosure;
            $together = [];
            foreach ($of as $k => [, , $n2, $e2, , $h2]) {
                $together[] = $plan * ($n * $n2 + $e * $e2) + $up * $h * $h2 + ($i === $k ? $variance : 0.0);
            }
            $covariance[] = $together;
        }

        return new ObservationGroup($rows, $misclosures, $covariance);
    }

    private function startHeight(Position $place): float
    {
        $sum = $this->given->place?->elevation === null ? 0.0 : $this->given->place->elevation + $this->instrumentHeight - $this->level;
        $count = $this->given->place?->elevation === null ? 0 : 1;
        foreach ($this->sights as $s) {
            if ($s->givesHeight()) {
                $flat = $place->distanceTo($s->control);
                $rise = $s->sight->hasDistance() ? $s->sight->rise : $flat / tan($s->sight->straightZenith($flat));
                $sum += (float) $s->control->elevation + $s->sight->target->height - $rise - $this->level;
                $count++;
            }
        }

        return $count === 0 ? 0.0 : $sum / $count;
    }
}
