<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\ListOf;

/** How points on things are named: a prefix, what the thing says, and a number in turn for those that would share a name. */
final readonly class ElementNaming
{
    /**
     * separator: between the parts, and before the number. first: azimuth of the corner that is number 1, as seen from above, radians.
     *
     * @param  list<NamePart>  $parts  none: the prefix and a running number
     */
    public function __construct(
        public string $prefix = '',
        #[ListOf(NamePart::class)]
        public array $parts = [],
        public string $separator = '.',
        public float $first = 0.7853981633974483,
        public bool $clockwise = true,
    ) {}
}
