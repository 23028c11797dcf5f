<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Cogo\SketchClosing;

/**
 * How places are computed: the kind, and what it is computed from, in the order in which the kind asks for it. This is also the recipe that a
 * computed point remembers.
 */
#[OA\Schema]
final readonly class ConstructionBody
{
    /**
     * angle: turned, radians clockwise. count: parts, bolts, or bolts along; across: bolts across. toTheRight: an arc bends to the right.
     *
     * @param  list<GivenPlace>  $places
     * @param  list<GivenDirection>  $directions
     * @param  list<GivenDistance>  $distances
     * @param  list<GivenLine>  $lines
     * @param  list<OffsetBody>  $pattern
     * @param  list<KnownElement>  $elements
     * @param  list<KnownPart>  $parts
     * @param  list<SketchLegBody>  $legs
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
        public ?GivenChain $chain = null,
        public float $offset = 0.0,
        public float $angle = 0.0,
        public int $count = 0,
        public int $across = 1,
        public bool $toTheRight = true,
        public bool $corners = true,
        #[ListOf(OffsetBody::class)]
        public array $pattern = [],
        #[ListOf(KnownElement::class)]
        public array $elements = [],
        #[ListOf(KnownPart::class)]
        public array $parts = [],
        #[ListOf(SketchLegBody::class)]
        public array $legs = [],
        public SketchClosing $closing = SketchClosing::Open,
        public ?GivenDirection $closingDirection = null,
    ) {}
}
