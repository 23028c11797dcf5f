<?php

declare(strict_types=1);

namespace App\Designs;

use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
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
            $d->id, $d->name, $d->file_name, $d->unit, $d->heights, $d->taken_at, DesignRole::from($d->role), $d->id === $active, $d->current, $d->revision, $d->revises_id, $d->place_word,
            $d->placement['words'] ?? '', $d->extent ?? [], $d->remarks, array_map(StrayEntry::of(...), $d->strays),
            array_map(static fn (array $c) => new LayerChanges($c['layer'], $c['added'], $c['gone'], $c['moved'], $c['farthest']), $d->changes ?? []),
            $d->layers->map(static fn (DesignLayer $l) => LayerEntry::of($l))->all(),
        );
    }
}
