<?php

declare(strict_types=1);

use Parlay\Core\Tests\Setups\Blunders\BlunderDetectionTest;
use Parlay\Core\Tests\Setups\Blunders\Setups;

/** Seeded setups with a planted blunder, a hundred and fifty of each kind, and clean ones: level, steep, in both faces and in one. */
$rows = [];
$all = [0, 0, 0];
$each = 150;
$blunders = [...Setups::BLUNDERS, ...Setups::ONE_FACE, ...Setups::KNOWN];
$begun = microtime(true);
foreach ($blunders as $blunder) {
    $measured = BlunderDetectionTest::measured($blunder, $each);
    // Of those whose setup fails its own test: control that is a little less exact, or a collimation among level sights, passes it now
    // and then.
    $rows[] = ["planted: $blunder", sprintf('%.1f of 100 found', 100 * $measured[0] / $each), sprintf(
        'right sight %.1f, right cause first %.1f', 100 * $measured[1] / max(1, $measured[0]),
        100 * $measured[2] / max(1, $measured[0]),
    ), $blunder === 'two wrong' ? 'cause 80 of 100' : 'cause 90 of 100'];
    $all = array_map(static fn (int $a, int $b) => $a + $b, $all, $measured);
}
$count = $each * count($blunders);
$time = (microtime(true) - $begun) / $count;
$rows[] = ['all of them found', sprintf('%.1f of 100', 100 * $all[0] / $count), number_format($count).' setups', '97 of 100'];
$rows[] = ['  the right sight', sprintf('%.1f of 100', 100 * $all[1] / $all[0]), 'of those found', '97 of 100'];
$rows[] = ['  the right cause first', sprintf('%.1f of 100', 100 * $all[2] / $all[0]), 'of those found', '90 of 100'];
$rows[] = ['an explanation', sprintf('%.0f ms', 1000 * $time), 'the setup made with it', '150 ms'];
foreach ([0, 30, 60] as $steep) {
    foreach (['two faces', 'one face'] as $faces) {
        $false = 0;
        for ($seed = 1; $seed <= 2000; $seed++) {
            $false += BlunderDetectionTest::explained(new Setups($seed, null, deg2rad($steep), $faces === 'one face')) === null ? 0 : 1;
        }
        $rows[] = [
            "clean setups suspected, $faces", sprintf('%.1f of 100', $false / 20),
            $steep === 0 ? 'level sights' : "sights up to {$steep}°", '3 of 100',
        ];
    }
}
foreach ([3, 4] as $sights) {
    $few = [0, 0, 0];
    foreach (['digit', 'control moved', 'pole not plumb', 'target height', 'prism constant'] as $blunder) {
        $few = array_map(static fn (int $a, int $b) => $a + $b, $few, BlunderDetectionTest::measured($blunder, 60, $sights));
    }
    $rows[] = [
        "with $sights sights only", sprintf('%.1f of 100', $few[0] / 3),
        sprintf('right sight %.1f, right cause %.1f', 100 * $few[1] / max(1, $few[0]), $few[2] / 3), '',
    ];
}

return $rows;
