<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Instrument\TargetKind;
use App\Models\Target;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class TargetEntry
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
