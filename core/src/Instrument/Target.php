<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

/** What is sighted: a prism with its constant, at a height above the mark; both metres. */
final readonly class Target
{
    /**
     * @param  float  $height  of the prism over the mark, metres
     * @param  float  $prismConstant  metres, added to the distance
     */
    public function __construct(
        public float $height,
        public float $prismConstant = 0.0,
    ) {
        if (! Bounds::hold($height, 0, 6)) {
            throw ImplausibleEntry::height('A target height', $height);
        }
        if (! Bounds::hold($prismConstant, -0.1, 0.1)) {
            throw ImplausibleEntry::prismConstant($prismConstant);
        }
    }
}
