<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Geometry\Position;

/** One of the places from which the shots would lie on their lines. */
final readonly class GridPlace
{
    /**
     * @param  list<Position>  $shots  where they lie then, in the order given
     * @param  int  $onDrawn  how many of them lie on the drawn parts of their lines
     */
    public function __construct(
        public SetupSolution $solution,
        public array $shots,
        public int $onDrawn,
    ) {}
}
