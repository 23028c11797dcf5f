<?php

declare(strict_types=1);

namespace App\Cogo;

use Parlay\Core\ListOf;

/** What a move would do. */
final readonly class PointsMoved
{
    /**
     * places: easting and northing in turn, where the points would be. residuals: left at each pair of a fit, metres; outlier: number
     * of the pair that spoils it.
     *
     * @param  list<float>  $places
     * @param  list<float>  $residuals
     */
    public function __construct(
        public int $count,
        public int $staked,
        public float $farthest,
        #[ListOf('float')]
        public array $places,
        #[ListOf('float')]
        public array $residuals,
        public ?float $deviation,
        public ?int $outlier,
        public ?float $scale,
        public ?float $rotation,
    ) {}
}
