<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;

/** What is not given stays as it is, so that two fields changed at once don't undo each other. */
final readonly class DraftChange
{
    /**
     * @param  list<DraftSight>|null  $sights
     * @param  list<DraftLine>|null  $lines
     * @param  list<DraftShot>|null  $shots
     * @param  list<int>|null  $seenReadings  all readings of the draft that the sender knew of: those that came in since stay in the
     *     lists sent
     * @param  DraftChange|null  $seen  single figures as they were when the change was begun; where another has changed one of them to
     *     something else since, nothing is overwritten
     */
    public function __construct(
        public ?SetupMethod $method = null,
        public ?int $stationControlId = null,
        public ?float $instrumentHeight = null,
        public ?float $targetHeight = null,
        public ?float $prismConstant = null,
        public ?float $pressure = null,
        public ?float $temperature = null,
        #[ListOf(DraftSight::class)]
        public ?array $sights = null,
        public ?float $humidity = null,
        public ?float $refraction = null,
        public ?AirMode $airMode = null,
        public ?float $ppm = null,
        public ?float $scale = null,
        public ?HeightMode $heightMode = null,
        public ?float $slantedHeight = null,
        public ?int $instrumentId = null,
        public ?int $targetId = null,
        public ?bool $dot = null,
        public ?string $stationName = null,
        public ?float $azimuth = null,
        public ?float $length = null,
        public ?float $assumedNorthing = null,
        public ?float $assumedEasting = null,
        public ?float $assumedElevation = null,
        #[ListOf(DraftLine::class)]
        public ?array $lines = null,
        #[ListOf(DraftShot::class)]
        public ?array $shots = null,
        public ?int $place = null,
        public ?bool $oneFace = null,
        public ?bool $turnEarlier = null,
        #[ListOf('int')]
        public ?array $seenReadings = null,
        public ?DraftChange $seen = null,
    ) {}
}
