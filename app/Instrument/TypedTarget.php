<?php

declare(strict_types=1);

namespace App\Instrument;

final readonly class TypedTarget
{
    /** Metres. */
    public function __construct(
        public string $name,
        public TargetKind $kind = TargetKind::Prism,
        public float $prismConstant = 0.0,
        public float $height = 2.0,
        public ?TypedTarget $seen = null,
    ) {}
}
