<?php

declare(strict_types=1);

/**
 * Measures what docs/speed.md promises and prints a table: bench [day|stake|civil|models|designs|doctor|points|why|setups|trust|report ...], all parts where none
 * is named.
 */
require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/bench/MixedDrawing.php';
require __DIR__.'/bench/OnScreen.php';

/** @param  list<float>  $values */
function part(array $values, float $part): float
{
    sort($values);

    return $values[(int) min(count($values) - 1, floor($part * count($values)))];
}

$parts = array_slice($argv, 1) ?: ['day', 'stake', 'civil', 'models', 'designs', 'doctor', 'points', 'why', 'setups', 'trust', 'report'];
$rows = [];
foreach ($parts as $name) {
    if (! in_array($name, ['day', 'stake', 'civil', 'models', 'designs', 'doctor', 'points', 'why', 'setups', 'trust', 'report'], true)) {
        fwrite(STDERR, "There is no part “{$name}”. Parts are: day, stake, civil, models, designs, doctor, points, why, setups, trust, report.\n");
        exit(1);
    }
    // Each part has names of its own.
    array_push($rows, ...(static fn (): array => require __DIR__."/bench/$name.php")());
}
printf("\n%-62s %-14s %-36s %s\n", 'what', 'measured', 'beside', 'goal');
foreach ($rows as $row) {
    printf("%-62s %-14s %-36s %s\n", ...$row);
}
