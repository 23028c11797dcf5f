<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

use Parlay\Core\Adjustment\JudgedGroup;
use Parlay\Core\Adjustment\ObservationGroup;

/** One observation in the adjustment; radians for angles, metres for lengths. */
final readonly class ObservedResidual
{
    /**
     * @param  float  $residual  observed minus adjusted
     * @param  float  $deviation  its standard deviation as stated beforehand, with how the target was held
     * @param  float  $redundancy  0: nothing checks it, 1: it is not needed
     * @param  float|null  $normalised  null where nothing checks it
     * @param  float|null  $detectable  the smallest error of it that would show (80 % at a test of 0.1 %)
     */
    public function __construct(
        public ObservedKind $kind,
        public float $residual,
        public float $deviation,
        public float $redundancy,
        public ?float $normalised,
        public ?float $detectable,
    ) {}

    /**
     * @param  list<ObservedKind>  $kinds  what the rows of the block are
     * @return list<self>
     */
    public static function each(array $kinds, ObservationGroup $block, JudgedGroup $judged): array
    {
        return array_map(static function (ObservedKind $kind, int $i) use ($block, $judged): self {
            $r = $judged->reliability[$i];

            return new self(
                $kind, $block->misclosures[$i], sqrt($block->covariance[$i][$i]), $r->redundancy, $r->normalised, $r->detectable,
            );
        }, $kinds, array_keys($kinds));
    }
}
