<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\FieldBook\Models\Photograph;

final readonly class PhotographEntry
{
    /** file: where it is fetched. wide, high: pixels. */
    public function __construct(public int $id, public int $observationId, public string $at, public string $caption, public int $wide, public int $high, public string $file) {}

    public static function of(Photograph $p): self
    {
        return new self(
            id: $p->id, observationId: $p->observation_id, at: $p->at, caption: $p->caption, wide: $p->wide, high: $p->high,
            file: "/api/v1/projects/{$p->project_id}/photographs/{$p->id}.jpg",
        );
    }
}
