<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

/** A setup as it stands, and as it would be; metres and radians, new less old. */
final readonly class MendedSetupEntry
{
    /** @param  list<MendedMark>  $marks  no more than are looked at */
    public function __construct(
        public int $setupId,
        public int $number,
        public string $stationName,
        public string $at,
        public float $north,
        public float $east,
        public ?float $up,
        public float $turn,
        public int $markCount,
        public float $largest,
        #[ListOf(MendedMark::class)]
        public array $marks,
    ) {}
}
