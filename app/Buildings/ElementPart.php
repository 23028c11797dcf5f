<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\Buildings\Example\AxisHold;
use Parlay\Core\Buildings\Example\FaceHold;

/** A face of a thing of a building model, or an axis of it, as what is staked. */
final readonly class ElementPart
{
    /**
     * guid, number, topology: as for ElementPlace. face: the plane face. axis: of a bolt or a hole. With neither of the two it is the axis of the thing
     * itself, as a column has one.
     */
    public function __construct(
        public int $designId,
        public string $guid,
        public int $number,
        public string $topology,
        public ?FaceHold $face = null,
        public ?AxisHold $axis = null,
    ) {}
}
