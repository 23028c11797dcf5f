<?php

declare(strict_types=1);

namespace App\Points\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/** A point to be staked, with where it came from. */
final class StakeoutPoint extends Model
{
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['attributes' => null, 'label_north' => null, 'label_east' => null];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'recipe' => 'array', 'label_north' => 'float',
        'label_east' => 'float', 'attributes' => 'array',
    ];

    /**
     * Those that no mark was ever set for.
     *
     * @param  Builder<self>  $query
     */
    public function scopeOpen(Builder $query): void
    {
        $query->whereNotExists(static fn ($q) => $q->from('marks')
            ->whereColumn('marks.project_id', 'stakeout_points.project_id')
            ->where('kind', 'stake')
            ->whereColumn('point_id', 'stakeout_points.id'));
    }
}
