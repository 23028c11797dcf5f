<?php

declare(strict_types=1);

namespace App\Reports\Http;

use App\PrintZone;

final readonly class ReportBody
{
    /**
     * @param  string  $zone  whose clock the times are told by, of the IANA list
     *
     * @throws \DomainException where there is no such zone
     */
    public function __construct(public string $author = '', public string $zone = 'UTC')
    {
        PrintZone::named($zone);
    }
}
