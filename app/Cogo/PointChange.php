<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Points\PointAttribute;
use App\Points\SeenPoint;
use Parlay\Core\ListOf;

final readonly class PointChange
{
    /** @param  list<PointAttribute>|null  $attributes  null: as they are */
    public function __construct(
        public string $name,
        public float $northing,
        public float $easting,
        public ?float $elevation = null,
        public string $code = '',
        public string $description = '',
        #[ListOf(PointAttribute::class)]
        public ?array $attributes = null,
        public ?SeenPoint $seen = null,
    ) {}
}
