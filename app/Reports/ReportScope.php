<?php

declare(strict_types=1);

namespace App\Reports;

/** What a report covers; all of it where nothing is said. */
final readonly class ReportScope
{
    /**
     * @param  string  $day  marks of that day by the clock of whoever prints, as 2026-12-02; empty for all days
     * @param  int|null  $worklistId  marks of points on it
     * @param  string|null  $code  marks of that code
     * @param  string  $kind  stake, as_built, or empty for both
     * @param  bool  $outOnly  only what is out, or too close to call
     * @param  bool  $replaced  also marks that a later one of the same point counts instead of
     *
     * @throws \DomainException
     */
    public function __construct(
        public string $day = '',
        public ?int $worklistId = null,
        public ?string $code = null,
        public string $kind = '',
        public bool $outOnly = false,
        public bool $replaced = true,
    ) {
        $read = \DateTimeImmutable::createFromFormat('!Y-m-d', $day);
        if ($day !== '' && ($read === false || $read->format('Y-m-d') !== $day)) {
            throw new \DomainException('A day is written as 2026-12-02.');
        }
        if (! in_array($kind, ['', 'stake', 'as_built'], true)) {
            throw new \DomainException('A report covers what was staked (stake), what was built (as_built), or both.');
        }
    }
}
