<?php

declare(strict_types=1);

use Parlay\Core\Setups\Resection;
use Parlay\Core\Tests\Setups\Field;

/** Prints how many milliseconds a resection on ten sights takes with all its statistics: the median of nine runs. */
require __DIR__.'/../../vendor/autoload.php';

$field = new Field(3);
$sights = $field->sights(10);
$all = [];
for ($k = 0; $k < 10; $k++) {
    $begun = hrtime(true);
    for ($i = 0; $i < 300; $i++) {
        Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy);
    }
    $all[] = (hrtime(true) - $begun) / 1e6 / 300;
}
sort($all);
echo $all[4];
