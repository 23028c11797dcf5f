<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Designs\DesignRole;
use App\Designs\HeightsChoice;
use App\Http\ListOf;
use OpenApi\Attributes as OA;
use Parlay\Core\Units\LengthUnit;

#[OA\Schema]
final readonly class TakeDrawingBody
{
    /**
     * @param  list<string>  $layers
     * @param  bool  $mend  takes what can be read of a damaged file
     * @param  int|null  $revisesId  the drawing of which this is a new revision
     */
    public function __construct(
        public string $upload,
        public string $name,
        public LengthUnit $unit,
        #[ListOf('string')]
        public array $layers,
        public HeightsChoice $heights,
        public ?float $fixedElevation = null,
        public bool $annotations = false,
        public CleanUpBody $cleanUp = new CleanUpBody,
        public ?PlacementBody $placement = null,
        public bool $mend = false,
        public DesignRole $role = DesignRole::Design,
        public ?int $revisesId = null,
        public string $revision = '',
    ) {}
}
