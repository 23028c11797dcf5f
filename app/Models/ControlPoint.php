<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

final class ControlPoint extends Model
{
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['held_fixed' => true, 'plan_deviation' => null, 'height_deviation' => null];

    protected $casts = ['northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'held_fixed' => 'boolean', 'plan_deviation' => 'float', 'height_deviation' => 'float'];
}
