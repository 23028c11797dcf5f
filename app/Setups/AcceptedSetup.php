<?php

declare(strict_types=1);

namespace App\Setups;

use App\Setups\Models\Setup;
use Parlay\Core\ListOf;
use Parlay\Words\Cautions;

final readonly class AcceptedSetup
{
    /**
     * number: counted in the project. note: why it was made anew, or what became of the circle.
     * planDeviation, heightDeviation: null where nothing was found, or where the sights don't fit and nothing can be said.
     *
     * @param  bool|null  $passes  whether its sights fit each other; null where nothing was spare
     * @param  list<string>  $cautions  what can't be proved of it
     */
    public function __construct(
        public int $id,
        public int $number,
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
        public string $note,
    ) {}

    public static function of(Setup $s): self
    {
        $found = $s->found();
        $said = $found->passes !== false;

        return new self(
            id: $s->id,
            number: $s->number,
            at: $s->at,
            method: $s->method,
            stationName: $s->station_name,
            northing: $s->northing,
            easting: $s->easting,
            elevation: $s->elevation,
            orientation: $s->orientation,
            instrumentHeight: $s->instrument_height,
            planDeviation: $said && $found->placeFound ? hypot($found->precision->northing(), $found->precision->easting()) : null,
            heightDeviation: $said ? $found->precision->height() : null,
            passes: $found->passes,
            cautions: Cautions::sentences($found->cautions),
            note: $s->note,
        );
    }
}
