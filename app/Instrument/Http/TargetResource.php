<?php

declare(strict_types=1);

namespace App\Instrument\Http;

use App\Instrument\Models\Target;
use App\Instrument\TargetKind;

final readonly class TargetResource
{
    public function __construct(
        public int $id,
        public string $name,
        public TargetKind $kind,
        public float $prismConstant,
        public float $height,
    ) {}

    public static function of(Target $t): self
    {
        return new self($t->id, $t->name, TargetKind::from($t->kind), $t->prism_constant, $t->height);
    }
}
