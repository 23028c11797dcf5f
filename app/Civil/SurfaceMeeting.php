<?php

declare(strict_types=1);

namespace App\Civil;

use App\Cogo\GivenPolyline;

/** Where two surfaces meet along a line. */
final readonly class SurfaceMeeting
{
    public function __construct(
        public int $firstId,
        public int $secondId,
        public GivenPolyline $line,
        public string $prefix = '',
        public string $code = '',
    ) {}
}
