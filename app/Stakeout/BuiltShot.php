<?php

declare(strict_types=1);

namespace App\Stakeout;

/** A shot on a face or beside an axis. */
final readonly class BuiltShot
{
    /** before: metres in front of the face, square to it, negative behind; off the axis. out: of the tolerance it was judged by. */
    public function __construct(
        public int $markId,
        public string $name,
        public float $easting,
        public float $northing,
        public ?float $elevation,
        public float $before,
        public bool $out,
    ) {}
}
