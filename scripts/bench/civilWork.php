<?php

declare(strict_types=1);

/** One piece of work on alignments and surfaces, with the compiler on, as the worker does it: civilWork.php WHAT FOLDER. Prints what it took. */

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\Corner;
use Parlay\Core\Civil\Alignments\CornersRounded;
use Parlay\Core\Civil\Models\SurfaceRead;
use Parlay\Core\Civil\Surfaces\Breakline;
use Parlay\Core\Civil\Surfaces\Delaunay;
use Parlay\Core\Civil\Surfaces\Heights;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;
use Parlay\Core\Civil\Surfaces\SurfaceMaking;
use Parlay\Core\Civil\Volumes\Overlay;
use Parlay\Core\Formats\LandXml\ModelOptions;
use Parlay\Core\Formats\LandXml\ModelReader;
use Parlay\Core\Geometry\Position;

require __DIR__.'/../../vendor/autoload.php';

[, $what, $folder] = $argv;

/** @return array{list<float>, list<float>} */
function scattered(string $file): array
{
    $values = unpack('e*', (string) file_get_contents($file)) ?: [];
    $n = $e = [];
    for ($i = 1; $i < count($values); $i += 2) {
        [$n[], $e[]] = [$values[$i], $values[$i + 1]];
    }

    return [$n, $e];
}

function seconds(callable $work): float
{
    $t = hrtime(true);
    $work();

    return (hrtime(true) - $t) / 1e9;
}

echo json_encode(match ($what) {
    'read' => (static function () use ($folder): array {
        $database = new PDO("sqlite:$folder/read.sqlite");
        $database->exec('PRAGMA journal_mode = WAL; DROP TABLE IF EXISTS tiles; CREATE TABLE tiles (id INTEGER PRIMARY KEY, bytes BLOB)');
        $took = seconds(static function () use ($folder, $database): void {
            $database->beginTransaction();
            ModelReader::read(fopen("$folder/faces.xml", 'rb'), new ModelOptions, static function (SurfaceRead $s) use ($database): void {
                $insert = $database->prepare('INSERT INTO tiles (bytes) VALUES (?)');
                foreach (PackedSurface::of($s->surface)->tilesToKeep() as $tile) {
                    $insert->bindValue(1, $tile, PDO::PARAM_LOB);
                    $insert->execute();
                }
            });
            $database->commit();
        });

        return [$took, memory_get_peak_usage() / 1e6];
    })(),
    'delaunay' => (static function () use ($folder): array {
        [$n, $e] = scattered("$folder/points.bin");

        return array_map(static fn () => seconds(static fn () => Delaunay::of($n, $e)), range(1, 3));
    })(),
    'breaklines' => (static function () use ($folder): array {
        [$n, $e] = scattered("$folder/points.bin");
        $points = array_map(static fn (float $a, float $b) => new Position($a, $b, 0.0), $n, $e);
        $lines = [];
        for ($k = 1; $k < 20; $k++) {
            $lines[] = new Breakline(array_map(static fn (int $i) => new Position(50.0 * $k + 10 * sin($i / 8), 10.0 * $i + 0.123, 1.0), range(0, 99)));
        }

        return array_map(static fn () => seconds(static fn () => SurfaceMaking::of($points, $lines)), range(1, 2));
    })(),
    'heights' => (static function () use ($folder): array {
        [$n, $e] = scattered("$folder/points.bin");
        $heights = new Heights(new SurfaceIndex(new Surface($n, $e, array_map(static fn (float $x) => sin($x / 50), $n), Delaunay::of($n, $e)->corner)));
        [$qn, $qe] = scattered("$folder/asked.bin");

        return array_map(static fn () => seconds(static fn () => $heights->of($qn, $qe)), range(1, 4));
    })(),
    'volume' => (static function (): array {
        mt_srand(5);
        $rough = static function (float $height): Surface {
            $n = $e = $z = [];
            for ($i = 0; $i < 50_100; $i++) {
                [$n[], $e[]] = [1000.0 * mt_rand() / mt_getrandmax(), 1000.0 * mt_rand() / mt_getrandmax()];
                $z[] = $height * sin($n[$i] / 50);
            }

            return new Surface($n, $e, $z, Delaunay::of($n, $e)->corner);
        };
        [$a, $b] = [$rough(1.0), $rough(2.0)];

        return [$a->count(), ...array_map(static fn () => seconds(static fn () => Overlay::between($a, $b)), range(1, 2))];
    })(),
    'stations' => (static function (): array {
        $corners = [new Corner(0, 0)];
        for ($i = 1; $i < 126; $i++) {
            $corners[] = new Corner($i * 150, ($i % 2) * 60, 100, 20, 20);
        }
        $road = new Alignment(CornersRounded::elements([...$corners, new Corner(126 * 150, 0)]));
        mt_srand(3);
        $asked = array_map(static fn () => new Position(19_000.0 * mt_rand() / mt_getrandmax(), 100.0 * mt_rand() / mt_getrandmax() - 20), range(1, 20_000));
        $took = static fn () => seconds(static function () use ($road, $asked): void {
            foreach ($asked as $p) {
                $road->foot($p);
            }
        });

        return [count($road->elements), $took() / 20_000, $took() / 20_000];
    })(),
    default => throw new DomainException("There is no work called $what."),
});
