<?php

declare(strict_types=1);

namespace App\Control\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Control\GridLine as Line;
use Parlay\Core\Geometry\Position;

/** A named line of the building's grid, or a ring about its first place. */
final class GridLine extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $casts = ['northing1' => 'float', 'easting1' => 'float', 'northing2' => 'float', 'easting2' => 'float', 'ring' => 'boolean'];

    public function line(): Line
    {
        return new Line($this->name, $this->family, $this->from(), $this->to(), $this->ring);
    }

    public function from(): Position
    {
        return new Position($this->northing1, $this->easting1);
    }

    public function to(): Position
    {
        return new Position($this->northing2, $this->easting2);
    }
}
