<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Instrument\Models\Observation;
use Parlay\Core\Instrument\Sight;

/** A reading as the instrument gave it, and what it was reduced to; without the row it came from, for there may be thousands. */
final readonly class Reading
{
    /** Angles in radians, lengths in metres. */
    private function __construct(
        public float $circle,
        public float $zenith,
        public float $slope,
        public float $constantApplied,
        public float $ppmApplied,
        public float $collimation,
        public float $indexError,
        public float $scale,
        public float $pressure,
        public float $temperature,
        public Sight $sight,
    ) {}

    public static function of(Observation $o): self
    {
        return new self(
            circle: $o->circle, zenith: $o->zenith, slope: $o->slope, constantApplied: $o->prism_constant_applied, ppmApplied: $o->ppm_applied,
            collimation: $o->collimation, indexError: $o->index_error, scale: $o->scale, pressure: $o->pressure, temperature: $o->temperature, sight: $o->sight(),
        );
    }

    /** Errors of one face that are taken out of the circles; a mean of two faces has none. */
    public function hasFaceErrors(): bool
    {
        return $this->collimation !== 0.0 || $this->indexError !== 0.0;
    }

    /**
     * @param  string  $u  unit of length, as headings say it
     * @return list<string>
     */
    public static function header(string $u): array
    {
        return [
            'circle [deg]', 'zenith [deg]', "slope distance$u", "constant in it$u", 'ppm in it', 'collimation [deg]', 'index error [deg]', "prism constant$u", 'ppm', "target height$u",
            'refraction', 'scale', 'pressure [hPa]', 'temperature [C]',
        ];
    }

    /**
     * From which its place can be worked out by hand: to a hundredth of a millimetre.
     *
     * @param  float  $unit  of length, metres
     * @return list<string>
     */
    public function cells(float $unit): array
    {
        $n = static fn (float $metres): string => number_format($metres / $unit, 6, '.', '');
        $deg = static fn (float $radians): string => number_format(rad2deg($radians), 8, '.', '');

        return [
            $deg($this->circle), $deg($this->zenith), $n($this->slope), $n($this->constantApplied), number_format($this->ppmApplied, 4, '.', ''), $deg($this->collimation), $deg($this->indexError),
            $n($this->sight->target->prismConstant), number_format($this->sight->ppm, 4, '.', ''), $n($this->sight->target->height), (string) $this->sight->refraction,
            number_format($this->scale, 10, '.', ''), number_format($this->pressure, 1, '.', ''), number_format($this->temperature, 1, '.', ''),
        ];
    }
}
