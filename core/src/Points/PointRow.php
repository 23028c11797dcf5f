<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

use Parlay\Core\Geometry\Position;

/** A point as a file gives it. */
final readonly class PointRow
{
    /**
     * @param  int  $line  where in the file: line, or number of the feature
     * @param  string  $northingText  as the file writes it, empty where it is no text of its own
     * @param  array<string, string>  $attributes  columns that are none of the usual ones, by their heading
     */
    public function __construct(
        public int $line,
        public string $name,
        public Position $position,
        public string $code,
        public string $description,
        public string $northingText = '',
        public string $eastingText = '',
        public array $attributes = [],
    ) {}

    /** The same row under another name. */
    public function named(string $name): self
    {
        return new self(
            $this->line, $name, $this->position, $this->code, $this->description, $this->northingText, $this->eastingText,
            $this->attributes,
        );
    }

    /** The same row with another place. */
    public function at(Position $position): self
    {
        return new self(
            $this->line, $this->name, $position, $this->code, $this->description, $this->northingText, $this->eastingText,
            $this->attributes,
        );
    }
}
