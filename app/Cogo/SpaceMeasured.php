<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** What lies between two picks. */
final readonly class SpaceMeasured
{
    /**
     * first, second: what was picked, in words. distance: the shortest, metres; null where two faces, or a face and an axis, meet. angle: between them, radians, at most a right angle;
     * null where they are parallel. east, north, up: from one place to the other. from, to: drawn between, east, north and height.
     *
     * @param  list<float>  $from
     * @param  list<float>  $to
     */
    public function __construct(
        public string $first,
        public string $second,
        public ?float $distance,
        public ?float $angle,
        public ?float $east,
        public ?float $north,
        public ?float $up,
        #[ListOf('float')]
        public array $from,
        #[ListOf('float')]
        public array $to,
    ) {}
}
