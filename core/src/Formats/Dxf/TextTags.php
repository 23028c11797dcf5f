<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Records of a text DXF, a group being two lines, its code and its value. The file is taken apart a piece at a time, in one tight loop. */
final class TextTags implements Tags
{
    /** Small, so that a piece's lines and records stay near the processor: larger ones took twice as long. */
    private const PIECE = 16_384;

    private const LONGEST_LINE = 1_048_576;

    /** @var list<Record> complete and not yet given out */
    private array $ready = [];

    private int $given = 0;

    /** Of the record that is not complete yet. */
    private ?string $type = null;

    private int $start = 1;

    /** @var array<int, string> */
    private array $first = [];

    /** @var list<int> */
    private array $codes = [];

    /** @var list<string> */
    private array $values = [];

    private string $rest = '';

    private int $line = 0;

    private int $bytes = 0;

    private bool $ended = false;

    /** @var array<int|string, int> codes as they are written, so that each spelling is examined once */
    private array $known = [];

    /**
     * @param  resource  $stream
     * @param  bool  $loneReturns  lines end with a carriage return alone
     */
    public function __construct(private $stream, private readonly bool $loneReturns) {}

    /**
     * The next record; null at the end.
     * @throws UnreadableDrawing
     */
    public function next(): ?Record
    {
        while ($this->given === count($this->ready) && ! $this->ended) {
            $this->ready = [];
            $this->given = 0;
            $this->takeApart($this->lines());
        }

        return $this->ready[$this->given++] ?? null;
    }

    /** What a place is counted in. */
    public function placeWord(): string
    {
        return 'line';
    }

    /** Line at which the last record begins. */
    public function place(): int
    {
        return $this->line;
    }

    /** Bytes of the file read so far. */
    public function bytesRead(): int
    {
        return $this->bytes;
    }

    /** @param  list<string>  $lines  codes and values in turn */
    private function takeApart(array $lines): void
    {
        // Locals, because this loop sees every group of the file.
        [$known, $type, $first, $codes, $values] = [$this->known, $this->type, $this->first, $this->codes, $this->values];
        $this->first = $this->codes = $this->values = [];
        $repeating = isset(Record::REPEATING[$type ?? '']);
        for ($i = 0, $count = count($lines); $i < $count; $i += 2) {
            $code = $known[$lines[$i]] ?? null;
            if ($code === null) {
                $code = $this->code($lines[$i], $this->line + $i + 1);
                $known = $this->known;
            }
            if ($code === 0) {
                if ($type !== null) {
                    $this->ready[] = new Record($type, $this->start, $first, $codes, $values);
                }
                $type = trim($lines[$i + 1]);
                $this->start = $this->line + $i + 1;
                $repeating = isset(Record::REPEATING[$type]);
                $first = $codes = $values = [];
            } elseif ($code > 0) {
                if ($repeating) {
                    $codes[] = $code;
                    $values[] = $lines[$i + 1];
                }
                $first[$code] ??= $lines[$i + 1];
            }
        }
        $this->line += $count;
        [$this->type, $this->first, $this->codes, $this->values] = [$type, $first, $codes, $values];
        if ($this->ended && $type !== null) {
            $this->ready[] = new Record($type, $this->start, $first, $codes, $values);
        }
    }

    /**
     * The next piece of the file up to the end of a value; what follows waits.
     *
     * @return list<string> an even number
     */
    private function lines(): array
    {
        $piece = (string) fread($this->stream, self::PIECE);
        $this->bytes += strlen($piece);
        $this->ended = feof($this->stream);
        $lines = explode("\n", $this->rest.($this->loneReturns ? str_replace("\r", "\n", $piece) : $piece));
        $this->rest = $this->ended ? '' : (string) array_pop($lines);
        // Blank lines after the end of the file are nobody's loss.
        while ($this->ended && $lines !== [] && trim(end($lines)) === '') {
            array_pop($lines);
        }
        if (strlen($this->rest) > self::LONGEST_LINE) {
            throw UnreadableDrawing::lineTooLong($this->line + count($lines) + 1);
        }
        if (count($lines) % 2 === 1) {
            if ($this->ended) {
                throw UnreadableDrawing::truncated('line '.($this->line + count($lines)));
            }
            $this->rest = array_pop($lines)."\n".$this->rest;
        }

        return $lines;
    }

    /** The code, or -1 for one that nobody asks for. */
    private function code(string $written, int $line): int
    {
        $code = trim($written);
        if (preg_match('~^-?\d{1,5}$~D', $code) !== 1) {
            throw UnreadableDrawing::noCode($line, $code);
        }
        $number = isset(Record::UNUSED[(int) $code]) || (int) $code >= Record::EXTENDED_DATA ? -1 : (int) $code;
        if (count($this->known) < 4096) {
            $this->known[$written] = $number;
        }

        return $number;
    }
}
