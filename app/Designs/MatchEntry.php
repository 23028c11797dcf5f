<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\Fit\ControlMatch;

/** A control point and the spot of the drawing that falls on it: drawing units, and metres off. */
final readonly class MatchEntry
{
    public function __construct(
        public string $name,
        public float $x,
        public float $y,
        public string $what,
        public bool $named,
        public float $residual,
    ) {}

    public static function of(ControlMatch $m): self
    {
        return new self($m->mark->name, $m->spot->x, $m->spot->y, $m->spot->what, $m->named, $m->residual);
    }
}
