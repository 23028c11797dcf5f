<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\ObservedKind;
use Parlay\Core\Setups\StationModel;

/** How the observations of a sight grow with one thing that may be wrong, in the order of its block's rows. */
final class Grows
{
    /**
     * @param  array<string, float>  $by  how much each kind grows; 0 where it is not named
     * @return list<float>
     */
    public static function only(ControlSight $s, array $by): array
    {
        return array_map(static fn (ObservedKind $k): float => $by[$k->value] ?? 0.0, StationModel::observed($s));
    }

    /** @return list<float> with the slope distance: what it gives in plan and in height grows in proportion */
    public static function withSlope(ControlSight $s): array
    {
        $slope = max($s->sight->slope, 1e-3);

        return self::only($s, [
            ObservedKind::SlopeDistance->value => 1.0, ObservedKind::HorizontalDistance->value => $s->sight->distance / $slope,
            ObservedKind::Rise->value => $s->sight->rise / $slope,
        ]);
    }
}
