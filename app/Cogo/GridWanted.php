<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** Grid lines to be looked at before they are kept: found in layers of a drawing, typed by spacings, or one from its origin to its end. */
final readonly class GridWanted
{
    /**
     * spacings: metres, for a radial grid radians; crossSpacings: metres, for a radial grid the radii, each from the one before.
     *
     * @param  list<int>  $layerIds
     * @param  list<float>  $spacings
     * @param  list<float>  $crossSpacings
     */
    public function __construct(
        public GridWay $way,
        #[ListOf('int')]
        public array $layerIds = [],
        public ?GivenPlace $origin = null,
        public ?GivenDirection $direction = null,
        public string $first = 'A',
        #[ListOf('float')]
        public array $spacings = [],
        public string $crossFirst = '1',
        #[ListOf('float')]
        public array $crossSpacings = [],
        public float $skew = M_PI_2,
        public ?GivenPlace $end = null,
    ) {}
}
