<?php

declare(strict_types=1);

namespace App\Packing;

use App\Database\ClearsLeftovers;
use App\Packing\Actions\UnpackProject;

final class LeftoversOfUnpacking implements ClearsLeftovers
{
    public function clearAtStart(): array
    {
        return UnpackProject::clearLeftovers(atStart: true);
    }
}
