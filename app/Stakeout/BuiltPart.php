<?php

declare(strict_types=1);

namespace App\Stakeout;

use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Conformity;

/** How a face or an axis of a thing was built, from the shots on it. */
final readonly class BuiltPart
{
    /**
     * thing: the id of the thing. least, most, mean: of the shots, metres in front of the face; null for an axis. bow: what is left of them about the plane that fits best, from
     * behind to before. leans: out of plumb, in one or two directions, over height metres, oneIn: one in so many, null where the shots prove nothing; empty where the shots do not lie far
     * enough above one another. uncertain: of the leans, 95 %, metres over the height. turn: of a face, how far it is turned in plan over length metres, with how far that may be wrong. bowByChance: what a flat face would bow by in 95 of 100 cases, for the shots' own sake. plumbConforms, flatConforms: to what the project asks for; null where it asks for nothing, or the shots prove nothing.
     *
     * @param  list<BuiltShot>  $shots  in the order they were taken
     * @param  list<Lean>  $leans
     */
    public function __construct(
        public string $key,
        public AimKind $kind,
        public string $name,
        public string $thing,
        #[ListOf(BuiltShot::class)]
        public array $shots,
        public ?float $least,
        public ?float $most,
        public ?float $mean,
        public ?float $bow,
        #[ListOf(Lean::class)]
        public array $leans,
        public float $height,
        public ?float $oneIn,
        public ?float $uncertain,
        public ?float $turn,
        public float $length,
        public ?float $turnUncertain,
        public ?float $bowByChance,
        public ?Conformity $plumbConforms,
        public ?Conformity $flatConforms,
    ) {}
}
