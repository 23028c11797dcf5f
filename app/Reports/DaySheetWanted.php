<?php

declare(strict_types=1);

namespace App\Reports;

/** The foreman's sheet of one day. */
final readonly class DaySheetWanted
{
    /**
     * @param  string  $day  by the clock of whoever prints, as 2026-12-02
     * @param  string  $zone  whose clock that is, of the IANA list
     * @param  int|null  $worklistId  the points it is about; all of the project where none is said
     *
     * @throws \DomainException where there is no such day or zone, or the author is no line
     */
    public function __construct(
        public string $day,
        public string $zone = 'UTC',
        public string $author = '',
        public ?int $worklistId = null,
    ) {
        if ($day === '') {
            throw new \DomainException('Say the day that the sheet is of, as 2026-12-02.');
        }
        $this->report();
    }

    /** The marks of the day, each once. */
    public function report(): ReportWanted
    {
        return new ReportWanted($this->author, $this->zone, '', new ReportScope(day: $this->day, worklistId: $this->worklistId, replaced: false));
    }
}
