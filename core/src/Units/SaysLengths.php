<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** Something can't be done, for a reason with lengths in it: its message says them in metres, a project in its own units. */
abstract class SaysLengths extends \DomainException
{
    /** @var list<float> */
    private readonly array $metres;

    /**
     * @param  string  $pattern  %s where a length stands
     * @param  float  ...$metres  the lengths
     */
    final protected function __construct(private readonly string $pattern, float ...$metres)
    {
        $this->metres = array_values($metres);
        parent::__construct($this->in(LengthStyle::Metres));
    }

    /** The message as a project writes lengths. */
    final public function in(LengthStyle $style): string
    {
        return $this->metres === [] ? $this->pattern : sprintf($this->pattern, ...array_map($style->format(...), $this->metres));
    }
}
