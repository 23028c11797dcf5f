<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\ShapeRef;
use Parlay\Core\ListOf;

/** Lines and arcs of a drawing one after another, straight pieces from place to place, or a grid line. */
final readonly class GivenPolyline
{
    /**
     * connected: all that joins the one piece chosen belongs to it; whole: all of the polyline that it is a piece of; reversed: measured
     * from its other end. nearNorthing, nearEasting: where it was touched; it begins at the end nearer to that.
     *
     * @param  list<ShapeRef>  $shapes
     * @param  list<GivenPlace>  $places
     */
    public function __construct(
        #[ListOf(ShapeRef::class)]
        public array $shapes = [],
        #[ListOf(GivenPlace::class)]
        public array $places = [],
        public bool $closed = false,
        public bool $reversed = false,
        public bool $connected = false,
        public ?int $gridLineId = null,
        public bool $whole = false,
        public ?float $nearNorthing = null,
        public ?float $nearEasting = null,
    ) {}
}
