<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\ListOf;
use App\Setup\AirMode;
use App\Setup\HeightMode;
use App\Setup\SetupMethod;
use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DraftResource
{
    /**
     * ppm: what distances are corrected by; ppmTyped: what was typed, in use only where airMode says so. nextName: the station’s name where none is typed.
     *
     * @param  list<DraftSightResource>  $sights
     * @param  list<DraftLineResource>  $lines
     * @param  list<DraftShotResource>  $shots
     */
    public function __construct(
        public SetupMethod $method,
        public ?int $stationControlId,
        public float $instrumentHeight,
        public HeightMode $heightMode,
        public float $slantedHeight,
        public float $targetHeight,
        public float $prismConstant,
        public float $pressure,
        public float $temperature,
        public float $humidity,
        public float $refraction,
        public AirMode $airMode,
        public float $ppmTyped,
        public float $ppm,
        public float $scale,
        public ?int $instrumentId,
        public ?int $targetId,
        public string $stationName,
        public string $nextName,
        public float $azimuth,
        public float $length,
        public float $assumedNorthing,
        public float $assumedEasting,
        public float $assumedElevation,
        #[ListOf(DraftSightResource::class)]
        public array $sights,
        #[ListOf(DraftLineResource::class)]
        public array $lines,
        #[ListOf(DraftShotResource::class)]
        public array $shots,
        public int $place,
        public bool $oneFace,
        public bool $turnEarlier,
    ) {}
}
