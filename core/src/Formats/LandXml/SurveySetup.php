<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Instrument\Station;

/** An instrument station as a file of survey data tells it. */
final readonly class SurveySetup
{
    /**
     * @param  string  $id  by which its readings speak of it
     * @param  string  $time  UTC
     */
    public function __construct(public string $id, public string $name, public string $time, public string $instrument, public string $serial, public string $method, public Station $station) {}
}
