<?php

declare(strict_types=1);

namespace App\Buildings;

use Parlay\Core\Buildings\Example\ElementSpot;

/** A spot of a thing of a building model. */
final readonly class ElementPlace
{
    /** guid: the thing's id, by which a later revision has it. number: of its instance, where several carry one id. */
    public function __construct(
        public int $designId,
        public string $guid,
        public int $number,
        public ElementSpot $spot,
    ) {}
}
