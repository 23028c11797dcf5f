<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

final readonly class DraftEntry
{
    /**
     * ppm: what distances are corrected by; ppmTyped: what was typed, in use only where airMode says so. airAt: when it was told last.
     * airDue: it has to be told anew. heightDue, targetDue: nobody has told this height of the instrument for this setup, or any of the target. nextName: the station’s name
     * where none is typed.
     *
     * @param  list<DraftSightEntry>  $sights
     * @param  list<DraftLineEntry>  $lines
     * @param  list<DraftShotEntry>  $shots
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
        public bool $dot,
        public string $stationName,
        public string $nextName,
        public float $azimuth,
        public float $length,
        public float $assumedNorthing,
        public float $assumedEasting,
        public float $assumedElevation,
        #[ListOf(DraftSightEntry::class)]
        public array $sights,
        #[ListOf(DraftLineEntry::class)]
        public array $lines,
        #[ListOf(DraftShotEntry::class)]
        public array $shots,
        public int $place,
        public bool $oneFace,
        public bool $turnEarlier,
        public ?string $airAt,
        public bool $airDue,
        public bool $heightDue,
        public bool $targetDue,
    ) {}
}
