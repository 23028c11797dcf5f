<?php

declare(strict_types=1);

namespace App\Reports;

use Parlay\Core\Reports\IssuedMark;

/**
 * Which rows here the numbers mean that are frozen in an issued report: it may have come in with a packed project, whose rows have other numbers here. What is not here any more is nobody else's:
 * it is told as one that is gone.
 */
final readonly class Renumbered
{
    /** Stands before what a mark was made for, where that is not here. */
    private const ELSEWHERE = 'elsewhere ';

    /**
     * @param  array<int, int>  $points  numbers here by those that are frozen
     * @param  array<int, int>  $marks
     * @param  array<int, int>  $designs
     */
    private function __construct(private array $points, private array $marks, private array $designs) {}

    /** @param  array<string, array<int|string, int>>|null  $kept  null of a report that was issued here */
    public static function of(?array $kept): ?self
    {
        $map = static fn (string $what): array => array_combine(array_map(intval(...), array_keys($kept[$what] ?? [])), array_map(intval(...), array_values($kept[$what] ?? [])));

        return $kept === null ? null : new self($map('points'), $map('marks'), $map('designs'));
    }

    /**
     * For an issue that goes into another project: its frozen numbers led on.
     *
     * @param  list<IssuedMark>  $marks
     * @param  self|null  $before  what they meant where it was packed
     * @param  array<string, array<int, int>>  $ids  table to number there to number here
     */
    public static function ledOn(array $marks, ?self $before, array $ids): self
    {
        $led = static function (array $frozen, array $there, string $table) use ($before, $ids): array {
            $found = [];
            foreach (array_unique($frozen) as $n) {
                $here = $ids[$table][$before === null ? $n : $there[$n] ?? -1] ?? null;
                if ($here !== null) {
                    $found[$n] = $here;
                }
            }

            return $found;
        };
        $points = array_filter(array_map(self::numberOf(...), array_column($marks, 'subject')), is_int(...));
        $numbers = [...array_column($marks, 'mark'), ...array_column($marks, 'first')];

        return new self(
            $led(array_values($points), $before->points ?? [], 'stakeout_points'), $led($numbers, $before->marks ?? [], 'marks'),
            $led(array_values(array_filter(array_column($marks, 'model'), is_int(...))), $before->designs ?? [], 'designs'),
        );
    }

    /** @return array<string, array<int, int>> as it is kept */
    public function kept(): array
    {
        return get_object_vars($this);
    }

    /** The same mark with the numbers it has here. */
    public function mark(IssuedMark $m): IssuedMark
    {
        return new IssuedMark(...[
            'subject' => $this->subject($m->subject), 'mark' => $this->marks[$m->mark] ?? 0, 'first' => $this->marks[$m->first] ?? 0, 'model' => $m->model === null ? null : $this->designs[$m->model] ?? null,
        ] + get_object_vars($m));
    }

    private function subject(string $frozen): string
    {
        if (preg_match('~^(stake|as_built|mark) (\d+)$~', $frozen, $m) !== 1) {
            // A place that was touched goes by a key of its own.
            return $frozen;
        }
        $here = ($m[1] === 'mark' ? $this->marks : $this->points)[(int) $m[2]] ?? null;

        return $here === null ? self::ELSEWHERE.$frozen : "$m[1] $here";
    }

    private static function numberOf(string $subject): ?int
    {
        return preg_match('~^(?:stake|as_built) (\d+)$~', $subject, $m) === 1 ? (int) $m[1] : null;
    }
}
