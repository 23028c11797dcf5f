<?php

declare(strict_types=1);

namespace App\Civil;

use App\PrintZone;

/** A volume that is printed, and by which clock its sheet tells the time. */
final readonly class VolumeToPrint
{
    /** @throws \DomainException where there is no such zone */
    public function __construct(public VolumeWanted $volume, public string $zone = 'UTC')
    {
        PrintZone::named($zone);
    }
}
