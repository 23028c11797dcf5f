<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Setups;

use Parlay\Core\Setups\CheckDue;
use PHPUnit\Framework\TestCase;

final class CheckDueTest extends TestCase
{
    public function test_a_check_is_due_before_the_first_mark_after_a_knock_and_after_a_break(): void
    {
        foreach ([
            [false, false, 0.0, CheckDue::NotChecked], [false, true, 9999.0, CheckDue::NotChecked], [true, true, 9999.0, CheckDue::OffLevel],
            [true, false, 1800.0, null], [true, false, 1800.5, CheckDue::Idle], [true, false, 0.0, null],
        ] as [$checked, $offLevel, $idle, $due]) {
            self::assertSame($due, CheckDue::when($checked, $offLevel, $idle));
        }
    }

    /** From the mark that proves most to the one that proves least. */
    public function test_a_mark_proves_most_that_the_setup_did_not_use_and_that_was_not_just_checked(): void
    {
        $ranks = [];
        foreach ([false, true] as $station) {
            foreach ([false, true] as $used) {
                foreach ([false, true] as $justChecked) {
                    $ranks[] = CheckDue::rank($station, $used, $justChecked);
                }
            }
        }
        self::assertSame(range(0, 7), $ranks);
    }
}
