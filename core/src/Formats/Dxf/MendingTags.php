<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/**
 * Records of a damaged text DXF: whatever can be read is, and each repair is noted with its line.
 *
 * After a line that can be no group code, reading goes on at the nearest line from which codes and values alternate again.
 */
final class MendingTags implements Tags
{
    private const PIECE = 262_144;

    private const LONGEST_LINE = 65_536;

    /** Of one record; a file whose beginnings of records are lost is not gathered into one without end. */
    private const MOST_GROUPS = 1_000_000;

    /** Groups that must look right before reading goes on. */
    private const PROOF = 4;

    /** @var list<string> */
    private array $lines = [];

    private int $at = 0;

    private int $before = 0;

    private string $rest = '';

    private int $bytes = 0;

    private ?string $type = null;

    private int $start = 1;

    private bool $ended = false;

    private bool $lineEndsNoted = false;

    /** @param  resource  $stream */
    public function __construct(private $stream, private readonly Repairs $repairs) {}

    /** The next record that can be made sense of; null at the end. */
    public function next(): ?Record
    {
        while ($this->type === null) {
            $group = $this->group();
            if ($group === null) {
                return null;
            }
            $this->type = $group[0] === 0 ? trim($group[1]) : null;
            $this->start = $this->place() - 1;
        }
        [$type, $start] = [$this->type, $this->start];
        $this->type = null;
        $first = $codes = $values = [];
        $whole = false;
        while (($group = $this->group()) !== null) {
            if ($group[0] === 0) {
                $this->type = trim($group[1]);
                $this->start = $this->place() - 1;
                $whole = true;
                break;
            }
            $first[$group[0]] ??= $group[1];
            if (isset(Record::REPEATING[$type]) && count($codes) < self::MOST_GROUPS) {
                $codes[] = $group[0];
                $values[] = $group[1];
            }
        }
        if (! $whole && $type !== 'EOF' && ! $this->ended) {
            $this->ended = true;
            $this->repairs->note(
                "line {$this->place()}",
                "the file ends without its closing EOF; the $type begun in line $start may be incomplete and was left out",
            );

            return new Record('EOF', $this->place(), []);
        }

        return new Record($type, $start, $first, $codes, $values);
    }

    /** What a place is counted in. */
    public function placeWord(): string
    {
        return 'line';
    }

    /** Line at which the last record begins. */
    public function place(): int
    {
        return $this->before + $this->at;
    }

    /** Bytes of the file read so far. */
    public function bytesRead(): int
    {
        return $this->bytes;
    }

    /** @return array{int, string}|null */
    private function group(): ?array
    {
        if (! $this->ready(2)) {
            return null;
        }
        if (! self::isCode($this->lines[$this->at])) {
            $this->resynchronise();
            if (! $this->ready(2)) {
                return null;
            }
        }
        $this->at += 2;

        return [(int) $this->lines[$this->at - 2], $this->lines[$this->at - 1]];
    }

    private function resynchronise(): void
    {
        [$from, $found] = [$this->place() + 1, trim($this->lines[$this->at])];
        do {
            $this->at++;
        } while ($this->ready(2 * self::PROOF) && ! $this->alternates());
        $this->repairs->note(
            "line $from",
            sprintf('“%s” is no group code; reading went on in line %d', mb_substr(mb_scrub($found), 0, 30), $this->place() + 1),
        );
    }

    private function alternates(): bool
    {
        for ($i = 0; $i < self::PROOF; $i++) {
            if (! self::isCode($this->lines[$this->at + 2 * $i])) {
                return false;
            }
        }
        // A run of whole numbers looks like codes at every line: only a group 0 with a word, or a layer, proves the rhythm.
        for ($i = 0; $i < self::PROOF; $i++) {
            if (preg_match('~^\$?[A-Z_0-9 ]*[A-Z]{3}~', trim($this->lines[$this->at + 2 * $i + 1])) === 1
                || str_contains($this->lines[$this->at + 2 * $i + 1], '.')) {
                return true;
            }
        }

        return false;
    }

    private static function isCode(string $line): bool
    {
        return preg_match('~^\s*-?\d{1,4}\s*$~D', $line) === 1 && (int) $line >= -5 && (int) $line <= 1071;
    }

    private function ready(int $lines): bool
    {
        while (count($this->lines) - $this->at < $lines && ! feof($this->stream)) {
            $piece = $this->rest.fread($this->stream, self::PIECE);
            $this->bytes += strlen($piece) - strlen($this->rest);
            $read = preg_split('~\r\n|\n|\r(?!$)~D', $piece) ?: [''];
            $this->noteLineEnds($piece);
            $this->rest = (string) array_pop($read);
            if (strlen($this->rest) > self::LONGEST_LINE) {
                $this->repairs->note('line '.($this->before + count($this->lines) + count($read) + 1), 'a line without end was cut');
                $this->rest = '';
            }
            if (feof($this->stream) && $this->rest !== '') {
                $read[] = rtrim($this->rest, "\r");
                $this->rest = '';
            }
            $this->lines = [...array_slice($this->lines, $this->at), ...$read];
            $this->before += $this->at;
            $this->at = 0;
        }

        return count($this->lines) - $this->at >= $lines;
    }

    private function noteLineEnds(string $piece): void
    {
        if ($this->lineEndsNoted) {
            return;
        }
        $windows = substr_count($piece, "\r\n");
        $kinds = array_filter([
            'CR LF' => $windows, 'LF' => substr_count($piece, "\n") - $windows,
            'CR' => substr_count(rtrim($piece, "\r"), "\r") - $windows,
        ]);
        if (count($kinds) > 1) {
            $this->lineEndsNoted = true;
            $this->repairs->note(
                'line '.($this->before + count($this->lines) + 1).' and on',
                'line ends are mixed ('.implode(', ', array_keys($kinds)).'); all were taken as line ends',
            );
        }
    }
}
