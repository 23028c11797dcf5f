<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Units\SaysLengths;

/** An alignment, profile or section can't be made of this. */
final class NoAlignment extends SaysLengths
{
    public static function noElements(): self
    {
        return new self('An alignment needs one element or more: a line, an arc or a spiral.');
    }

    /** @param  string  $why  sentences */
    public static function because(string $why): self
    {
        return new self($why);
    }

    public static function noLength(): self
    {
        return new self('An element needs a length above 0.');
    }

    public static function fullCircle(): self
    {
        return new self('An arc needs a radius, and goes round its circle once at most.');
    }

    public static function tooSkewed(): self
    {
        return new self('A skew lies at least 5° off the direction of the alignment.');
    }

    public static function cubicWithoutStraightEnd(): self
    {
        return new self('A cubic parabola is straight at one end. Between two arcs use a clothoid.');
    }

    public static function cubicTooSharp(): self
    {
        return new self('A cubic parabola can’t turn as far as that: its length is more than 0.6 of its radius.');
    }

    public static function cornerTooTight(int $number, float $needed, float $there): self
    {
        return new self("Corner $number has no room: its curve needs %s of tangent, and there are %s.", $needed, $there);
    }

    public static function spiralsTooLong(int $number): self
    {
        return new self("At corner $number the spirals turn further than the corner does: shorter ones or a larger radius.");
    }

    public static function spiralTurnsRound(): self
    {
        return new self('A spiral turns round more than twice: it is too long, or its radius is too small.');
    }

    public static function straightCorner(int $number): self
    {
        return new self("At corner $number the way goes straight on or straight back: there is nothing to round.");
    }

    public static function stationsBackwards(int $number): self
    {
        return new self("Station $number of the profile lies before the one above it: stations must grow.");
    }

    public static function curvesOverlap(int $number): self
    {
        return new self("The vertical curve at vertex $number reaches into that of its neighbour. Shorten one of them.");
    }

    public static function tooFewVertices(): self
    {
        return new self('A profile needs two vertices or more.');
    }

    public static function noCurveThere(int $number): self
    {
        return new self("Vertex $number is an end of the profile: there is no vertical curve.");
    }
}
