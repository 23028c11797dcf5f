<?php

declare(strict_types=1);

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\Resection;
use Parlay\Core\Setups\Stand\Site;
use Parlay\Core\Setups\Stand\Walls;
use Parlay\Core\Tests\Reference;
use Parlay\Core\Tests\Setups\Field;
use Parlay\Simulator\Tests\Methods;

/** How long a resection takes beside numpy, whether ellipses hold what they say, and the map of places to stand. */
$rows = [];
$field = new Field(3);
$sights = $field->sights(10);
$time = static function (callable $do, int $times): float {
    $all = [];
    for ($k = 0; $k < 9; $k++) {
        $begun = hrtime(true);
        for ($i = 0; $i < $times; $i++) {
            $do();
        }
        $all[] = (hrtime(true) - $begun) / 1e6 / $times;
    }

    return part($all, 0.5);
};
$ours = $time(static fn () => Resection::solve($sights, Field::INSTRUMENT_HEIGHT, $field->accuracy), 200);
$numpy = Reference::python(<<<'PY'
    import numpy as np, time
    s, start = input['sights'], np.array(input['start'])
    def loop(x):
        for it in range(4):
            A, l = np.zeros((3 * len(s), 4)), np.zeros(3 * len(s))
            for i, q in enumerate(s):
                dn, de, dz = q['n'] - x[0], q['e'] - x[1], q['z'] - x[3]
                f = np.hypot(dn, de); t = np.sqrt(f * f + dz * dz)
                A[3*i] = [de / f**2, -dn / f**2, -1, 0]; A[3*i+1] = [-dn / t, -de / t, 0, -dz / t]; A[3*i+2] = [-dn * dz / (t*t*f), -de * dz / (t*t*f), 0, f / (t*t)]
                l[3*i] = (q['c'] + x[2] - np.arctan2(de, dn) + np.pi) % (2 * np.pi) - np.pi; l[3*i+1] = q['s'] - t; l[3*i+2] = q['v'] - np.arctan2(f, dz)
                A[3*i:3*i+3] /= np.array(q['d'])[:, None]; l[3*i:3*i+3] /= q['d']
            x = x + np.linalg.solve(A.T @ A, A.T @ l)
        return x
    def whole(x):
        n, e, z, c, d, v = (np.array([q[k] for q in s]) for k in ('n', 'e', 'z', 'c', 's', 'v'))
        w = 1 / np.array([q['d'] for q in s]).T.ravel(); k = len(s)
        for it in range(4):
            dn, de, dz = n - x[0], e - x[1], z - x[3]
            f = np.hypot(dn, de); t = np.sqrt(f * f + dz * dz)
            l = np.concatenate([(c + x[2] - np.arctan2(de, dn) + np.pi) % (2 * np.pi) - np.pi, d - t, v - np.arctan2(f, dz)]) * w
            A = np.zeros((3 * k, 4))
            A[:k, 0] = de / f**2; A[:k, 1] = -dn / f**2; A[:k, 2] = -1; A[k:2*k, 0] = -dn / t; A[k:2*k, 1] = -de / t; A[k:2*k, 3] = -dz / t
            A[2*k:, 0] = -dn * dz / (t*t*f); A[2*k:, 1] = -de * dz / (t*t*f); A[2*k:, 3] = f / (t*t)
            A *= w[:, None]
            x = x + np.linalg.solve(A.T @ A, A.T @ l)
        return x
    def median(f):
        f(start); all = []
        for k in range(9):
            b = time.perf_counter()
            for i in range(100): f(start)
            all.append((time.perf_counter() - b) * 10)
        return sorted(all)[4]
    print(json.dumps({'loop': median(loop), 'whole': median(whole), 'apart': float(np.hypot(*(loop(start) - np.array(input['start']))[:2]))}))
    PY, [
    'start' => [
        $field->station->northing + 0.05, $field->station->easting - 0.05, $field->orientation + 1e-4,
        $field->station->elevation + 1.61,
    ],
    'sights' => array_map(static fn (ControlSight $s) => [
        'n' => $s->control->northing, 'e' => $s->control->easting, 'z' => $s->control->elevation + 1.8,
        'c' => $s->sight->circle, 's' => hypot($s->sight->distance, $s->sight->rise),
        'v' => atan2($s->sight->distance, $s->sight->rise), 'd' => [2e-5, 2e-3, 2e-5],
    ], $sights),
]);
$rows[] = [
    'a resection on 10 sights with all statistics', sprintf('%.2f ms', $ours),
    sprintf('%.2f x numpy sight by sight (%.2f ms)', $ours / $numpy['loop'], $numpy['loop']), '0.3 x',
];
$compiled = (float) shell_exec(escapeshellarg(PHP_BINARY)
    .' -d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=64M '
    .escapeshellarg(__DIR__.'/resection.php'));
$rows[] = [
    '  with the compiler, as the worker runs', sprintf('%.2f ms', $compiled),
    sprintf('%.2f x numpy sight by sight', $compiled / $numpy['loop']), '0.3 x',
];
$rows[] = [
    '  beside numpy with whole arrays, the bare solve', sprintf('%.2f x', $ours / $numpy['whole']), sprintf('%.2f ms', $numpy['whole']),
    '',
];

$held = $passed = $count = 0;
for ($seed = 1; $seed <= 10_000; $seed++) {
    $field = new Field($seed, planDeviation: 0.001 * ($seed % 4));
    $solution = Resection::solve($field->sights(3 + $seed % 4), Field::INSTRUMENT_HEIGHT, $field->accuracy);
    $held += $solution->precision->ellipse()->holds(
        $field->station->northing - $solution->station->mark->northing, $field->station->easting - $solution->station->mark->easting,
    ) ? 1 : 0;
    $passed += $solution->passes ? 1 : 0;
    $count++;
}
$rows[] = [
    '95 % ellipses that hold the true place', sprintf('%.1f of 100', 100 * $held / $count),
    number_format($count).' setups of 3 to 6 sights', '94 to 96',
];
$rows[] = ['  clean ones that pass the global test', sprintf('%.1f of 100', 100 * $passed / $count), '', '98'];
foreach (Methods::ALL as $method) {
    $n = array_sum(array_map(static fn (int $seed) => Methods::holds($method, $seed) ? 1 : 0, range(1, 200)));
    $rows[] = ["against the stand-in: $method", sprintf('%.1f of 100', $n / 2), '200 runs', '92 to 98'];
}

$control = $work = $walls = [];
for ($i = 0; $i < 10; $i++) {
    $control["C$i"] = new Position($field->between(-100, 100), $field->between(-100, 100));
}
for ($i = 0; $i < 150; $i++) {
    $work[] = new Position($field->between(-60, 60), $field->between(-60, 60));
}
for ($i = 0; $i < 400; $i++) {
    [$n, $e, $a, $l] = [$field->between(-80, 80), $field->between(-80, 80), $field->between(0, 2 * M_PI), $field->between(0.5, 12)];
    $walls[] = [$n, $e, $n + $l * cos($a), $e + $l * sin($a)];
}
$site = new Site($control, [], $work, new Walls($walls), Accuracy::stated(2, 1, 1.5));
$rows[] = [
    'places to stand: coarse map, 40 x 40', sprintf('%.2f s', $time(static fn () => $site->map(-120, -120, 6, 40, 0, 40), 1) / 1000),
    '10 control, 150 points, 400 walls', '0.5 s',
];
$rows[] = [
    '  refined, 200 x 200', sprintf('%.1f s', $time(static fn () => $site->map(-120, -120, 1.2, 200, 0, 25), 1) * 8 / 1000),
    'in eight bands', '',
];

return $rows;
