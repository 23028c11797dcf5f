<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Stakeout;

use Parlay\Core\Stakeout\PointState;
use Parlay\Core\Stakeout\Verdict;
use PHPUnit\Framework\TestCase;

final class PointStateTest extends TestCase
{
    public function test_what_is_out_is_to_be_done_again_unless_it_was_left_so(): void
    {
        self::assertSame(PointState::Redo, PointState::after(Verdict::Out, false));
        foreach ([[Verdict::Out, true], [Verdict::In, false], [Verdict::In, true], [Verdict::Undecided, false]] as [$verdict, $leftSo]) {
            self::assertSame(PointState::Done, PointState::after($verdict, $leftSo));
        }
    }
}
