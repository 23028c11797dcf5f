<?php

declare(strict_types=1);

namespace App\Civil;

use App\Cogo\GivenPolyline;
use App\Typed\Values;
use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\ListOf;

/** What an alignment was made from here: points of intersection, elements one after another, or lines and arcs that were touched in order. */
final readonly class AlignmentGiven
{
    /**
     * @param  float  $start  station of the start, metres
     * @param  list<Corner>  $corners
     * @param  list<TypedElement>  $elements
     */
    public function __construct(
        public float $start = 0.0,
        #[ListOf(Corner::class)]
        public array $corners = [],
        public ?float $northing = null,
        public ?float $easting = null,
        public ?float $azimuth = null,
        #[ListOf(TypedElement::class)]
        public array $elements = [],
        public ?GivenPolyline $line = null,
    ) {}

    /** @param  array<string, mixed>|null  $kept */
    public static function kept(?array $kept): ?self
    {
        return $kept === null ? null : Values::of($kept, self::class);
    }
}
