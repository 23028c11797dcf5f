<?php

declare(strict_types=1);

/** Makes the pictures in docs/screenshots/ anew, from the demo data on a running Parlay of its own. */

use Tests\Browser\Chrome;
use Tests\Browser\Screen;
use Tests\Running;

require __DIR__.'/../vendor/autoload.php';

$folder = __DIR__.'/../docs/screenshots';
$files = __DIR__.'/../database/demo/files';
$parlay = new Running('demo');
$saltmarsh = $parlay->ask('GET', '/projects')[0]['id'];
$larkfield = $parlay->ask('GET', '/projects')[1]['id'];
$parlay->ask('POST', '/practice', ['do' => 'haste', 'factor' => 10]);
$points = array_column($parlay->ask('GET', "/projects/$saltmarsh/points"), null, 'name');
$nearPoint = static function (string $name, float $north, float $east) use ($parlay, $saltmarsh, $points): void {
    $p = $points[$name];
    $parlay->ask(
        'POST', "/projects/$saltmarsh/instrument/turn", ['key' => "shot-{$p['id']}-".random_int(1, 1_000_000), 'pointId' => $p['id']],
    );
    $parlay->ask('POST', '/practice', [
        'do' => 'walk', 'northing' => $p['northing'] + $north, 'easting' => $p['easting'] + $east,
        'elevation' => $p['elevation'] + 0.006, 'atOnce' => true,
    ]);
    sleep(2);
};
$take = static function (Screen $screen, string $name) use ($folder): void {
    usleep(1_200_000);
    $screen->driver->takeScreenshot("$folder/$name.png");
    echo "· $name.png\n";
};

$desk = new Screen(new Chrome(1280, 800), $parlay->url);
$take($desk->open("/p/$saltmarsh/prepare?do=points")
    ->see('Search 106 points')
    ->press('Make points by touch')
    ->boxAround(78636, 41257, 9)
    ->touchPlan($points['A2.3']['northing'], $points['A2.3']['easting'])
    ->see('layer ANCHORS'), 'prepare-points');
$take($desk->open("/p/$saltmarsh/prepare?do=designs")->see('Layers: 10 of 10'), 'prepare-designs');
$take($desk->open("/p/$saltmarsh/prepare?do=compute")->press('Grid lines')->press('Find the lines')->see('Keep 10 lines'), 'grid-lines');
$desk->press('Keep 10 lines')->fill('Before the names', 'K')->press('Make 24 points')->see('24 points are made');
$desk->open("/p/$saltmarsh/prepare?do=points")
    ->press('Choose several')
    ->fill('Search 130 points', 'KA')
    ->press('All 6 listed')
    ->press('Rename')
    ->choose('How', 'a new name with a number')
    ->fill('Before', 'Axis A, ')
    ->see('Axis A, 06');
$desk->press('Cancel')
    ->press('Worklist')
    ->fill('Its name', 'Axis A')
    ->press('Put 6 on it')
    ->see('6 chosen')
    ->press('Worklists')
    ->press('Axis A0 done, 6 left')
    ->fill('Walk from (empty: the first)', 'CP2')
    ->press('A short walk')
    ->see('to walk');
$desk->open("/p/$saltmarsh/prepare?do=sketch")->fill('Start', 'G3')->fill('Direction', '20')->fill('Length', '8')->press('Add this leg');
$desk->see('length of all legs')
    ->press('90° right')
    ->fill('Length', '6')
    ->press('Add this leg')
    ->see('14.000 m')
    ->press('90° right')
    ->fill('Length', '7.98')
    ->press('Add this leg')
    ->see('21.980 m')
    ->press('90° right')
    ->fill('Length', '6.01')
    ->press('Add this leg')
    ->see('27.990 m');
$desk->choose('It ends', 'at its start: say')->see('misclosure');
foreach (range(1, 4) as $step) {
    $parlay->ask('POST', "/projects/$saltmarsh/undo");
}
$desk->open("/p/$saltmarsh/prepare?do=designs")->see('Layers: 10 of 10');
$take($desk->give(Screen::DESIGN_FILE, "$files/substation.dxf")->see('Does it fit'), 'drawing-before-it-is-taken');
$desk->press('Place it so')->press('Take 4 layers')->see('substation.dxf');
$desk->give('New revision of substation (DXF, IFC, or shapefiles in a zip)', "$files/substation-rev-b.dxf")
    ->see('Does it fit')
    ->press('Place it so')
    ->fill('Revision', 'B')
    ->press('Take 4 layers')
    ->see('at most by');
$take($desk->boxAround(78618, 41288, 12), 'drawing-revision');
$parlay->ask('POST', "/projects/$saltmarsh/undo");
$parlay->ask('POST', "/projects/$saltmarsh/undo");
$desk->open("/p/$saltmarsh/prepare?do=designs")->give(Screen::DESIGN_FILE, "$files/saltmarsh-yard-hall.ifc")->press('Take 13 layers');
$take($desk->press('In space')->see('Touch a thing')->settle()->touchMiddleOf('canvas'), 'model-in-space');
$parlay->ask('POST', "/projects/$saltmarsh/undo");
$take($desk->open("/p/$larkfield/control")
    ->give('Choose or drop a control file (CSV, text, LandXML, GeoJSON)', "$files/saltmarsh-yard-control.csv")
    ->see('As it is read'), 'control-as-it-is-read');
// Each site has a stand-in of its own; it is gone to by whoever opens the project.
$desk->open("/p/$saltmarsh/stake")->see('left, ');
$nearPoint('B4.4', 0.09, 0.4);
$take($desk->open("/p/$saltmarsh/stake?target={$points['B4.4']['id']}")->see('toward instrument'), 'stake-approach');
$take($desk->open("/p/$saltmarsh/as-built")->pressStarting('Field book')->see('AS-BUILT'), 'as-built-field-book');
$take($desk->open("/p/$saltmarsh/hand-over")->see('against design'), 'hand-over');

// Along the access road, with its profile under the plan.
$road = $parlay->ask('GET', "/projects/$saltmarsh/alignments")[0];
$aim = $parlay->ask('POST', "/projects/$saltmarsh/aims", ['key' => 'shot-road', 'civil' => ['alignmentId' => $road['id']]]);
$at = $parlay->ask('POST', "/projects/$saltmarsh/alignments/{$road['id']}/compute-points", [
    'interval' => 0, 'main' => false, 'offsets' => [], 'rows' => "2+045\t0.04", 'positiveRight' => true, 'heights' => 'road', 'profile' => 0, 'shape' => 0,
])[0];
$parlay->ask('POST', '/practice', ['do' => 'walk', 'northing' => $at['northing'], 'easting' => $at['easting'], 'elevation' => $at['elevation'] + 0.034, 'atOnce' => true]);
$parlay->ask('POST', "/projects/$saltmarsh/instrument/search", ['key' => 'shot-search-line']);
$parlay->ask('POST', "/projects/$saltmarsh/instrument/track", ['key' => 'shot-track-line']);
$take($desk->open("/p/$saltmarsh/stake?target-touched={$aim['id']}")->press('Along and across')->see('region 2')->see('cut'), 'stake-along-a-road');

// The ground before against a phase of the yard.
$desk->driver->executeScript("sessionStorage.setItem('ground $saltmarsh', JSON.stringify({ triangles: true, bands: 'cut_fill', arrows: false, contours: 0.1, there: null }))");
$take($desk->open("/p/$saltmarsh/prepare?do=designs")->see('Ground before against it'), 'ground-cut-and-fill');
$desk->driver->executeScript("sessionStorage.removeItem('ground $saltmarsh')");

// A run over the anchors of row C, by itself.
$row = array_values(array_filter($points, static fn (array $p) => str_starts_with($p['name'], 'C')));
$parlay->ask('POST', "/projects/$saltmarsh/runs", [
    'key' => 'shot-run-row-c', 'leader' => 'shots', 'pointIds' => array_column($row, 'id'),
    'settings' => ['mode' => 'dot', 'markSeconds' => 1.0, 'wait' => 1.0],
]);
Running::until(static fn () => $parlay->ask('GET', "/projects/$saltmarsh/runs")[0]['place'] > 6, 40);
$take($desk->open("/p/$saltmarsh/stake")->see('The dot lies'), 'stake-run');
Running::until(static fn () => $parlay->ask('GET', "/projects/$saltmarsh/runs")[0]['state'] !== 'running', 60);
$parlay->ask('PATCH', "/projects/$saltmarsh/setup", ['dot' => false]);

$tablet = new Screen(new Chrome(800, 1280), $parlay->url);
$nearPoint('B4.4', 0.001, -0.002);
$parlay->ask('POST', '/practice', ['do' => 'nudge', 'up' => -0.005]);
$tablet->open("/p/$saltmarsh/stake?target={$points['B4.4']['id']}")->press('Sun theme');
$take($tablet->see('in tolerance'), 'stake-in-tolerance-sun');

$parlay->ask('POST', "/projects/$saltmarsh/instrument/cancel", ['key' => 'shot-cancel-1']);
$parlay->ask('PATCH', "/projects/$saltmarsh/setup", ['method' => 'resection', 'instrumentHeight' => $parlay->ask('GET', '/practice')['tripod']['height'], 'targetHeight' => 2.0]);
foreach (['CP1', 'CP2', 'CP3'] as $mark) {
    $parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => $mark, 'atOnce' => true]);
    if ($mark === 'CP1') {
        $desk->open("/p/$saltmarsh/set-up")->press('Set up anew');
    }
    $desk->choose('Next sight', $mark)->press("Measure $mark");
    Running::until(
        static fn () => in_array($mark, array_column($parlay->ask('GET', "/projects/$saltmarsh/setup")['draft']['sights'], 'name'), true),
        10,
    );
}
$desk->see('What would be accepted');
$take($desk, 'set-up-resection');
// CP4 is named while the pole stands on CP6.
$parlay->ask('POST', '/practice', ['do' => 'walk', 'mark' => 'CP6', 'atOnce' => true]);
$desk->choose('Next sight', 'CP4')->press('Measure CP4')->see('was sighted');
$take($desk, 'set-up-why');

$take($desk->open("/p/$saltmarsh/set-up")
    ->press('Where to stand next')
    ->press('Look for good places')
    ->see('200 × 200 places')
    ->press('Stand at the best place')
    ->see('Best sighted'), 'where-to-stand');
$foot = $parlay->ask('GET', '/practice')['tripod'];
$lines = [];
foreach ([['South wall', 0, 0, 0, 49], ['West wall', 0, 0, 54, 0]] as [$name, $n1, $e1, $n2, $e2]) {
    [$n, $e] = [$foot['northing'] - 14, $foot['easting'] - 9];
    $lines[] = ['name' => $name, 'northing1' => $n + $n1, 'easting1' => $e + $e1, 'northing2' => $n + $n2, 'easting2' => $e + $e2];
}
$shots = [];
foreach ([['South wall', -14, 5], ['South wall', -14, 30], ['West wall', 3, -9], ['West wall', 35, -9]] as $i => [$line, $n, $e]) {
    $parlay->ask('POST', '/practice', [
        'do' => 'walk', 'northing' => $foot['northing'] + $n, 'easting' => $foot['easting'] + $e, 'elevation' => $foot['elevation'],
        'atOnce' => true,
    ]);
    $parlay->ask('POST', "/projects/$saltmarsh/instrument/search", ['key' => "shot-search-$i"]);
    usleep(800_000);
    $asked = $parlay->ask(
        'POST', "/projects/$saltmarsh/instrument/measure", ['key' => "shot-measure-$i", 'purpose' => 'setup', 'sighted' => $line],
    )['id'];
    Running::until(
        static fn () => ! in_array($parlay->ask('GET', "/projects/$saltmarsh/instructions/$asked")['state'], ['queued', 'sent'], true),
        10,
    );
    $shots[] = ['line' => $line, 'observationId' => $parlay->ask('GET', "/projects/$saltmarsh/instructions/$asked")['observationId']];
}
$parlay->ask('PATCH', "/projects/$saltmarsh/setup", ['method' => 'grid_lines', 'sights' => [], 'lines' => $lines, 'shots' => $shots]);
$desk->open("/p/$saltmarsh/set-up")->press('Set up anew')->see('Two places fit');
$desk->driver->executeScript('document.querySelector("[aria-label=\'Two places fit\']").scrollIntoView({block: "center"})');
$take($desk, 'set-up-grid-lines');

$task = $parlay->ask('POST', "/projects/$saltmarsh/reports", ['author' => 'I. Inventor'])['id'];
Running::until(static fn () => $parlay->ask('GET', "/projects/$saltmarsh/tasks/$task")['state'] === 'done', 30);
$pdf = tempnam(sys_get_temp_dir(), 'report');
file_put_contents($pdf, (string) file_get_contents("{$parlay->url}/api/v1/projects/$saltmarsh/reports/$task.pdf"));
exec('pdftoppm -r 70 -f 1 -l 1 -png -singlefile '.escapeshellarg($pdf).' '.escapeshellarg("$folder/report"));
unlink($pdf);
echo "· report.png\n";
