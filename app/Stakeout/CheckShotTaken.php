<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\Setups\CheckShot;

/** A check shot held against what was to be expected. */
final readonly class CheckShotTaken
{
    public function __construct(
        public int $markId,
        public string $at,
        public string $name,
        public CheckShot $shot,
    ) {}
}
