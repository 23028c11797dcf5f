<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\ElevationWanted;
use App\Cogo\PlacesWanted;

final readonly class PreviewPlacesBody
{
    public function __construct(
        public PlacesWanted $collection,
        public ?ElevationWanted $elevation = null,
    ) {}
}
