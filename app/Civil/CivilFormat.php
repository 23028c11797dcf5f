<?php

declare(strict_types=1);

namespace App\Civil;

enum CivilFormat: string
{
    case LandXml = 'landxml';
    case Dxf = 'dxf';
    case Csv = 'csv';
}
