<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\ListOf;

/** What became of a thing of a model from one revision to the next. */
final readonly class ChangedThing
{
    /**
     * before, after: its instance in either revision; added without a before, gone without an after. moved: metres, of its middle. turned: radians.
     * sizeBefore, sizeAfter: along its own axes, metres. points: how many were made from it; staked: how many of them are staked.
     *
     * @param  list<float>  $sizeBefore
     * @param  list<float>  $sizeAfter
     */
    public function __construct(
        public ?int $before,
        public ?int $after,
        public string $name,
        public string $class,
        public string $type,
        public float $moved,
        public float $turned,
        public bool $resized,
        public bool $reshaped,
        #[ListOf('float')]
        public array $sizeBefore,
        #[ListOf('float')]
        public array $sizeAfter,
        public int $points,
        public int $staked,
    ) {}
}
