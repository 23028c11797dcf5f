<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points\Findings;

use Parlay\Core\Points\Findings\Mend;
use Parlay\Core\Units\LengthUnit;
use PHPUnit\Framework\TestCase;

/** A mend says one thing that is done to a list, and nothing else. */
final class MendTest extends TestCase
{
    public function test_each_mends_one_thing(): void
    {
        $said = static fn (Mend $m): array => [$m->exchange, $m->unit, $m->noElevations, $m->places];
        self::assertSame([true, null, false, []], $said(Mend::exchangeColumns()));
        self::assertSame([false, LengthUnit::Foot, false, []], $said(Mend::readIn(LengthUnit::Foot)));
        self::assertSame([false, null, true, []], $said(Mend::dropElevations()));
        self::assertSame([false, null, false, [['row' => 3, 'northing' => 1.5, 'easting' => -2.0]]], $said(Mend::place(3, 1.5, -2.0)));
    }
}
