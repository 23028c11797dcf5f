<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Units\LengthUnit;

/** The figures that give a finding away; null or empty for those it has not. */
final readonly class Evidence
{
    /**
     * @param  Ground|null  $ground  of a finding about the list as a whole
     * @param  list<string>  $names  of the rows concerned
     * @param  int|null  $line  of the first of them
     * @param  list<int>  $lines  of the others
     * @param  int|null  $count  points or elevations that show it
     * @param  int|null  $asRead  that fit as they were read
     * @param  float|null  $away  metres between what does not belong together
     * @param  float|null  $within  metres, once it is mended
     * @param  float|null  $turn  radians, that brings the list onto the project
     * @param  LengthUnit|null  $readIn  the unit that would fit; null where an exchange would
     * @param  Axis|null  $axis  of the figure that slipped
     * @param  string  $written  that figure as the file has it
     * @param  list<NumberSlip>  $slips  that would bring it home, the likeliest first
     */
    public function __construct(
        public ?Ground $ground = null,
        public array $names = [],
        public ?int $line = null,
        public array $lines = [],
        public ?int $count = null,
        public ?int $asRead = null,
        public ?float $away = null,
        public ?float $within = null,
        public ?float $turn = null,
        public ?LengthUnit $readIn = null,
        public ?Axis $axis = null,
        public string $written = '',
        public array $slips = [],
    ) {}
}
