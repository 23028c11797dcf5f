<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

/** A cause that fits the readings, with the value that would mend it and what to do. */
final readonly class Explanation
{
    /**
     * @param  list<string>  $sights  names of the sights it is about
     * @param  string  $sentence  what it is, in words
     * @param  string  $remedy  what to do, and what would decide on site where the readings can't
     * @param  float  $fit  root of the weighted square sum over what is spare, once it is mended; about 1 is well
     * @param  float|null  $value  by which the target height, or the prism constant, should be larger; metres; null for other causes
     * @param  float  $score  lower fits better; each thing that had to be assumed counts
     */
    public function __construct(
        public Cause $cause,
        public array $sights,
        public string $sentence,
        public string $remedy,
        public float $fit,
        public float $score,
        public ?float $value = null,
    ) {}
}
