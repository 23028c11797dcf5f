<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\ShapeRef;
use Parlay\Core\Formerly;
use Parlay\Core\ListOf;

/** Many places at once. */
final readonly class PlacesWanted
{
    /**
     * like: the circle, block or outline that the others are to be like. right, along: a place of the block beside its insertion,
     * turned with it. interval: metres. separator: between the names of two grid lines. attribute: of a block, whose text names the
     * points; empty for numbers.
     *
     * @param  list<int>  $layerIds
     * @param  list<ShapeRef>  $shapes  only these lines
     */
    public function __construct(
        public CollectionKind $kind,
        #[ListOf('int')]
        public array $layerIds = [],
        #[ListOf(ShapeRef::class)]
        public array $shapes = [],
        public ?ShapeRef $like = null,
        public ?float $radius = null,
        public float $along = 0.0,
        #[Formerly('right')]
        public float $offset = 0.0,
        public float $interval = 0.0,
        public bool $corners = true,
        public string $separator = '',
        public string $attribute = '',
    ) {}
}
