<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Formats\SpreadsheetCell;
use PHPUnit\Framework\TestCase;

/** What is written as text for a spreadsheet, and read back. Which first characters run: OWASP, “CSV Injection”. */
final class SpreadsheetCellTest extends TestCase
{
    public function test_a_cell_that_would_run_stands_as_text_and_comes_back(): void
    {
        foreach (['=1+1', '+1', '-K', '@x', "\tx", "\rx"] as $runs) {
            self::assertSame("'$runs", SpreadsheetCell::write($runs));
            self::assertSame($runs, SpreadsheetCell::read("'$runs"));
        }
        foreach (['K', "K'", "'K", '1=1', '', 'Straße -'] as $plain) {
            self::assertSame($plain, SpreadsheetCell::write($plain));
            self::assertSame($plain, SpreadsheetCell::read($plain));
        }
    }
}
