<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Points;

use Parlay\Core\Formats\PointFile;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\NearestNext;
use PHPUnit\Framework\TestCase;

final class OrderTest extends TestCase
{
    /** The raster against a search of all that are left: clouds, a line, two clumps far apart, many on one place. */
    public function test_the_nearest_next_is_that_of_looking_at_all(): void
    {
        mt_srand(81);
        $cloud = static fn (int $n, float $width, float $height): array => array_map(
            static fn () => new Position(5e6 + $height * mt_rand(0, 100_000) / 1e5, 3e6 + $width * mt_rand(0, 100_000) / 1e5),
            range(1, $n),
        );
        $clumps = [
            ...$cloud(40, 1.0, 1.0),
            ...array_map(static fn (Position $p) => new Position($p->northing + 5000.0, $p->easting), $cloud(40, 1.0, 1.0)),
        ];
        foreach ([
            $cloud(150, 60.0, 40.0), $cloud(80, 500.0, 0.0), $cloud(80, 0.0, 3.0), $clumps, $cloud(1, 1.0, 1.0), $cloud(2, 1.0, 1.0),
        ] as $places) {
            $first = intdiv(count($places), 3);
            $left = array_diff_key($places, [$first => 1]);
            $order = [$at = $first];
            while ($left !== []) {
                uasort($left, static fn (Position $a, Position $b) => $places[$at]->distanceTo($a) <=> $places[$at]->distanceTo($b));
                $order[] = $at = array_key_first($left);
                unset($left[$at]);
            }
            self::assertSame($order, NearestNext::of($places, $first));
        }
        self::assertSame([], NearestNext::of([], 0));
        $same = array_fill(0, 5, new Position(1.0, 2.0));
        self::assertEqualsCanonicalizing([0, 1, 2, 3, 4], NearestNext::of($same, 2));
    }

    public function test_the_kind_of_a_file_is_told_by_how_it_begins(): void
    {
        foreach ([
            '<?xml version="1.0"?><LandXML/>' => PointFile::LandXml, "\xEF\xBB\xBF\n <LandXML version='1.2'>" => PointFile::LandXml,
            '  {"type":"FeatureCollection"}' => PointFile::GeoJson, "P1,1,2\n" => PointFile::Text, '' => PointFile::Text,
        ] as $bytes => $kind) {
            $stream = fopen('php://temp', 'w+b') ?: self::fail();
            fwrite($stream, (string) $bytes);
            self::assertSame($kind, PointFile::kindOf($stream));
            self::assertSame(0, ftell($stream), 'the reader begins where the file does');
        }
        self::assertSame(['line', 'line', 'feature'], [PointFile::Text->place(), PointFile::LandXml->place(), PointFile::GeoJson->place()]);
    }
}
