<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

/**
 * The figure has no solution as given; the message says why, and by how much where that is a length: in metres, or as the words for a
 * project say it.
 */
final class NoConstruction extends \DomainException
{
    /**
     * @param  string  $pattern  %s where the length stands
     * @param  float|null  $metres  by which it fails
     */
    private function __construct(
        public readonly string $pattern,
        public readonly ?float $metres = null,
    ) {
        parent::__construct($metres === null ? $pattern : sprintf($pattern, sprintf('%.3f m', $metres)));
    }

    public static function parallel(): self
    {
        return new self('The two lines are parallel: they never meet.');
    }

    public static function onePlace(): self
    {
        return new self('Both ends are the same place, so there is no direction between them.');
    }

    public static function circlesApart(float $gap): self
    {
        return new self('The circles don’t meet: they miss by %s. One of the distances is too short, or a place is wrong.', $gap);
    }

    public static function circleInside(float $gap): self
    {
        return new self('One circle lies inside the other: they miss by %s. One of the distances is too long, or a place is wrong.', $gap);
    }

    public static function sameCentre(): self
    {
        return new self('Both circles have one centre: they never cross.');
    }

    public static function lineMisses(float $gap): self
    {
        return new self('The line passes the circle: it misses by %s.', $gap);
    }

    public static function collinear(): self
    {
        return new self('The three places lie on one straight line: there is no circle through them.');
    }

    public static function tooFew(string $what, int $needed, int $given): self
    {
        return new self("$what needs at least $needed places; there ".($given === 1 ? 'is 1.' : "are $given."));
    }

    public static function allOnePlace(): self
    {
        return new self('All places are one: nothing can be fitted to them.');
    }

    public static function notPositive(string $what): self
    {
        return new self("$what must be more than 0.");
    }

    public static function outOfRange(string $what, string $range): self
    {
        return new self("$what must be $range.");
    }

    public static function broken(float $gap): self
    {
        return new self('The pieces don’t join: there is a gap of %s between one and the next. Choose them in order.', $gap);
    }

    public static function offsetTooLarge(): self
    {
        return new self('The offset is as large as the radius on that side, or larger: nothing is left of the curve.');
    }

    public static function tooMany(int $most): self
    {
        return new self("That makes more than $most points. Take a longer interval or a shorter piece.");
    }

    public static function contradiction(string $why): self
    {
        return new self($why);
    }
}
