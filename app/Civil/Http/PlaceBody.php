<?php

declare(strict_types=1);

namespace App\Civil\Http;

final readonly class PlaceBody
{
    public function __construct(public float $northing, public float $easting) {}
}
