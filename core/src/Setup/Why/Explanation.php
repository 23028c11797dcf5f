<?php

declare(strict_types=1);

namespace Parlay\Core\Setup\Why;

/** A cause that fits the readings, with the value that would mend it and what to do. */
final readonly class Explanation
{
    /** What each unknown that had to be assumed costs, in weighted squares. */
    public const COST = 4.0;

    /**
     * @param  list<string>  $sights  names of the sights it is about
     * @param  string  $sentence  what it is, in words
     * @param  string  $remedy  what to do, and what would decide on site where the readings can't
     * @param  float  $fit  root of the weighted square sum over what is spare, once it is mended; about 1 is well
     * @param  float|null  $value  by which the target height, or the prism constant, should be larger; metres; null for other causes
     * @param  float  $score  lower fits better; each thing that had to be assumed counts
     * @param  float|null  $size  how far something is off by it at the target, metres; null for a slip that is one exact thing
     */
    public function __construct(
        public Cause $cause,
        public array $sights,
        public string $sentence,
        public string $remedy,
        public float $fit,
        public float $score,
        public ?float $value = null,
        public ?float $size = null,
    ) {}

    /**
     * Scored by how unlikely what is left would be, plus what had to be assumed.
     *
     * @param  list<string>  $sights
     * @param  Solved  $solved  the figure with the cause mended, or without the sight
     * @param  int  $assumed  how many unknowns were free to be chosen so that it fits
     * @param  float  $misfit  what the cause itself leaves, in weighted squares
     */
    public static function scored(Cause $cause, array $sights, Solved $solved, int $assumed, float $misfit, string $sentence, string $remedy, ?float $value = null, ?float $size = null): self
    {
        // What a figure of this size leaves on the average is no evidence for or against it.
        $left = $solved->squares - $solved->redundancy + $misfit;

        return new self($cause, $sights, $sentence, $remedy, $solved->fit(), $left + self::COST * $assumed, $value, $size ?? ($value === null ? null : abs($value)));
    }
}
