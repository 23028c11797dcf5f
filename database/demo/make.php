<?php

declare(strict_types=1);

/** Writes the demo's files anew: php database/demo/make.php [FOLDER] */

use Parlay\Demo\HallModel;
use Parlay\Demo\LarkfieldCreamery;
use Parlay\Demo\SaltmarshModel;
use Parlay\Demo\SaltmarshYard;
use Parlay\Demo\Substation;

require __DIR__.'/../../vendor/autoload.php';

$folder = $argv[1] ?? __DIR__.'/files';
foreach (['saltmarsh-yard' => SaltmarshYard::class, 'larkfield-creamery' => LarkfieldCreamery::class] as $name => $site) {
    file_put_contents("$folder/$name-control.".($name === 'saltmarsh-yard' ? 'csv' : 'txt'), $site::control());
    file_put_contents("$folder/$name.dxf", $site::drawing());
}
file_put_contents("$folder/saltmarsh-yard-civil.xml", SaltmarshModel::file());
file_put_contents("$folder/saltmarsh-yard-hall.ifc", HallModel::file(false));
file_put_contents("$folder/saltmarsh-yard-hall-rev-b.ifc", HallModel::file(true));
file_put_contents("$folder/substation.dxf", Substation::drawing(false));
file_put_contents("$folder/substation-rev-b.dxf", Substation::drawing(true));
file_put_contents("$folder/substation-studs.csv", Substation::studs());
