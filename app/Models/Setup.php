<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Setup\Precision;

/** A setup that was accepted, with the evidence it was accepted on. */
final class Setup extends Model
{
    use InBook;
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['stands_for' => null, 'note' => '', 'draft' => null, 'accuracy' => null, 'base_id' => null];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'orientation' => 'float', 'instrument_height' => 'float',
        'solution' => 'array', 'sights' => 'array', 'draft' => 'array', 'accuracy' => 'array', 'stands_for' => 'integer', 'base_id' => 'integer',
    ];

    /** The setup as it was first accepted, of which this is a version. */
    public function root(): int
    {
        return $this->stands_for ?? $this->id;
    }

    public function station(): Station
    {
        return new Station($this->position(), $this->orientation, $this->instrument_height);
    }

    /** What was stated of it when it was accepted; from the deviations alone for setups of earlier versions. */
    /** Whether its sights passed the global test; null where nothing was spare. */
    public function passes(): ?bool
    {
        return isset($this->solution['passes']) ? (bool) $this->solution['passes'] : null;
    }

    /** What can be said of it to others: wider than was expected beforehand where its sights don't fit. */
    public function trusted(): Precision
    {
        return $this->passes() === false ? $this->precision()->widened((float) ($this->solution['fit'] ?? 1.0)) : $this->precision();
    }

    public function precision(): Precision
    {
        $s = $this->solution;
        $height = isset($s['heightDeviation']) ? (float) $s['heightDeviation'] ** 2 : null;
        if (is_array($s['covariance'] ?? null)) {
            $rows = array_chunk(array_map(floatval(...), $s['covariance']), 3);

            return new Precision([$rows[0], $rows[1], $rows[2]], $height);
        }
        [$n, $e, $o] = array_map(static fn (string $k) => (float) ($s[$k] ?? 0.0) ** 2, ['northingDeviation', 'eastingDeviation', 'orientationDeviation']);

        return new Precision([[$n, 0.0, 0.0], [0.0, $e, 0.0], [0.0, 0.0, $o]], $height);
    }
}
