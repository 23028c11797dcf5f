<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\ListOf;

/** What is given is set for all these layers; an empty colour goes back to the file’s own. */
final readonly class LayerChange
{
    /** @param  list<int>  $layerIds */
    public function __construct(
        #[ListOf('int')]
        public array $layerIds,
        public ?bool $visible = null,
        public ?bool $pickable = null,
        public ?string $colour = null,
    ) {}
}
