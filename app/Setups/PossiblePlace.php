<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Station;
use Parlay\Core\ListOf;

/** One of the places where the instrument may stand. */
final readonly class PossiblePlace
{
    /**
     * shots: where the shots on lines lie then. onDrawn: how many lie on the drawn parts; null where it is no grid.
     *
     * @param  list<Position>  $shots
     */
    public function __construct(
        public Station $station,
        public ?int $onDrawn,
        #[ListOf(Position::class)]
        public array $shots,
    ) {}
}
