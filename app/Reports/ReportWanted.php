<?php

declare(strict_types=1);

namespace App\Reports;

use App\PrintZone;

/** A report that is to be issued. */
final readonly class ReportWanted
{
    /**
     * @param  string  $author  who stands for it
     * @param  string  $name  what it is called; a later one of the same name says what changed against it
     * @param  string  $zone  whose clock the times are told by, of the IANA list
     *
     * @throws \DomainException where there is no such zone, or a name is no line
     */
    public function __construct(
        public string $author = '',
        public string $zone = 'UTC',
        public string $name = '',
        public ReportScope $scope = new ReportScope,
    ) {
        PrintZone::named($zone);
        foreach (['name' => $name, 'author' => $author] as $what => $text) {
            if (mb_strlen($text) > 200 || preg_match('~[\x00-\x1F\x7F]~', $text) === 1) {
                throw new \DomainException("The $what of a report is one line of at most 200 characters.");
            }
        }
    }
}
