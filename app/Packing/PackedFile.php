<?php

declare(strict_types=1);

namespace App\Packing;

/** A packed project as it came: only what stands on its list is in it, and all of that is as it was packed. */
final class PackedFile
{
    /** Bytes, unpacked; counted while they are unpacked, for what a file says of itself proves nothing. */
    public const LARGEST = 4_000_000_000;

    /** Bytes of one row: a layer of a million pieces has some 110 MB. */
    private const LONGEST_ROW = 120_000_000;

    private const MOST_ENTRIES = 5_000;

    /** @param  array<string, true>  $listed */
    private function __construct(private readonly \ZipArchive $zip, private readonly array $listed) {}

    /** @throws \DomainException */
    public static function open(string $path): self
    {
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new \DomainException(
                'This is no packed project: it can’t be opened as one. It was cut off on its way, or is another kind of file.',
            );
        }
        $sums = self::list($zip);
        self::requireWhole($zip, $sums);

        return new self($zip, array_fill_keys(array_keys($sums), true));
    }

    public function has(string $name): bool
    {
        return isset($this->listed[$name]);
    }

    /** @return array<string, mixed> */
    public function project(): array
    {
        $row = $this->has('project.json') ? json_decode((string) $this->zip->getFromName('project.json', 100_000), true) : null;

        return is_array($row) ? $row : throw new \DomainException('The packed project has no project in it.');
    }

    /**
     * @return \Generator<int, array<string, mixed>> by line
     *
     * @throws \DomainException
     */
    public function rows(string $table): \Generator
    {
        $stream = $this->zip->getStream("tables/$table.ndjson") ?: throw new \DomainException("The packed project has no $table.");
        for ($number = 1; ($line = fgets($stream, self::LONGEST_ROW)) !== false; $number++) {
            $row = json_decode($line, true, 64);
            if (! is_array($row) || ($row !== [] && array_is_list($row))) {
                throw new \DomainException("Line $number of $table can’t be read. Nothing was stored.");
            }
            yield $number => $row;
        }
        fclose($stream);
    }

    /** Copies a file out; nothing is left of one that did not come whole. */
    public function copy(string $name, string $to): void
    {
        $in = $this->zip->getStream($name);
        $out = @fopen("$to.part", 'wb');
        if ($in === false || $out === false || stream_copy_to_stream($in, $out) === false || ! fclose($out) || ! rename("$to.part", $to)) {
            @unlink("$to.part");
            throw new \DomainException(
                'An original file could not be unpacked: the disk of the data folder is full. Make room, then bring the project in again.',
            );
        }
    }

    /** @return array<string, string> sum by name */
    private static function list(\ZipArchive $zip): array
    {
        $manifest = json_decode((string) $zip->getFromName(Packing::MANIFEST, 5_000_000), true);
        if (! is_array($manifest) || ($manifest['format'] ?? null) !== Packing::FORMAT || ! is_array($manifest['sha256'] ?? null)) {
            throw new \DomainException('This is no packed project: its list of contents is missing.');
        }
        if (($manifest['version'] ?? null) !== Packing::VERSION) {
            throw new \DomainException(sprintf(
                'It was packed by another version of Parlay (form %s); this one reads form %d. Update Parlay on the older machine and '
                    .'pack again.',
                is_scalar($manifest['version'] ?? null) ? mb_substr((string) $manifest['version'], 0, 20) : 'unknown', Packing::VERSION,
            ));
        }
        $sums = array_filter($manifest['sha256'], is_string(...));
        foreach (array_diff(array_keys(Packing::TABLES), Packing::LATER) as $table) {
            if (! isset($sums["tables/$table.ndjson"])) {
                throw new \DomainException(
                    "The packed project’s list says nothing of its $table: it was changed after it was packed. Nothing was stored. Pack the project again.",
                );
            }
        }

        return $sums;
    }

    /** @param  array<string, string>  $sums */
    private static function requireWhole(\ZipArchive $zip, array $sums): void
    {
        if ($zip->numFiles > self::MOST_ENTRIES) {
            throw new \DomainException(
                'This file holds more than '.number_format(self::MOST_ENTRIES).' others, which no packed project does. Nothing was stored.',
            );
        }
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            if ($name !== Packing::MANIFEST && ! isset($sums[$name])) {
                throw new \DomainException(sprintf(
                    '“%s” stands in the packed project and not on its list: it was put in after packing. Nothing was stored. Pack the '
                        .'project again.',
                    mb_substr(mb_scrub($name), 0, 80),
                ));
            }
        }
        $left = self::LARGEST;
        foreach ($sums as $name => $sum) {
            if (! hash_equals($sum, self::sum($zip, (string) $name, $left))) {
                throw new \DomainException(sprintf(
                    'The packed project is damaged: “%s” in it is not what was packed. Nothing was stored. Bring the file over again, '
                        .'or pack the project again.',
                    mb_substr(mb_scrub((string) $name), 0, 80),
                ));
            }
        }
    }

    private static function sum(\ZipArchive $zip, string $name, int &$left): string
    {
        $stream = $zip->getStream($name);
        $hash = hash_init('sha256');
        while ($stream !== false && ! feof($stream)) {
            $piece = (string) @fread($stream, 1 << 20);
            $left -= strlen($piece);
            if ($left < 0) {
                throw new \DomainException('Unpacked, this file would take more than '
                    .number_format(self::LARGEST / 1e9)
                    .' GB, which no project does. Nothing was stored.');
            }
            if ($piece === '' && ! feof($stream)) {
                break;
            }
            hash_update($hash, $piece);
        }

        return $stream === false ? '' : hash_final($hash);
    }
}
