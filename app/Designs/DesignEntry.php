<?php

declare(strict_types=1);

namespace App\Designs;

use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Typed\Values;
use Parlay\Core\ListOf;

final readonly class DesignEntry
{
    /**
     * @param  bool  $current  no newer revision has been taken
     * @param  list<float>  $extent  of the body of the work, without what strays
     * @param  list<string>  $remarks
     * @param  list<StrayEntry>  $strays
     * @param  list<LayerChanges>  $changes  since the revision before, by layer
     * @param  list<LayerEntry>  $layers
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
        public ?PlacementChosen $placement,
        #[ListOf('float')]
        public array $extent,
        #[ListOf('string')]
        public array $remarks,
        #[ListOf(StrayEntry::class)]
        public array $strays,
        #[ListOf(LayerChanges::class)]
        public array $changes,
        #[ListOf(LayerEntry::class)]
        public array $layers,
    ) {}

    public static function of(Design $d, ?int $active): self
    {
        return new self(
            id: $d->id,
            name: $d->name,
            fileName: $d->file_name,
            unit: $d->unit,
            heights: $d->heights,
            takenAt: $d->taken_at,
            role: DesignRole::from($d->role),
            active: $d->id === $active,
            current: $d->current,
            revision: $d->revision,
            revisesId: $d->revises_id,
            placeWord: $d->place_word,
            placed: $d->placement['words'] ?? '',
            placement: self::placementOf($d),
            extent: $d->extent ?? [],
            remarks: $d->remarks,
            strays: array_map(StrayEntry::of(...), $d->strays),
            changes: array_map(
                static fn (array $c) => new LayerChanges($c['layer'], $c['added'], $c['gone'], $c['moved'], $c['farthest']),
                $d->changes ?? [],
            ),
            layers: $d->layers->map(static fn (DesignLayer $l) => LayerEntry::of($l))->all(),
        );
    }

    public static function placementOf(Design $d): ?PlacementChosen
    {
        return $d->placement === null ? null : Values::of(array_diff_key($d->placement, ['words' => 1]), PlacementChosen::class);
    }
}
