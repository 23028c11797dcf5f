<?php

declare(strict_types=1);

use Parlay\Core\Tests\Setups\Trust;

/** How often what is stated is true, on many simulated days: the goals are those of docs/setups.md. */
$days = 4000;
$rows = [];
foreach (['two faces' => 1.0, 'one face' => M_SQRT2] as $faces => $angles) {
    foreach (Trust::METHODS as $method) {
        $rows[] = [
            "95 % figures hold: $method, $faces",
            sprintf('%.1f %%', Trust::share($days, static fn (int $seed) => Trust::holds($method, $angles, $seed))), "$days days",
            '94 to 96 %',
        ];
    }
    foreach (['level' => 0.0, '30° up' => M_PI / 6, '60° up' => M_PI / 3] as $words => $steep) {
        $rows[] = [
            "clean checks called wrong: $words, $faces",
            sprintf('%.2f %%', Trust::share($days, static fn (int $seed) => Trust::falseAlarm($angles, $steep, $seed))), "$days days",
            '0.5 to 1.6 %',
        ];
    }
}
foreach ([1, 8] as $shots) {
    $off = $stated = 0.0;
    for ($seed = 1; $seed <= $days; $seed++) {
        [$o, $s] = Trust::newControl($shots, $seed);
        $off += $o ** 2 / $days;
        $stated += $s ** 2 / $days;
    }
    $rows[] = [
        "new control of $shots shots from one setup: true deviation", sprintf('%.2f mm', 1000 * sqrt($off)),
        sprintf('%.2f mm stated', 1000 * sqrt($stated)), 'as stated, within 5 %',
    ];
}
$rows[] = [
    '2,000 staked shots, place and guidance: the worst', sprintf('%.4f mm', 1000 * max(array_map(Trust::staked(...), range(1, 2000)))),
    'light over a round earth, no noise', '0.01 mm',
];

return $rows;
