<?php

declare(strict_types=1);

namespace App\Lists;

/** A name that has another place in a list that was issued again; metres, new less old. */
final readonly class MovedName
{
    /** @param  string  $uses  what was measured with it already, in words: setups, or that it is staked */
    public function __construct(
        public string $name,
        public float $plan,
        public ?float $height,
        public float $dNorthing,
        public float $dEasting,
        public string $uses,
    ) {}
}
