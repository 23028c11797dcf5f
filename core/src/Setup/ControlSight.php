<?php

declare(strict_types=1);

namespace Parlay\Core\Setup;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Sight;

/** A control point and what was measured to it. */
final readonly class ControlSight
{
    public function __construct(
        public string $name,
        public Position $control,
        public Sight $sight,
        public bool $used = true,
    ) {}
}
