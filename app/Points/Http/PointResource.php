<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Points\Models\StakeoutPoint;
use Parlay\Core\Stakeout\PointState;

final readonly class PointResource
{
    /**
     * attributes: what else is known of it, a JSON object of names and values. state: open, to be done again (its last mark is out and was not
     * left so on purpose), or done.
     */
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
        public PointState $state,
        public ?float $labelNorth,
        public ?float $labelEast,
        public ?string $attributes,
    ) {}

    /** Reads the columns stakes, verdict and state where the query brings them. */
    public static function of(StakeoutPoint $p): self
    {
        $more = $p->getAttributes();

        return new self(
            id: $p->id,
            name: $p->name,
            northing: $p->northing,
            easting: $p->easting,
            elevation: $p->elevation,
            code: $p->code,
            description: $p->description,
            origin: $p->origin,
            made: (string) ($p->recipe['description'] ?? ''),
            stakes: (int) ($more['stakes'] ?? 0),
            verdict: $more['verdict'] ?? null,
            state: PointState::from($more['state'] ?? 'open'),
            labelNorth: $p->label_north,
            labelEast: $p->label_east,
            attributes: $p->getRawOriginal('attributes') ?? null,
        );
    }
}
