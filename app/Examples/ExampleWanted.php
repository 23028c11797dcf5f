<?php

declare(strict_types=1);

namespace App\Examples;

use App\Cogo\ElevationWanted;
use Parlay\Core\Buildings\Example\ElementSpot;
use Parlay\Core\ListOf;

/** Spots shown on one thing of a model, and which others are to have them. */
final readonly class ExampleWanted
{
    /**
     * number: of the instance of the thing they were shown on.
     *
     * @param  list<ElementSpot>  $spots
     */
    public function __construct(
        public int $designId,
        public int $number,
        #[ListOf(ElementSpot::class)]
        public array $spots,
        public AlikeWanted $alike,
        public ElementNaming $naming,
        public ?ElevationWanted $elevation = null,
        public CodeFrom $codeFrom = CodeFrom::Typed,
    ) {}
}
