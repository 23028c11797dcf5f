<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

final class CannotSetUp extends \DomainException
{
    /** @param  int  $have  control points in use */
    public static function tooFewSights(int $have): self
    {
        return new self(sprintf(
            'A resection needs sights to at least two different control points; %s used so far.',
            $have === 0 ? 'none is' : ($have === 1 ? 'one is' : "$have are"),
        ));
    }

    /** @param  int  $have  control points in use */
    public static function tooFewAngles(int $have): self
    {
        return new self(sprintf(
            'Angles alone need three control points or more; %s used so far. Use the distances, or sight another control point.',
            $have === 1 ? 'one is' : "$have are",
        ));
    }

    /** @param  string  $name  of the place they all go to */
    public static function sameMark(string $name): self
    {
        return new self("The used sights all go to one place ($name). Sight a second control point well away from it.");
    }

    /** @param  string  $name  of the mark */
    public static function backsightIsStation(string $name): self
    {
        return new self("$name is the point the instrument stands on. Choose another control point as backsight.");
    }

    /** No direction is in use. */
    public static function noBacksight(): self
    {
        return new self('Sight a backsight: a control point as far away as the work is, with its direction in use.');
    }

    /** No height is in use. */
    public static function noBenchmark(): self
    {
        return new self('Sight a benchmark: a control point with an elevation, with its height in use and a distance.');
    }

    /** A setup without an orientation leads nobody. */
    public static function notOriented(): self
    {
        return new self('Distances alone give no orientation. Read a direction to one of the points before accepting.');
    }

    /** @param  string  $name  of the line */
    public static function noLine(string $name): self
    {
        return new self("Both ends of $name are one place: a line needs two places apart.");
    }

    /** @param  list<string>  $begun  names of the lines with shots */
    public static function tooFewLines(int $ready, array $begun): self
    {
        return new self('Take two shots or more, well apart, along each of two lines that cross. '.($begun === []
            ? 'None has been taken yet.'
            : sprintf('%d of 2 lines %s ready; shots so far on %s.', $ready, $ready === 1 ? 'is' : 'are', implode(', ', $begun))));
    }

    /** They fix the place across them alone. */
    public static function parallelLines(): self
    {
        return new self('The lines are parallel: they say nothing of the place along them. Take shots along a line that crosses them.');
    }

    /** Angles alone give a baseline no length. */
    public static function baselineNeedsDistances(): self
    {
        return new self('A baseline needs the distances to both marks.');
    }

    /** @param  int  $sights  in use: where none can be spared, one more is what helps */
    public static function noSolution(string $why, int $sights): self
    {
        return new self($why.match (true) {
            $sights < 2 => ' Sight a control point.',
            $sights === 2 => ' Sight a third control point, well to the side of the line through these two, or use directions and '
                .'distances of both.',
            default => ' Leave one sight out at a time to find it, or sight another control point.',
        });
    }
}
