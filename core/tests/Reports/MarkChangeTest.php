<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Reports;

use Parlay\Core\Reports\IssuedMark;
use Parlay\Core\Reports\MarkChange;
use Parlay\Core\Reports\MarkChangeKind;
use PHPUnit\Framework\TestCase;

final class MarkChangeTest extends TestCase
{
    /** @param  array<string, mixed>  $other */
    private static function mark(array $other = []): IssuedMark
    {
        return new IssuedMark(...$other + [
            'subject' => 'stake 7', 'mark' => 11, 'first' => 11, 'name' => 'A1', 'code' => 'BOLT', 'kind' => 'stake', 'at' => '2026-12-02T08:00:00Z', 'setup' => 1,
            'found' => [10.0, 20.0, 3.0], 'design' => [10.0, 20.001, 3.0], 'plan' => 0.001, 'height' => 0.0, 'planUncertain' => 0.004, 'heightUncertain' => 0.002, 'verdict' => 'in',
        ]);
    }

    public function test_what_became_of_a_mark_is_told_by_its_weightiest_change(): void
    {
        $cases = [
            [null, []], [null, ['at' => 'later', 'planUncertain' => 0.005]], [null, ['found' => [10.0000005, 20.0, 3.0]]],
            [MarkChangeKind::Corrected, ['mark' => 12, 'found' => [10.00001, 20.0, 3.0]]],
            [MarkChangeKind::Corrected, ['mark' => 12, 'found' => [10.0, 20.0, null]]],
            [MarkChangeKind::Corrected, ['design' => []]],
            [MarkChangeKind::Corrected, ['design' => [10.0, 20.002, 3.0], 'verdict' => 'out']],
            [MarkChangeKind::MarkedAgain, ['mark' => 12, 'first' => 12, 'verdict' => 'out', 'name' => 'B']],
            [MarkChangeKind::JudgedOtherwise, ['verdict' => 'close', 'name' => 'B']],
            [MarkChangeKind::Renamed, ['name' => 'B']], [MarkChangeKind::Renamed, ['code' => '']],
        ];
        foreach ($cases as $i => [$kind, $other]) {
            self::assertSame($kind, self::mark()->becomes(self::mark($other)), "case $i");
        }
    }

    public function test_reports_are_compared_by_what_each_mark_was_made_for(): void
    {
        $before = [self::mark(), self::mark(['subject' => 'stake 8', 'name' => 'A2']), self::mark(['subject' => 'mark 3', 'name' => 'loose', 'design' => []])];
        $after = [
            self::mark(['subject' => 'stake 9', 'name' => 'A3']), self::mark(['mark' => 20, 'first' => 20, 'verdict' => 'out']), self::mark(['subject' => 'stake 8', 'name' => 'A2']),
        ];
        $changes = MarkChange::between($before, $after);
        self::assertSame(
            [['A3', MarkChangeKind::New, false], ['A1', MarkChangeKind::MarkedAgain, true], ['loose', MarkChangeKind::Gone, false]],
            array_map(static fn (MarkChange $c): array => [$c->name(), $c->kind, $c->isTurned()], $changes),
        );
        self::assertSame([], MarkChange::between($before, $before));
        self::assertCount(3, MarkChange::between([], $before));
        self::assertSame([], MarkChange::between([], []));
    }
}
