<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\ListOf;

/** What an example would make, before anything is kept. */
final readonly class ExampleFound
{
    /**
     * things: by their instances, those that it fits. mirrored: how many of them stand mirrored. standing: how many places have a point already. places: easting,
     * northing and elevation in turn, of those that are new; names: of them.
     *
     * @param  list<int>  $things
     * @param  list<float>  $places
     * @param  list<string>  $names  the first of them
     * @param  list<NotFitting>  $notFitting
     */
    public function __construct(
        #[ListOf('int')]
        public array $things,
        public int $mirrored,
        public int $count,
        public int $standing,
        #[ListOf('float')]
        public array $places,
        #[ListOf('string')]
        public array $names,
        #[ListOf(NotFitting::class)]
        public array $notFitting,
    ) {}
}
