<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Reads a text DXF two lines at a time: group code and value. Knows nothing of what they mean. */
final class TagReader
{
    private const LONGEST_LINE = 65_536;

    private int $line = 0;

    /** @param  resource  $stream */
    private function __construct(private $stream) {}

    /**
     * @param  resource  $stream seekable, at its beginning
     *  @throws UnreadableDrawing where the first bytes are those of something else
     */
    public static function open($stream): self
    {
        $head = (string) fread($stream, 64);
        rewind($stream);
        $kind = match (true) {
            $head === '' => throw UnreadableDrawing::empty(),
            preg_match('~^AC10\d\d~', $head) === 1 => 'a drawing in a closed binary format (DWG)',
            str_starts_with($head, 'AutoCAD Binary DXF') => 'a binary DXF file, which is not read yet',
            str_starts_with($head, '%PDF') => 'a PDF',
            str_starts_with($head, "\x89PNG"), str_starts_with($head, "\xFF\xD8\xFF"), str_starts_with($head, 'GIF8') => 'a picture',
            str_starts_with($head, 'PK') => 'a packed (zip) file',
            str_starts_with($head, "\xFF\xFE"), str_starts_with($head, "\xFE\xFF") => 'a UTF-16 text',
            str_contains($head, "\0") => 'a binary file',
            default => null,
        };
        if ($kind !== null) {
            throw UnreadableDrawing::otherKind($kind);
        }
        if (str_starts_with($head, "\xEF\xBB\xBF")) {
            fseek($stream, 3);
        }

        return new self($stream);
    }

    /**
     * The next pair, or null at the end of the file.
     *  @return array{int, string}|null
     *  @throws UnreadableDrawing
     */
    public function next(): ?array
    {
        $code = fgets($this->stream, self::LONGEST_LINE);
        if ($code === false) {
            return null;
        }
        $this->line++;
        $code = trim($code);
        if ($code === '' && feof($this->stream)) {
            return null;
        }
        if (! preg_match('~^-?\d{1,5}$~', $code)) {
            throw UnreadableDrawing::noCode($this->line, $code);
        }
        $value = fgets($this->stream, self::LONGEST_LINE);
        if ($value === false) {
            throw UnreadableDrawing::truncated($this->line);
        }
        $this->line++;

        return [(int) $code, rtrim($value, "\r\n")];
    }

    /** Number of the line read last, from 1. */
    public function line(): int
    {
        return $this->line;
    }
}
