<?php

declare(strict_types=1);

namespace App\Http\Bodies;

use App\Points\PointsTarget;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class PreviewBody
{
    public function __construct(
        public string $upload,
        public ?LayoutBody $layout = null,
        public PointsTarget $target = PointsTarget::Control,
    ) {}
}
