<?php

declare(strict_types=1);

namespace App\Civil;

/** Areas of cut and fill across an alignment, metres². */
final readonly class EndArea
{
    public function __construct(public float $along, public string $station, public float $cut, public float $fill) {}
}
