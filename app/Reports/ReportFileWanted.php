<?php

declare(strict_types=1);

namespace App\Reports;

use App\PrintZone;

/** A file of the marks of a report. */
final readonly class ReportFileWanted
{
    /** More would leave the paper wherever it lies. */
    private const MOST_TIMES = 100_000.0;

    /**
     * @param  float|null  $arrows  of a DXF, so many times as long as the deviations; null for a round factor that makes the longest about a metre
     * @param  int|null  $model  number of the drawing of a building model: a BCF or IFC is in its coordinates, and an IFC is that model with the marks in it
     * @param  bool  $all  of a BCF also what is in tolerance
     * @param  string  $zone  whose clock times are told by where the report was not issued with one, of the IANA list
     *
     * @throws \DomainException where the arrows can't be drawn, or there is no such zone
     */
    public function __construct(public ReportFormat $format, public ?float $arrows = null, public ?int $model = null, public bool $all = false, public string $zone = 'UTC')
    {
        PrintZone::named($zone);
        if ($arrows !== null && ($arrows <= 0.0 || $arrows > self::MOST_TIMES || is_nan($arrows))) {
            throw new \DomainException('Arrows are drawn 1 to 100 000 times as long as the deviations.');
        }
    }
}
