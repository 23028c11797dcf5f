<?php

declare(strict_types=1);

namespace App\Stakeout;

/** How far something leans in one direction. */
final readonly class Lean
{
    /** toward: in words, whereto it leans; metres: never below 0, over the height between the shots. */
    public function __construct(public string $toward, public float $metres) {}
}
