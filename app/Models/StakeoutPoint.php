<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/** A point to be staked, with where it came from. */
final class StakeoutPoint extends Model
{
    use Placed;

    public $timestamps = false;

    protected $casts = ['northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'recipe' => 'array', 'attributes' => 'array'];
}
