<?php

declare(strict_types=1);

namespace App\Control\Models;

use App\Control\ControlOrigin;
use App\Projects\Models\Placed;
use App\Setups\Models\Setup;
use Illuminate\Database\Eloquent\Model;

final class ControlPoint extends Model
{
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'origin' => 'listed', 'setup_id' => null, 'held_fixed' => true, 'plan_deviation' => null, 'height_deviation' => null,
    ];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'origin' => ControlOrigin::class, 'setup_id' => 'integer',
        'held_fixed' => 'boolean', 'plan_deviation' => 'float', 'height_deviation' => 'float',
    ];

    /** The station that a setup found, in all its versions. */
    public function isStationOf(Setup $setup): bool
    {
        return $this->origin === ControlOrigin::Station && $this->setup_id === $setup->root();
    }

    /** What its northing and its easting enter a setup with; 0 where it is held fixed. */
    public function planError(): float
    {
        return $this->held_fixed ? 0.0 : (float) $this->plan_deviation;
    }

    public function heightError(): float
    {
        return $this->held_fixed ? 0.0 : (float) $this->height_deviation;
    }
}
