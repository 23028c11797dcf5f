<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\ListOf;

/** What a revision of a building model changed, thing by thing. */
final readonly class ThingsChanged
{
    /**
     * Each thing counts once: as turned where it also moved, as resized where it also turned. farthest: metres. newIds: how many were known by shape and place, for
     * their ids are new.
     *
     * @param  list<ChangedThing>  $things  those with staked points first, then those with points; at most so many as told
     */
    public function __construct(
        public int $unchanged,
        public int $added,
        public int $gone,
        public int $moved,
        public int $turned,
        public int $resized,
        public int $reshaped,
        public float $farthest,
        public int $newIds,
        #[ListOf(ChangedThing::class)]
        public array $things,
    ) {}
}
