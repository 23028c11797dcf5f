<?php

declare(strict_types=1);

namespace App\Projects\Http;

use App\Projects\Models\Project;
use Parlay\Core\Units\Units;

final readonly class ProjectSummary
{
    public function __construct(
        public int $id,
        public string $name,
        public Units $units,
        public string $openedAt,
    ) {}

    public static function of(Project $p): self
    {
        return new self($p->id, $p->name, $p->units(), $p->opened_at);
    }
}
