<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Models;

use Parlay\Core\Geometry\Leg;

/** A line of a plan: a kerb, a fence. */
final readonly class FeatureRead
{
    /** @param  list<Leg>  $legs */
    public function __construct(public string $name, public string $code, public array $legs, public int $line) {}
}
