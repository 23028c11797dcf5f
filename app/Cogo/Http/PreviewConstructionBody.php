<?php

declare(strict_types=1);

namespace App\Cogo\Http;

use App\Cogo\Construction;
use App\Cogo\ElevationWanted;

final readonly class PreviewConstructionBody
{
    public function __construct(
        public Construction $construction,
        public ?ElevationWanted $elevation = null,
    ) {}
}
