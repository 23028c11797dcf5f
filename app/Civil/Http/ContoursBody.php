<?php

declare(strict_types=1);

namespace App\Civil\Http;

final readonly class ContoursBody
{
    /** @param  float  $interval  metres */
    public function __construct(public float $interval) {}
}
