<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/**
 * Records of a binary DXF: after a sentinel, each group is a code and a value whose form the code decides (the published DXF
 * reference).
 */
final class BinaryTags implements Tags
{
    public const SENTINEL = '~^[A-Za-z]+ Binary DXF\r\n\x1A\0~';

    private const SENTINEL_BYTES = 22;

    private const PIECE = 262_144;

    private string $buffer = '';

    private int $at = 0;

    private int $before = 0;

    /** Until R12 a code was one byte. */
    private readonly bool $short;

    private ?string $type = null;

    private int $start = 0;

    /** @param  resource  $stream at its beginning */
    public function __construct(private $stream)
    {
        $this->need(self::SENTINEL_BYTES + 3);
        $this->short = ord($this->buffer[self::SENTINEL_BYTES + 1] ?? "\0") !== 0;
        $this->at = self::SENTINEL_BYTES;
    }

    /**
     * The next record; null at the end.
     * @throws UnreadableDrawing
     */
    public function next(): ?Record
    {
        while ($this->type === null) {
            $group = $this->group();
            if ($group === null) {
                return null;
            }
            $this->type = $group[0] === 0 ? trim((string) $group[1]) : null;
        }
        [$type, $start] = [$this->type, $this->start];
        $repeating = isset(Record::REPEATING[$type]);
        $first = $codes = $values = [];
        $this->type = null;
        while (($group = $this->group()) !== null) {
            [$code, $value] = $group;
            if ($code === 0) {
                $this->type = trim((string) $value);
                break;
            }
            $first[$code] ??= $value;
            if ($repeating) {
                $codes[] = $code;
                $values[] = $value;
            }
        }

        return new Record($type, $start, $first, $codes, $values, 'byte');
    }

    /** What a place is counted in. */
    public function placeWord(): string
    {
        return 'byte';
    }

    /** Byte at which the last record begins. */
    public function place(): int
    {
        return $this->before + $this->at;
    }

    /** Bytes of the file read so far. */
    public function bytesRead(): int
    {
        return $this->place();
    }

    /** @return array{int, string|int|float}|null */
    private function group(): ?array
    {
        $begin = $this->place();
        if (! $this->need(1)) {
            return null;
        }
        $code = $this->short ? ord($this->buffer[$this->at++]) : (int) $this->number('v', 2);
        if ($this->short && $code === 255) {
            $code = (int) $this->number('v', 2);
        }
        if ($code === 0) {
            $this->start = $begin;
        }

        return [$code, match (true) {
            $code >= 310 && $code < 320, $code === 1004 => $this->take((int) $this->number('C', 1)),
            $code >= 10 && $code < 60, $code >= 110 && $code < 150, $code >= 210
                && $code < 240, $code >= 460 && $code < 470, $code >= 1010 && $code < 1060 => $this->number('e', 8),
            $code >= 60 && $code < 80, $code >= 170 && $code < 180, $code >= 270 && $code < 290, $code >= 370
                && $code < 390, $code >= 400 && $code < 410, $code >= 1060 && $code < 1071 => self::signed((int) $this->number('v', 2), 16),
            $code >= 90 && $code < 100, $code >= 420
                && $code < 430, $code >= 440 && $code < 460, $code === 1071 => self::signed((int) $this->number('V', 4), 32),
            $code >= 160 && $code < 170 => $this->number('P', 8),
            $code >= 290 && $code < 300 => $this->number('C', 1),
            $code < 1080 => $this->string(),
            default => throw UnreadableDrawing::noBinaryCode($begin, $code),
        }];
    }

    private static function signed(int $value, int $bits): int
    {
        return $value >= 1 << ($bits - 1) ? $value - (1 << $bits) : $value;
    }

    private function number(string $format, int $bytes): int|float
    {
        $value = unpack($format, $this->take($bytes))[1] ?? 0;

        return is_float($value) ? $value : (int) $value;
    }

    private function take(int $bytes): string
    {
        if (! $this->need($bytes)) {
            throw UnreadableDrawing::truncated("byte {$this->place()}");
        }
        $this->at += $bytes;

        return substr($this->buffer, $this->at - $bytes, $bytes);
    }

    private function string(): string
    {
        while (($end = strpos($this->buffer, "\0", $this->at)) === false) {
            if (! $this->need(strlen($this->buffer) - $this->at + 1) || strlen($this->buffer) - $this->at > 4 * self::PIECE) {
                throw UnreadableDrawing::truncated("byte {$this->place()}");
            }
        }
        $text = substr($this->buffer, $this->at, $end - $this->at);
        $this->at = $end + 1;

        return $text;
    }

    /** Makes so many bytes stand ready, where the file has them. */
    private function need(int $bytes): bool
    {
        while (strlen($this->buffer) - $this->at < $bytes && ! feof($this->stream)) {
            $this->buffer = substr($this->buffer, $this->at).fread($this->stream, self::PIECE);
            $this->before += $this->at;
            $this->at = 0;
        }

        return strlen($this->buffer) - $this->at >= $bytes;
    }
}
