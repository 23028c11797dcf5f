<?php

declare(strict_types=1);

namespace App\Control\Models;

use App\Control\ControlOrigin;
use App\Projects\Models\OfProject;
use App\Projects\Models\Placed;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

final class ControlPoint extends Model
{
    use OfProject;
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

    /**
     * What is on the site surveyor's list: no stations, and nothing measured from them.
     *
     * @return HasMany<self, Project>
     */
    public static function listed(Project $project): HasMany
    {
        return self::of($project)->where('origin', ControlOrigin::Listed);
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
