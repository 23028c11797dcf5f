<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

final class ControlPoint extends Model
{
    use Placed;

    public $timestamps = false;

    protected $casts = ['northing' => 'float', 'easting' => 'float', 'elevation' => 'float'];
}
