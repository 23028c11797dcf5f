<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Instrument\Station;

/** A setup that was accepted, with the evidence it was accepted on. */
final class Setup extends Model
{
    use Placed;

    public $timestamps = false;

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'orientation' => 'float', 'instrument_height' => 'float',
        'solution' => 'array', 'sights' => 'array',
    ];

    public function station(): Station
    {
        return new Station($this->position(), $this->orientation, $this->instrument_height);
    }
}
