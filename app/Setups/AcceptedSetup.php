<?php

declare(strict_types=1);

namespace App\Setups;

use App\Setups\Models\Setup;
use Parlay\Core\ListOf;
use Parlay\Words\Cautions;

final readonly class AcceptedSetup
{
    /**
     * planDeviation, heightDeviation: null where nothing was found, or where the sights don't fit and nothing can be said.
     *
     * @param  bool|null  $passes  whether its sights fit each other; null where nothing was spare
     * @param  list<string>  $cautions  what can't be proved of it
     */
    public function __construct(
        public int $id,
        public string $at,
        public string $method,
        public string $stationName,
        public float $northing,
        public float $easting,
        public ?float $elevation,
        public float $orientation,
        public float $instrumentHeight,
        public ?float $planDeviation,
        public ?float $heightDeviation,
        public ?bool $passes,
        #[ListOf('string')]
        public array $cautions,
    ) {}

    public static function of(Setup $s): self
    {
        $found = $s->found();
        $said = $found->passes !== false;

        return new self(
            $s->id, $s->at, $s->method, $s->station_name, $s->northing, $s->easting, $s->elevation, $s->orientation, $s->instrument_height,
            $said && $found->placeFound ? hypot($found->precision->northing(), $found->precision->easting()) : null, $said ? $found->precision->height() : null, $found->passes, Cautions::sentences($found->cautions),
        );
    }
}
