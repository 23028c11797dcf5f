<?php

declare(strict_types=1);

namespace App\Points;

final readonly class PointsToPreview
{
    public function __construct(
        public string $upload,
        public ?ColumnLayout $layout = null,
        public PointsTarget $target = PointsTarget::Control,
    ) {}
}
