<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;
use Parlay\Core\Units\LengthUnit;

final readonly class DrawingToTake
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
        public CleanUpChoice $cleanUp = new CleanUpChoice,
        public ?PlacementChosen $placement = null,
        public bool $mend = false,
        public DesignRole $role = DesignRole::Design,
        public ?int $revisesId = null,
        public string $revision = '',
    ) {}
}
