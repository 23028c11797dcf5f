<?php

declare(strict_types=1);

namespace App\Reports;

/** What was done of one code on one day, and what is left of it. */
final readonly class DayOfCode
{
    private function __construct(public string $code, public int $staked, public int $built, public int $in, public int $out, public int $close, public int $open) {}

    /**
     * @param  list<ReportRow>  $rows
     * @param  array<string, list<string>>  $open
     * @return list<self>
     */
    public static function counted(array $rows, array $open): array
    {
        $by = array_fill_keys(array_keys($open), []);
        foreach ($rows as $r) {
            $by[$r->mark->code][] = $r;
        }
        ksort($by, SORT_NATURAL);
        $all = [];
        foreach ($by as $code => $of) {
            $kinds = array_count_values(array_map(static fn (ReportRow $r): string => $r->mark->kind, $of));
            $called = array_count_values(array_map(static fn (ReportRow $r): string => $r->called(), $of));
            // A code of digits alone is a number as a key.
            $all[] = new self(
                code: (string) $code, staked: $kinds['stake'] ?? 0, built: $kinds['as_built'] ?? 0, in: $called['in'] ?? 0, out: $called['out'] ?? 0, close: $called['close'] ?? 0,
                open: count($open[$code] ?? []),
            );
        }

        return $all;
    }
}
