<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

/**
 * A cause that fits the readings, with the value that would mend it. What it says and what to do about it are words, and made
 * elsewhere.
 */
final readonly class Explanation
{
    /** What each unknown that had to be assumed costs, in weighted squares. */
    public const COST = 4.0;

    /** A lead of less than this, in weighted squares, decides nothing: odds of less than five to one. */
    public const LEAD = 3.0;

    /**
     * @param  list<string>  $sights  names of the sights it is about
     * @param  Details  $details  by how much and whereto
     * @param  float  $squares  weighted, that are left once it is mended
     * @param  int  $redundancy  that is left then
     * @param  int  $assumed  how many unknowns were free to be chosen so that it fits
     * @param  TriedStation|null  $figure  the station as it is then; null where there is more than one
     * @param  float|null  $value  by which the target height, the instrument height or the prism constant should be larger; metres;
     *     null for other causes
     * @param  float|null  $size  how far something is off by it at the target, metres; null for a slip that is one exact thing
     * @param  Systematic|null  $systematic  what is then wrong with every reading
     * @param  float  $beside  further squares that it costs to believe it
     * @param  bool  $level  whether the readings can't tell it from the first
     * @param  Decider|null  $decides  what to measure to tell it from the others that stand level
     */
    public function __construct(
        public Cause $cause,
        public array $sights,
        public Details $details,
        public float $squares,
        public int $redundancy,
        public int $assumed,
        public ?TriedStation $figure = null,
        public ?float $value = null,
        public ?float $size = null,
        public ?Systematic $systematic = null,
        private float $beside = 0.0,
        public bool $level = false,
        public ?Decider $decides = null,
    ) {}

    /** Whether a clean setup would leave such squares in all but five of a thousand cases. */
    public function isBelieved(): bool
    {
        return TriedStation::believed($this->squares, $this->redundancy);
    }

    /**
     * Lower fits better. What a figure of this size leaves on the average is no evidence for or against it; what had to be assumed
     * counts.
     */
    public function score(): float
    {
        return $this->squares - $this->redundancy + self::COST * $this->assumed + $this->beside;
    }

    /** Root of the weighted square sum over what is spare, once it is mended; about 1 is well. */
    public function unitWeightDeviation(): float
    {
        return $this->redundancy > 0 ? sqrt($this->squares / $this->redundancy) : 0.0;
    }

    /** The same, with what would tell it from those that stand level with it. */
    public function level(Decider $decides): self
    {
        return new self(...['level' => true, 'decides' => $decides] + get_object_vars($this));
    }
}
