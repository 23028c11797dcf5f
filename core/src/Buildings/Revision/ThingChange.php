<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Revision;

/** What became of a thing from one revision to the next: added without a before, gone without an after, else moved, turned, resized or reshaped. */
final readonly class ThingChange
{
    /**
     * @param  float  $moved  how far its middle went, metres; 0 where it stayed
     * @param  float  $turned  radians; 0 where it was not turned
     * @param  bool  $resized  it reaches farther or less far along its own axes
     * @param  bool  $reshaped  it is made of other faces
     */
    public function __construct(
        public ?Standing $before,
        public ?Standing $after,
        public float $moved = 0.0,
        public float $turned = 0.0,
        public bool $resized = false,
        public bool $reshaped = false,
    ) {}
}
