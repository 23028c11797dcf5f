<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\ElementKind;

/** An element as it is typed: its length, and the radii it begins and ends with, right positive; none where it is straight. */
final readonly class TypedElement
{
    /** @param  float|null  $radiusFrom  metres */
    public function __construct(
        public ElementKind $kind,
        public float $length,
        public ?float $radiusFrom = null,
        public ?float $radiusTo = null,
    ) {}
}
