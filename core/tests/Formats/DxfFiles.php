<?php

declare(strict_types=1);

namespace Parlay\Core\Tests\Formats;

use Parlay\Core\Designs\Drawing;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Formats\Dxf\DxfReader;
use Parlay\Core\Formats\Dxf\ReadOptions;

/** Drawings written by hand, and what was read of them. */
trait DxfFiles
{
    private static function open(string $bytes, ReadOptions $options = new ReadOptions): Drawing
    {
        $stream = fopen('php://temp', 'w+b');
        fwrite($stream, $bytes);
        rewind($stream);

        return DxfReader::read($stream, $options);
    }

    private static function dxf(string $entities, string $blocks = ''): string
    {
        return "0\nSECTION\n2\nBLOCKS\n{$blocks}0\nENDSEC\n0\nSECTION\n2\nENTITIES\n{$entities}0\nENDSEC\n0\nEOF\n";
    }

    /** @return list<Shape> */
    private static function shapes(Drawing $drawing): array
    {
        return array_map(
            Shape::unpack(...), array_merge(...array_map(static fn ($l) => str_split($l->records(), Shape::BYTES), $drawing->layers)),
        );
    }
}
