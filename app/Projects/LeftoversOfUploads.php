<?php

declare(strict_types=1);

namespace App\Projects;

use App\Database\ClearsLeftovers;

final class LeftoversOfUploads implements ClearsLeftovers
{
    public function clearAtStart(): array
    {
        Uploads::clearParts();

        return [];
    }
}
