<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\PrintZone;

/** By which clock a sheet tells its times. */
final readonly class PrintBody
{
    /** @throws \DomainException where there is no such zone */
    public function __construct(public string $zone = 'UTC')
    {
        PrintZone::named($zone);
    }
}
