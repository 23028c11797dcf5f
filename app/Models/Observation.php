<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;

/** A line of the field book as the instrument gave it. Never changes; the database refuses. */
final class Observation extends Model
{
    public $timestamps = false;

    protected $casts = [
        'circle' => 'float', 'zenith' => 'float', 'slope' => 'float', 'ppm_applied' => 'float', 'prism_constant_applied' => 'float',
        'target_height' => 'float', 'prism_constant' => 'float', 'pressure' => 'float', 'temperature' => 'float', 'accuracy' => 'array',
    ];

    public function raw(): RawReading
    {
        return new RawReading($this->circle, $this->zenith, $this->slope, $this->ppm_applied, $this->prism_constant_applied);
    }

    public function sight(): Sight
    {
        return Sight::reduce($this->raw(), new Atmosphere($this->pressure, $this->temperature), new Target($this->target_height, $this->prism_constant));
    }

    public function accuracy(): Accuracy
    {
        return new Accuracy((float) $this->accuracy['angle'], (float) $this->accuracy['distance'], (float) $this->accuracy['ppm']);
    }
}
