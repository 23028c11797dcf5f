<?php

declare(strict_types=1);

namespace App\Http\Bodies;

enum SetupMethod: string
{
    case KnownBacksight = 'known_backsight';
    case Resection = 'resection';
}
