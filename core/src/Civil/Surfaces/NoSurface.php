<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\SaysLengths;

/** A surface can't be made of this, or not asked for that. */
final class NoSurface extends SaysLengths
{
    public static function tooFewPoints(int $count): self
    {
        return new self("A surface is made of three points or more with an elevation; here are $count.");
    }

    public static function inOneLine(): self
    {
        return new self('All points lie in one line: a surface needs one beside it.');
    }

    public static function notTriangulated(): self
    {
        return new self('A breakline or outline could not be brought into the triangles: one of its ends is no point of the surface.');
    }

    /** Places are within the surface's own origin; the caller knows which lines they are. */
    public static function breaklinesCross(float $n1, float $e1, float $n2, float $e2): self
    {
        return new self(sprintf('Two breaklines cross between %.3F, %.3F and %.3F, %.3F.', $n1, $e1, $n2, $e2));
    }

    public static function outlineCrossesItself(Position $at): self
    {
        return new self(sprintf('The outline crosses itself near %.3F, %.3F (northing, easting): draw it so that it does not.', $at->northing, $at->easting));
    }

    public static function nothingLeft(): self
    {
        return new self('No triangle is left: the outline or the longest edge leaves nothing of the surface.');
    }

    public static function noSuchTriangle(): self
    {
        return new self('There is no triangle of this surface. Touch one.');
    }

    public static function edgeCannotSwap(): self
    {
        return new self('This edge can’t be swapped: it lies on the rim, or its two triangles do not make a quadrangle that bulges everywhere.');
    }

    public static function noOverlap(): self
    {
        return new self('The two have no ground in common, so there is nothing between them.');
    }

    public static function outlineLeaves(): self
    {
        return new self('The outline leaves the surface. Touch one that lies on it.');
    }

    public static function noStationRange(): self
    {
        return new self('Between these stations and offsets there is no ground: the second must be larger.');
    }

    public static function tooManySections(int $most): self
    {
        return new self("Type an interval that gives no more than $most sections.");
    }

    public static function outlineTooShort(): self
    {
        return new self('An outline needs three corners or more that differ.');
    }

    public static function tooManyContours(int $most): self
    {
        return new self("That interval would draw more than $most contours, or none. Choose a longer one.");
    }

    public static function noGroundAtHinge(): self
    {
        return new self('The ground surface does not reach the hinge, so nothing says whether it is cutting or embankment. Choose another ground.');
    }

    public static function slopeMeetsNoGround(float $farthest): self
    {
        return new self('The slope does not meet the ground within %s of the hinge.', $farthest);
    }
}
