<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Designs\DesignRole;
use App\Http\ListOf;
use App\Models\Design;
use App\Models\DesignLayer;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DesignResource
{
    /**
     * @param  bool  $current  no newer revision has been taken
     * @param  list<float>  $extent  of the body of the work, without what strays
     * @param  list<string>  $remarks
     * @param  list<StrayResource>  $strays
     * @param  list<ChangesResource>  $changes  since the revision before, by layer
     * @param  list<LayerResource>  $layers
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $fileName,
        public string $unit,
        public string $heights,
        public string $takenAt,
        public DesignRole $role,
        public bool $active,
        public bool $current,
        public string $revision,
        public ?int $revisesId,
        public string $placeWord,
        public string $placed,
        #[ListOf('float')]
        public array $extent,
        #[ListOf('string')]
        public array $remarks,
        #[ListOf(StrayResource::class)]
        public array $strays,
        #[ListOf(ChangesResource::class)]
        public array $changes,
        #[ListOf(LayerResource::class)]
        public array $layers,
    ) {}

    public static function of(Design $d, ?int $active): self
    {
        return new self(
            $d->id, $d->name, $d->file_name, $d->unit, $d->heights, $d->taken_at, DesignRole::from($d->role), $d->id === $active, $d->current, $d->revision, $d->revises_id, $d->place_word,
            $d->placement['words'] ?? '', $d->extent ?? [], $d->remarks, array_map(StrayResource::of(...), $d->strays),
            array_map(static fn (array $c) => new ChangesResource($c['layer'], $c['added'], $c['gone'], $c['moved'], $c['farthest']), $d->changes ?? []),
            $d->layers->map(static fn (DesignLayer $l) => LayerResource::of($l))->all(),
        );
    }
}
