<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Project;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class ProjectSummary
{
    public function __construct(
        public int $id,
        public string $name,
        public UnitsResource $units,
        public string $openedAt,
    ) {}

    public static function of(Project $p): self
    {
        return new self($p->id, $p->name, UnitsResource::of($p), $p->opened_at);
    }
}
