<?php

declare(strict_types=1);

namespace App\Control;

/** A control point that a reissued list has in another place; metres. */
final readonly class MovedControl
{
    /** @param  string  $setups  those that used it, in words */
    public function __construct(
        public string $name,
        public float $plan,
        public ?float $height,
        public float $dNorthing,
        public float $dEasting,
        public string $setups,
    ) {}
}
