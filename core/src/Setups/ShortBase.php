<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What an orientation hangs on where no resection gives it: as long as that is, so far out it is good. */
final readonly class ShortBase
{
    /** @param  float  $metres  how long it is */
    private function __construct(
        public float $metres,
        private string $why,
        private string $mend,
    ) {}

    public static function line(string $name, float $metres): self
    {
        return new self($metres, "the shots along line {$name} lie only %s apart", "Shoot line {$name} farther along, at least %s from one shot to the other.");
    }

    public static function backsight(string $name, float $metres): self
    {
        return new self($metres, "the longest backsight, to “{$name}”, is only %s long", 'Take a longer backsight, of at least %s.');
    }

    public static function direction(float $metres): self
    {
        return new self($metres, 'the mark that has the direction is only %s away', 'Sight a mark in that direction that is at least %s away.');
    }

    public static function baseline(float $metres): self
    {
        return new self($metres, 'the baseline is only %s long', 'Take a longer baseline, of at least %s.');
    }

    /** @param  string  $length  in the project's unit */
    public function why(string $length): string
    {
        return str_replace('%s', $length, $this->why);
    }

    public function mend(string $length): string
    {
        return str_replace('%s', $length, $this->mend);
    }
}
