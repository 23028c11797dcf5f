<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\LandXml;

use Parlay\Core\Formats\PointText\UnreadablePoints;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Name;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Points\RowFault;
use Parlay\Core\Units\LengthUnit;

/**
 * The CgPoints of a LandXML file, read as a stream. A point's text is northing, easting and, where it has one, elevation (LandXML 1.2
 * schema); the unit is the file's own.
 */
final class LandXmlPoints
{
    private const LARGEST_POINT = 10_000;

    /**
     * The unit the file declares, null where it declares none that is known.
     *
     * @param  resource  $stream
     */
    public static function unit($stream): ?LengthUnit
    {
        $reader = self::open($stream);
        while (self::read($reader)) {
            if ($reader->nodeType === \XMLReader::ELEMENT && in_array($reader->localName, ['Metric', 'Imperial'], true)) {
                return FileUnits::length((string) $reader->getAttribute('linearUnit'));
            }
            if ($reader->nodeType === \XMLReader::ELEMENT && $reader->localName === 'CgPoints') {
                return null;
            }
        }

        return null;
    }

    /**
     * @param  resource  $stream
     * @return \Generator<PointRow|RowFault>
     *
     * @throws UnreadablePoints
     */
    public static function rows($stream, LengthUnit $unit): \Generator
    {
        $reader = self::open($stream);
        $number = 0;
        while (self::read($reader)) {
            if ($reader->nodeType !== \XMLReader::ELEMENT || $reader->localName !== 'CgPoint' || $reader->getAttribute('pntRef') !== null) {
                continue;
            }
            $number++;
            // Taken before reading on: an element's attributes are gone after it.
            $name = (string) ($reader->getAttribute('name') ?? $reader->getAttribute('oID') ?? '');
            [$code, $description] = [(string) $reader->getAttribute('code'), (string) $reader->getAttribute('desc')];
            $line = (int) (@$reader->expand() ?: null)?->getLineNo();
            yield self::row(
                $line > 0 ? $line : $number, $name, $code, $description,
                mb_substr((string) @$reader->readString(), 0, self::LARGEST_POINT), $unit,
            );
        }
    }

    private static function row(
        int $line,
        string $name,
        string $code,
        string $description,
        string $text,
        LengthUnit $unit,
    ): PointRow|RowFault {
        $fault = Name::fault($name);
        if ($fault !== null) {
            return new RowFault($line, null, $fault);
        }
        $parts = preg_split('~\s+~', trim($text)) ?: [];
        if (count($parts) < 2 || count($parts) > 3) {
            return new RowFault(
                $line, null, sprintf('“%s” are not a northing, an easting and an elevation', mb_substr(trim($text), 0, 60)),
            );
        }
        $metres = [];
        foreach ($parts as $part) {
            if (! is_numeric($part) || ! is_finite((float) $part) || abs((float) $part * $unit->metres()) > 1e8) {
                return new RowFault($line, null, sprintf('“%s” is not a coordinate', mb_substr($part, 0, 40)));
            }
            $metres[] = (float) $part * $unit->metres();
        }

        return new PointRow(
            $line, $name, new Position($metres[0], $metres[1], $metres[2] ?? null), mb_substr($code, 0, Name::LONGEST),
            mb_substr($description, 0, 1000), $parts[0], $parts[1],
        );
    }

    /** @param  resource  $stream */
    private static function open($stream): \XMLReader
    {
        self::refuseDefinitions($stream);
        $path = stream_get_meta_data($stream)['uri'] ?? '';
        libxml_use_internal_errors(true);
        libxml_clear_errors();
        // No network, no external definitions, and entities stay unexpanded: a file can't make Parlay fetch or grow anything.
        $reader = \XMLReader::open($path, null, LIBXML_NONET | LIBXML_COMPACT);

        return $reader instanceof \XMLReader ? $reader : throw UnreadablePoints::notText('a file that can’t be opened');
    }

    /**
     * A file may define names of its own and use one thousands of times: 160 kB that become gigabytes. No list of points needs any, so
     * such a file is refused before a parser sees it. What stands before the first element is looked at, whatever its encoding.
     *
     * @param  resource  $stream
     */
    private static function refuseDefinitions($stream): void
    {
        if (XmlText::neverBegins($stream)) {
            throw UnreadablePoints::notText('a file with more before its first element than any LandXML has');
        }
        $line = XmlText::definesNamesAt($stream);
        if ($line !== null) {
            throw UnreadablePoints::definesNames($line);
        }
    }

    private static function read(\XMLReader $reader): bool
    {
        if (@$reader->read()) {
            // In an encoding of its own it was not seen beforehand; nothing of it has been used yet.
            if ($reader->nodeType === \XMLReader::DOC_TYPE) {
                throw UnreadablePoints::definesNames((int) (@$reader->expand() ?: null)?->getLineNo());
            }

            return true;
        }
        $errors = array_filter(libxml_get_errors(), static fn (\LibXMLError $e) => $e->level >= LIBXML_ERR_ERROR);
        libxml_clear_errors();
        if ($errors !== []) {
            $first = array_values($errors)[0];
            throw UnreadablePoints::brokenXml($first->line, trim($first->message));
        }

        return false;
    }
}
