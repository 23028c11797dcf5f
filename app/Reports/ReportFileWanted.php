<?php

declare(strict_types=1);

namespace App\Reports;

/** A file of the marks of a report. */
final readonly class ReportFileWanted
{
    /** More would leave the paper wherever it lies. */
    private const MOST_TIMES = 100_000.0;

    /**
     * @param  float|null  $arrows  of a DXF, so many times as long as the deviations; null for a round factor that makes the longest about a metre
     * @param  int|null  $model  number of the drawing of a building model: a BCF or IFC is in its coordinates, and an IFC is that model with the marks in it
     * @param  bool  $all  of a BCF also what is in tolerance
     *
     * @throws \DomainException where the arrows can't be drawn
     */
    public function __construct(public ReportFormat $format, public ?float $arrows = null, public ?int $model = null, public bool $all = false)
    {
        if ($arrows !== null && ($arrows <= 0.0 || $arrows > self::MOST_TIMES || is_nan($arrows))) {
            throw new \DomainException('Arrows are drawn 1 to 100 000 times as long as the deviations.');
        }
    }
}
