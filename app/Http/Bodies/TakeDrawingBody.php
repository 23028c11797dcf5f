<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Units\LengthUnit;

#[OA\Schema]
final readonly class TakeDrawingBody
{
    /** @param  list<string>  $layers */
    public function __construct(
        public string $upload,
        public string $name,
        public LengthUnit $unit,
        #[ListOf('string')]
        public array $layers,
        public HeightsChoice $heights,
        public ?float $fixedElevation = null,
    ) {}
}
