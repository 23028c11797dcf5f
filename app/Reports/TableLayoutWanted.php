<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\ListOf;

/** Columns that are kept under a name; one of that name is changed. */
final readonly class TableLayoutWanted
{
    private const MOST = 120;

    /**
     * @param  list<string>  $columns  in their order
     *
     * @throws \DomainException
     */
    public function __construct(
        public string $name,
        #[ListOf('string')]
        public array $columns,
    ) {
        if (trim($name) === '' || mb_strlen($name) > 60 || preg_match('~[\x00-\x1F\x7F]~', $name) === 1) {
            throw new \DomainException('A layout has a name of one line, at most 60 characters.');
        }
        if ($columns === [] || count($columns) > self::MOST || count(array_unique($columns)) !== count($columns)) {
            throw new \DomainException('A layout has one column or more, each once.');
        }
        foreach ($columns as $c) {
            if (trim($c) === '' || mb_strlen($c) > 80 || preg_match('~[\x00-\x1F\x7F]~', $c) === 1) {
                throw new \DomainException('A column is named as in the heading of the table, without its unit.');
            }
        }
    }
}
