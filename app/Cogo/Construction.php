<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Cogo\SketchClosing;
use Parlay\Core\ListOf;

/**
 * How places are computed: the kind, and what it is computed from, in the order in which the kind asks for it. This is also the recipe
 * that a computed point remembers.
 */
final readonly class Construction
{
    /**
     * angle: turned, radians clockwise. count: parts, bolts, or bolts along; across: bolts across. toTheRight: an arc bends to the right.
     * alongArc: beyond the end of an arc the way goes on along it, and not straight on.
     *
     * @param  list<GivenPlace>  $places
     * @param  list<GivenDirection>  $directions
     * @param  list<GivenDistance>  $distances
     * @param  list<GivenLine>  $lines
     * @param  list<GivenOffset>  $pattern
     * @param  list<KnownElement>  $elements
     * @param  list<KnownPart>  $parts
     * @param  list<GivenLeg>  $legs
     */
    public function __construct(
        public ConstructionKind $kind,
        #[ListOf(GivenPlace::class)]
        public array $places = [],
        #[ListOf(GivenDirection::class)]
        public array $directions = [],
        #[ListOf(GivenDistance::class)]
        public array $distances = [],
        #[ListOf(GivenLine::class)]
        public array $lines = [],
        public ?GivenPolyline $chain = null,
        public float $offset = 0.0,
        public float $angle = 0.0,
        public int $count = 0,
        public int $across = 1,
        public bool $toTheRight = true,
        public bool $corners = true,
        #[ListOf(GivenOffset::class)]
        public array $pattern = [],
        #[ListOf(KnownElement::class)]
        public array $elements = [],
        #[ListOf(KnownPart::class)]
        public array $parts = [],
        #[ListOf(GivenLeg::class)]
        public array $legs = [],
        public SketchClosing $closing = SketchClosing::Open,
        public ?GivenDirection $closingDirection = null,
        public bool $alongArc = false,
    ) {}
}
