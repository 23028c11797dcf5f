<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use Parlay\Core\ListOf;

/** What was collected, before anything is made. */
final readonly class CollectedResource
{
    /**
     * standing: how many have a point already. new, old: easting and northing in turn.
     *
     * @param  list<float>  $new
     * @param  list<float>  $old
     * @param  list<string>  $names  of grid crossings, or from an attribute
     * @param  list<string>  $attributes  that the touched block fills in
     */
    public function __construct(
        public int $count,
        public int $standing,
        #[ListOf('float')]
        public array $new,
        #[ListOf('float')]
        public array $old,
        #[ListOf('string')]
        public array $names,
        #[ListOf('string')]
        public array $attributes,
    ) {}
}
