<?php

declare(strict_types=1);

namespace App\Civil;

/** A point as it would be made of an alignment. */
final readonly class AlignmentPoint
{
    /**
     * @param  float|null  $along  metres from the start
     * @param  string|null  $fault  why it can't be made, with its line
     * @param  bool  $taken  a point has this name
     */
    public function __construct(
        public string $name,
        public string $code,
        public ?float $along,
        public string $station,
        public float $offset,
        public ?float $northing,
        public ?float $easting,
        public ?float $elevation,
        public ?string $fault,
        public bool $taken,
    ) {}

    public static function faulty(string $name, string $code, float $right, string $fault): self
    {
        return new self(
            name: $name, code: $code, along: null, station: '', offset: $right, northing: null, easting: null, elevation: null, fault: $fault,
            taken: false,
        );
    }
}
