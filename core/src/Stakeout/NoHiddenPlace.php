<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Units\SaysLengths;

/** The shots are of no such thing as they were said to be of. */
final class NoHiddenPlace extends SaysLengths
{
    /** Other than the method takes. */
    public static function count(int $needed, int $given): self
    {
        return new self("This takes $needed shots; there ".($given === 1 ? 'is 1' : "are $given").'. Begin with the first shot again.');
    }

    /** A tape of nothing, or longer than any. */
    public static function tape(): self
    {
        return new self('A taped length is more than 0 and at most 50 m. Tape it, and type it in.');
    }

    /** The edges are seen in one direction, or farther apart than a column can be. */
    public static function edges(): self
    {
        return new self('The first two shots are no edges of a column: aim at its left edge, at its right edge, and at its front between them.');
    }

    /** @param  float  $off  metres beside the middle of both edges */
    public static function front(float $off): self
    {
        return new self('The third shot lies %s beside the middle between both edges. Aim at the front of the column, half way between its edges.', $off);
    }

    /** A rod is measured in space. */
    public static function noHeight(): self
    {
        return new self('A rod with two prisms needs their elevations: set the instrument up with its own.');
    }

    /**
     * @param  float  $found  metres between both prisms
     * @param  float  $told  metres
     */
    public static function rod(float $found, float $told): self
    {
        return new self('The prisms were measured %s from each other, and the rod has %s between them. Measure both again, or mend the length.', $found, $told);
    }

    /** @param  float  $apart  metres */
    public static function tooNear(float $apart): self
    {
        return new self('Two of the shots lie only %s from each other. Take them farther apart.', $apart);
    }
}
