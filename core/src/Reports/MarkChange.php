<?php

declare(strict_types=1);

namespace Parlay\Core\Reports;

/** One mark that a report tells otherwise than the one before. */
final readonly class MarkChange
{
    public function __construct(public MarkChangeKind $kind, public ?IssuedMark $before, public ?IssuedMark $after) {}

    public function name(): string
    {
        return $this->after->name ?? $this->before->name ?? '';
    }

    /** Whether it was in and is out, or the like. */
    public function isTurned(): bool
    {
        return $this->before !== null && $this->after !== null && $this->before->verdict !== $this->after->verdict;
    }

    /**
     * What changed from one report to the next, in the order of the later one; what is gone last.
     *
     * @param  list<IssuedMark>  $before
     * @param  list<IssuedMark>  $after
     * @return list<self>
     */
    public static function between(array $before, array $after): array
    {
        $left = [];
        foreach ($before as $mark) {
            $left[$mark->subject] = $mark;
        }
        $changes = [];
        foreach ($after as $mark) {
            $was = $left[$mark->subject] ?? null;
            unset($left[$mark->subject]);
            $kind = $was === null ? MarkChangeKind::New : $was->becomes($mark);
            if ($kind !== null) {
                $changes[] = new self($kind, $was, $mark);
            }
        }

        return [...$changes, ...array_map(static fn (IssuedMark $m): self => new self(MarkChangeKind::Gone, $m, null), array_values($left))];
    }
}
