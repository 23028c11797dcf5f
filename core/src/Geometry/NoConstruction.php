<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\SaysLengths;

/** The figure has no solution as given; the message says why, and by how much where that is a length. */
final class NoConstruction extends SaysLengths
{
    /** Two lines never meet. */
    public static function parallel(): self
    {
        return new self('The two lines are parallel: they never meet.');
    }

    /** One place has no direction. */
    public static function onePlace(): self
    {
        return new self('Both ends are the same place, so there is no direction between them.');
    }

    /** @param  float  $gap  metres */
    public static function circlesApart(float $gap): self
    {
        return new self('The circles don’t meet: they miss by %s. One of the distances is too short, or a place is wrong.', $gap);
    }

    /** @param  float  $gap  metres */
    public static function circleInside(float $gap): self
    {
        return new self('One circle lies inside the other: they miss by %s. One of the distances is too long, or a place is wrong.', $gap);
    }

    /** Two circles never cross. */
    public static function sameCentre(): self
    {
        return new self('Both circles have one centre: they never cross.');
    }

    /** @param  float  $gap  metres */
    public static function lineMisses(float $gap): self
    {
        return new self('The line passes the circle: it misses by %s.', $gap);
    }

    /** Three places on a line have no circle. */
    public static function collinear(): self
    {
        return new self('The three places lie on one straight line: there is no circle through them.');
    }

    /** @param  string  $what  begins the sentence */
    public static function tooFew(string $what, int $needed, int $given): self
    {
        return new self("$what needs at least $needed places; there ".($given === 1 ? 'is 1.' : "are $given."));
    }

    /** Nothing can be fitted to one place. */
    public static function allOnePlace(): self
    {
        return new self('All places are one: nothing can be fitted to them.');
    }

    /** @param  string  $what  begins the sentence */
    public static function notPositive(string $what): self
    {
        return new self("$what must be more than 0.");
    }

    /**
     * @param  string  $what  begins the sentence
     * @param  string  $range  ends it
     */
    public static function outOfRange(string $what, string $range): self
    {
        return new self("$what must be $range.");
    }

    /** @param  float  $gap  metres */
    public static function broken(float $gap): self
    {
        return new self('The pieces don’t join: there is a gap of %s between one and the next. Choose them in order.', $gap);
    }

    /** A parallel would turn the curve inside out. */
    public static function offsetTooLarge(): self
    {
        return new self('The offset is as large as the radius on that side, or larger: nothing is left of the curve.');
    }

    /** @param  float  $length  of the piece, metres */
    public static function swallowed(int $piece, float $length): self
    {
        return new self("The parallel loses piece $piece of the line, which is %s long: the offset is too large on that side.", $length);
    }

    /** @param  int  $most  points that may be made */
    public static function tooMany(int $most): self
    {
        return new self("That makes more than $most points. Take a longer interval or a shorter piece.");
    }

    /** @param  string  $why  a sentence */
    public static function contradiction(string $why): self
    {
        return new self($why);
    }
}
