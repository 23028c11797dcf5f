<?php

declare(strict_types=1);

namespace App\Instrument\Models;

use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Notch;
use Parlay\Core\Units\Angle;

/** A total station of the project, as its maker states it and as it was last adjusted. */
final class Instrument extends Model
{
    use OfProject;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['calibrated_on' => '', 'certificate' => ''];

    protected $casts = [
        'direction_seconds' => 'float', 'zenith_seconds' => 'float',
        'distance_millimetres' => 'float', 'distance_ppm' => 'float', 'centring' => 'float',
        'notch_radius' => 'float', 'notch_drop' => 'float', 'collimation_seconds' => 'float', 'index_seconds' => 'float',
        'wavelength' => 'float', 'reference_pressure' => 'float', 'reference_temperature' => 'float', 'reference_humidity' => 'float',
    ];

    public function accuracy(): Accuracy
    {
        return new Accuracy(
            Angle::fromSeconds($this->direction_seconds), $this->distance_millimetres / 1000, $this->distance_ppm, $this->centring,
            0.001, Angle::fromSeconds($this->zenith_seconds),
        );
    }

    public function notch(): Notch
    {
        return new Notch($this->notch_radius, $this->notch_drop);
    }

    /** Correction of its distances in this air, by its own carrier and reference; parts per million. */
    public function ppm(Atmosphere $air): float
    {
        return $air->ppm(
            new Atmosphere($this->reference_pressure, $this->reference_temperature, $this->reference_humidity), $this->wavelength,
        );
    }
}
