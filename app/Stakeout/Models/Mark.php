<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\FieldBook\Models\InBook;
use App\FieldBook\Models\Observation;
use App\Points\Models\Placed;
use App\Setups\Models\Setup;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;

/** Something measured on purpose from a setup: a stake, an as-built shot, a check shot. */
final class Mark extends Model
{
    use InBook;
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['mends' => null, 'control_id' => null];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float',
        'design_northing' => 'float', 'design_easting' => 'float', 'design_elevation' => 'float',
    ];

    public function design(): ?Position
    {
        return $this->design_northing === null || $this->design_easting === null ? null
            : new Position($this->design_northing, $this->design_easting, $this->design_elevation);
    }

    public function deviation(): ?Deviation
    {
        $design = $this->design();

        return $design === null ? null : Deviation::between($design, $this->position());
    }

    /** @return BelongsTo<Observation, $this> */
    public function observation(): BelongsTo
    {
        return $this->belongsTo(Observation::class);
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }
}
