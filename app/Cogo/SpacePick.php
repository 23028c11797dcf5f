<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Buildings\ElementPart;

/** What was touched in space to be measured from or to: a place, or a face or an axis of a thing. */
final readonly class SpacePick
{
    public function __construct(
        public ?GivenPlace $place = null,
        public ?ElementPart $part = null,
    ) {}
}
