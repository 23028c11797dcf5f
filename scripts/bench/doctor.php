<?php

declare(strict_types=1);

use Parlay\Core\Points\Findings\ListCheck;
use Parlay\Core\Points\Findings\Surroundings;
use Parlay\Core\Tests\Points\Findings\ListCheckTest;
use Parlay\Core\Tests\Points\Findings\Lists;
use Parlay\Core\Units\LengthUnit;

/** The doctor on a thousand seeded lists of each kind: what is named of what was planted, and what is said of clean lists. */
$rows = [];
foreach (['in an empty project' => null, 'beside a site' => 0, 'with common names' => 4] as $where => $common) {
    $false = 0;
    for ($seed = 1; $seed <= 1000; $seed++) {
        $list = Lists::clean($seed);
        $false += ListCheck::examine(
            $list, LengthUnit::Metre, '.', $common === null ? new Surroundings : Lists::around($list, $common),
        )->findings === [] ? 0 : 1;
    }
    $rows[] = ["clean lists that the doctor suspects, $where", sprintf('%.1f of 100', $false / 10), '1,000 lists', '2 of 100'];
}
foreach (ListCheckTest::faults() as $fault => [$kind, $plant]) {
    [$named, $told] = ListCheckTest::measured($kind, $plant);
    $rows[] = ["planted and named: $fault", sprintf('%.1f of 100', 100 * $named / $told), number_format($told).' lists', '95 of 100'];
}

return $rows;
