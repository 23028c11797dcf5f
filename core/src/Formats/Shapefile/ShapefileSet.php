<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Shapefile;

use Parlay\Core\Formats\Dxf\UnreadableDrawing;
use Parlay\Core\Units\LengthUnit;

/** The shapefiles in a zip: of each the shapes, the attributes and what says how they are meant, read as streams and never unpacked. */
final class ShapefileSet
{
    private const MOST_FILES = 2000;

    /** bytes, unpacked */
    private const LARGEST = 2 << 30;

    private const SIDE_FILE = 20_000;

    /** @param  array<string, array<string, int>>  $members  by name without ending: index in the zip, by ending */
    private function __construct(
        private readonly \ZipArchive $zip,
        private readonly array $members,
    ) {}

    /**
     * @param  string  $path  of a zip
     *
     * @throws UnreadableDrawing
     */
    public static function open(string $path): self
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw UnreadableDrawing::because('The packed (zip) file can’t be opened: it was cut off on its way. Send it again.');
        }
        if ($zip->numFiles > self::MOST_FILES) {
            throw UnreadableDrawing::because('The packed (zip) file holds very many files. Pack the shapefiles of this site alone.');
        }
        $members = self::members($zip);
        if ($members === []) {
            throw UnreadableDrawing::because('The packed (zip) file holds no shapefile. Unpack it and choose the drawing (DXF) or the list in it.');
        }

        return new self($zip, $members);
    }

    /** Whether the name of a file in a zip would be that of a shapefile. */
    public static function isIn(string $path): bool
    {
        $zip = new \ZipArchive;

        return $zip->open($path, \ZipArchive::RDONLY) === true && $zip->numFiles <= self::MOST_FILES && self::members($zip) !== [];
    }

    /** @return array<string, array<string, int>> */
    private static function members(\ZipArchive $zip): array
    {
        $members = [];
        $size = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i, \ZipArchive::FL_ENC_RAW);
            if (preg_match('~^(?!__MACOSX/)(.+)\.(shp|dbf|prj|cpg)$~i', $name, $m) !== 1 || str_starts_with(basename($name), '.')) {
                continue;
            }
            $stat = $zip->statIndex($i);
            $size += $stat['size'] ?? 0;
            if (($stat['encryption_method'] ?? 0) !== 0) {
                throw UnreadableDrawing::because('The packed (zip) file has a password. Ask for it without one.');
            }
            $members[$m[1]][strtolower($m[2])] = $i;
        }
        if ($size > self::LARGEST) {
            throw UnreadableDrawing::because('The shapefiles unpack to more than 2 GB. Ask for this site alone.');
        }

        return array_filter($members, static fn (array $m): bool => isset($m['shp']));
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(strval(...), array_keys($this->members));
    }

    /** What a person calls it: the file's name alone. */
    public static function title(string $name): string
    {
        return mb_substr(mb_scrub(basename(str_replace('\\', '/', $name))), 0, 100);
    }

    public function hasAttributes(string $name): bool
    {
        return isset($this->members[$name]['dbf']);
    }

    /**
     * The unit of its coordinates, null where nothing says it.
     *
     * @throws UnreadableDrawing where they are degrees on the globe
     */
    public function unit(string $name): ?LengthUnit
    {
        $system = trim($this->text($name, 'prj'));
        if (preg_match('~^(GEOGCS|GEOGCRS|GEODCRS)\b~i', $system) === 1) {
            throw UnreadableDrawing::because(
                '“'.self::title($name).'” is in degrees on the globe. Ask for it in the coordinates of the site (projected).',
            );
        }
        if (preg_match_all('~\b(?:LENGTH)?UNIT\s*\[\s*"[^"]*"\s*,\s*([\d.eE+-]+)~i', $system, $m) < 1) {
            return null;
        }

        // The last is that of the plane; those before belong to the globe it was projected from.
        return LengthUnit::ofMetres((float) end($m[1]));
    }

    /**
     * @return \Generator<Record>
     *
     * @throws UnreadableDrawing
     */
    public function records(string $name): \Generator
    {
        $title = self::title($name);
        $rows = $this->hasAttributes($name) ? $this->rows($name) : null;
        foreach (ShapeRecords::of($this->stream($name, 'shp'), "$title.shp") as $number => [$parts, $line, $fault]) {
            if ($rows !== null && ! $rows->valid()) {
                throw self::unpaired($title);
            }
            $row = $rows === null ? [] : $rows->current();
            $rows?->next();
            yield new Record($number, $parts, $line, $row ?? [], $row === null ? 'a shape that is marked as deleted' : $fault);
        }
        if ($rows !== null && $rows->valid()) {
            throw self::unpaired($title);
        }
    }

    private static function unpaired(string $title): UnreadableDrawing
    {
        return UnreadableDrawing::because(
            "“{$title}” has another number of shapes than its table has rows: which belongs to which can’t be told. Ask for it again, all its files together.",
        );
    }

    /** @return \Generator<int, array<string, string>|null> */
    public function rows(string $name): \Generator
    {
        return AttributeRows::of($this->stream($name, 'dbf'), self::title($name).'.dbf', trim($this->text($name, 'cpg')));
    }

    private function text(string $name, string $ending): string
    {
        return isset($this->members[$name][$ending]) ? (string) $this->zip->getFromIndex($this->members[$name][$ending], self::SIDE_FILE) : '';
    }

    /** @return resource */
    private function stream(string $name, string $ending)
    {
        return $this->zip->getStreamIndex($this->members[$name][$ending])
            ?: throw UnreadableDrawing::cutOff('“'.self::title($name).".{$ending}”");
    }
}
