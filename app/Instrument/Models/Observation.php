<?php

declare(strict_types=1);

namespace App\Instrument\Models;

use App\Database\InBook;
use App\Projects\Models\OfProject;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\RawReading;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Target;

/** A line of the field book as the instrument gave it. Never changes; the database refuses. */
final class Observation extends Model
{
    use InBook;
    use OfProject;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'humidity' => 0.6, 'refraction' => Atmosphere::REFRACTION, 'scale' => 1.0, 'angles' => 1.0, 'target_name' => '',
        'collimation' => 0.0, 'index_error' => 0.0, 'serial' => '',
    ];

    protected $casts = [
        'circle' => 'float', 'zenith' => 'float', 'slope' => 'float', 'ppm_applied' => 'float', 'prism_constant_applied' => 'float',
        'target_height' => 'float', 'prism_constant' => 'float', 'pressure' => 'float',
        'temperature' => 'float', 'accuracy' => 'array', 'humidity' => 'float',
        'refraction' => 'float', 'ppm_given' => 'float', 'scale' => 'float',
        'angles' => 'float', 'collimation' => 'float', 'index_error' => 'float',
    ];

    /** Whatever asks for a reading is given what was mended of it, in the same go. */
    protected $with = ['correction'];

    /** @return HasOne<Correction, $this> the latest */
    public function correction(): HasOne
    {
        return $this->hasOne(Correction::class)->latestOfMany();
    }

    /** What was sighted, as it was booked or as it was mended since. */
    public function target(): Target
    {
        return new Target(
            $this->correction->target_height ?? $this->target_height, $this->correction->prism_constant ?? $this->prism_constant,
        );
    }

    public function raw(): RawReading
    {
        return (new RawReading(
            $this->circle, $this->zenith, $this->slope, $this->ppm_applied, $this->prism_constant_applied,
        ))->withoutFaceErrors($this->collimation, $this->index_error);
    }

    public function sight(): Sight
    {
        return Sight::reduce($this->raw(), $this->air(), $this->target(), $this->scale);
    }

    public function air(): Atmosphere
    {
        $air = new Atmosphere($this->pressure, $this->temperature, $this->humidity, $this->refraction);

        return $this->ppm_given === null ? $air : $air->given($this->ppm_given);
    }

    /** Of this reading, counted with its faces. */
    public function ownAccuracy(): Accuracy
    {
        return $this->accuracy()->ofAngles($this->angles);
    }

    /** As the instrument states it, for a mean of two faces. */
    public function accuracy(): Accuracy
    {
        return Accuracy::of($this->accuracy);
    }
}
