<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;

/** A surface along a way or across it: runs of metres and elevation in turn, one for each part that lies on it. */
final readonly class HeightsAlong
{
    /** @param  list<Run>  $runs */
    public function __construct(
        public int $id,
        public string $name,
        public SurfaceKind $kind,
        #[ListOf(Run::class)]
        public array $runs,
    ) {}
}
