<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\ListOf;

/** Which points are wanted of an alignment. */
final readonly class AlignmentPoints
{
    /**
     * interval: metres between round stations; 0 for none. main: ends and main points. offsets: metres to the right, negative to the left.
     * rows: a list of station, offset, name, code as it was pasted, in place of these. positiveRight: what a sign of its offsets means.
     * heights: where elevations come from.
     *
     * @param  list<float>  $offsets
     */
    public function __construct(
        public float $interval,
        public bool $main,
        #[ListOf('float')]
        public array $offsets,
        public string $rows,
        public bool $positiveRight,
        public CivilHeights $heights,
        public ?int $profile = null,
        public ?int $shape = null,
        public ?int $surfaceId = null,
        public float $verticalOffset = 0.0,
        public string $prefix = '',
        public string $code = '',
        public ?float $from = null,
        public ?float $to = null,
    ) {}
}
