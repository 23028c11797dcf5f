<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

/** A shot with the designs that it may be of. */
final readonly class ShotMatch
{
    /**
     * @param  int|string  $shot  by its key
     * @param  list<array{design: int|string, distance: float}>  $candidates  within reach, the nearest first; metres in space where both have an elevation, in plan otherwise
     * @param  MatchDoubt|null  $doubt  why it is not plain which one it is; null where it is, or where there is none
     */
    public function __construct(public int|string $shot, public array $candidates, public ?MatchDoubt $doubt) {}
}
