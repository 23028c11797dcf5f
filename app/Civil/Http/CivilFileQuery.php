<?php

declare(strict_types=1);

namespace App\Civil\Http;

use App\Civil\CivilFormat;

final readonly class CivilFileQuery
{
    public function __construct(public CivilFormat $format) {}
}
