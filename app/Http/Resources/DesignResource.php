<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use App\Models\Design;
use App\Models\DesignLayer;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DesignResource
{
    /**
     * @param  list<string>  $remarks
     *  @param  list<LayerResource>  $layers
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $fileName,
        public string $unit,
        public string $heights,
        public string $takenAt,
        #[ListOf('string')]
        public array $remarks,
        #[ListOf(LayerResource::class)]
        public array $layers,
    ) {}

    public static function of(Design $d): self
    {
        return new self($d->id, $d->name, $d->file_name, $d->unit, $d->heights, $d->taken_at, $d->remarks, $d->layers->map(static fn (DesignLayer $l) => LayerResource::of($l))->all());
    }
}
