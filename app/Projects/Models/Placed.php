<?php

declare(strict_types=1);

namespace App\Projects\Models;

use Parlay\Core\Geometry\Position;

/** A row with northing, easting and elevation. */
trait Placed
{
    public function position(): Position
    {
        return new Position($this->northing, $this->easting, $this->elevation);
    }
}
