<?php

declare(strict_types=1);

namespace App\Lists;

final readonly class PointsToPreview
{
    /** separator: chosen by hand; what the columns are is guessed anew for it, where no layout is told. */
    public function __construct(
        public string $upload,
        public ?ColumnLayout $layout = null,
        public PointsTarget $target = PointsTarget::Control,
        public ?string $separator = null,
    ) {}
}
