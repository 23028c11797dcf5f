<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

final class CannotSetUp extends \DomainException
{
    public static function tooFewSights(int $have): self
    {
        return new self(sprintf('A resection needs sights to at least two different control points; %s used so far.', $have === 0 ? 'none is' : ($have === 1 ? 'one is' : "$have are")));
    }

    public static function sameMark(string $name): self
    {
        return new self("The used sights all go to one place ($name). Sight a second control point well away from it.");
    }

    public static function backsightIsStation(string $name): self
    {
        return new self("$name is the point the instrument stands on. Choose another control point as backsight.");
    }

    public static function noSolution(string $why): self
    {
        return new self($why.' Leave one sight out at a time to find it.');
    }
}
