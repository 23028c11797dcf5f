<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Points\Models\StakeoutPoint;

final readonly class PointResource
{
    /** attributes: what else is known of it, a JSON object of names and values. */
    public function __construct(
        public int $id,
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public string $code,
        public string $description,
        public string $origin,
        public string $made,
        public int $stakes,
        public ?string $verdict,
        public ?float $labelNorth,
        public ?float $labelEast,
        public ?string $attributes,
    ) {}

    /** Reads the columns stakes and verdict where the query brings them. */
    public static function of(StakeoutPoint $p): self
    {
        $more = $p->getAttributes();

        return new self(
            $p->id, $p->name, $p->northing, $p->easting, $p->elevation, $p->code, $p->description, $p->origin,
            (string) ($p->recipe['description'] ?? ''), (int) ($more['stakes'] ?? 0), $more['verdict'] ?? null, $p->label_north, $p->label_east, $p->getRawOriginal('attributes') ?? null,
        );
    }
}
