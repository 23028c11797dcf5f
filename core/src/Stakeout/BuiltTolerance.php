<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Adjustment\Normal;
use Parlay\Core\Adjustment\Significance;

/** How far out of plumb and how uneven what is built may be; null where that is only told. */
final readonly class BuiltTolerance
{
    /**
     * @param  float|null  $plumbOneIn  out of plumb by one in so many at most
     * @param  float|null  $flat  from the one farthest behind the plane that fits best to the one farthest before it, metres
     */
    public function __construct(public ?float $plumbOneIn, public ?float $flat) {}

    /**
     * By its figure, or by how probable it is (JCGM 106:2012, 7), as marks are judged.
     *
     * @return Conformity|null null where nothing is asked for, or the shots prove nothing
     */
    public function plumb(?Plumb $found, DecisionRule $rule): ?Conformity
    {
        if ($this->plumbOneIn === null || $found === null) {
            return null;
        }
        $allowed = $found->height / $this->plumbOneIn;
        $lean = hypot($found->north, $found->east);
        if ($rule->acceptance === Acceptance::Simple) {
            return Deviation::isBeyond($lean, $allowed) ? Conformity::Outside : Conformity::Inside;
        }
        $p = Normal::between(-$allowed, $allowed, $lean, $found->uncertain / Significance::NINETY_FIVE);

        return $p >= $rule->level ? Conformity::Inside : ($p <= 1.0 - $rule->level ? Conformity::Outside : Conformity::Close);
    }

    /**
     * Beyond what is allowed by no more than the shots themselves would show of a flat face, it is too close to call by either rule.
     *
     * @param  float|null  $bow  metres
     * @param  float|null  $byChance  of a flat face, metres
     */
    public function flat(?float $bow, ?float $byChance): ?Conformity
    {
        return match (true) {
            $this->flat === null || $bow === null => null,
            ! Deviation::isBeyond($bow, $this->flat) => Conformity::Inside,
            Deviation::isBeyond($bow, $this->flat + (float) $byChance) => Conformity::Outside,
            default => Conformity::Close,
        };
    }
}
