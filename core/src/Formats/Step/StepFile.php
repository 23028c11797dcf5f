<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/**
 * A STEP file (ISO 10303-21): looked through once, from its beginning to its end, and then read where it is asked. What is kept of it is
 * where each instance stands and of which class it is; of the text a few pages.
 */
final class StepFile
{
    /** Bytes of one instance. A face of a million vertices takes 10 MB. */
    public const LONGEST = 32 * 1_048_576;

    private const PAGE = 262_144;

    private const PAGES = 32;

    /** Instances read last; what is near in the file is often asked again. */
    private const KEPT = 20_000;

    /** Longer ones, bytes, are not kept. */
    private const SHORT = 50_000;

    /** Faults that are told one by one. */
    public const MOST_TOLD = 200;

    /** Lower bits of a place keep how long the instance is. */
    private const LENGTH_BITS = 27;

    /** @var array<int, string> */
    private array $pages = [];

    /** @var array<int, Instance> */
    private array $kept = [];

    /**
     * @param  resource  $stream
     * @param  string  $schema  as the head says it, in capitals
     * @param  array<int, int>  $places  by number of the instance: where it begins and how long it is
     * @param  array<string, list<int>>  $classes  numbers of the instances, by class
     * @param  list<int>  $lines  number of line breaks before each page
     * @param  list<string>  $faults  what could not be read, each with its line
     * @param  int  $faulty  how many there are of these in all
     */
    private function __construct(
        private $stream,
        public readonly string $schema,
        private readonly array $places,
        private readonly array $classes,
        private readonly array $lines,
        public readonly array $faults,
        public readonly int $faulty,
        public readonly bool $whole,
    ) {}

    /**
     * @param  resource  $stream  that can be read again
     * @param  (\Closure(int): mixed)|null  $progress  takes the bytes that were looked through
     *
     * @throws UnreadableStep
     */
    public static function open($stream, ?\Closure $progress = null): self
    {
        $scan = new StepScan($stream, self::PAGE, $progress ?? static fn (int $bytes) => null);
        $scan->run();
        if ($scan->places === []) {
            throw UnreadableStep::nothingIn();
        }

        return new self(
            stream: $stream,
            schema: $scan->schema,
            places: $scan->places,
            classes: $scan->classes,
            lines: $scan->lines,
            faults: $scan->faults,
            faulty: $scan->faulty,
            whole: $scan->whole,
        );
    }

    /** One number for where an instance stands and how long it is. */
    public static function place(int $offset, int $length): int
    {
        return $offset << self::LENGTH_BITS | $length;
    }

    /** @return list<int> numbers of the instances of a class, in the order of the file */
    public function of(string $class): array
    {
        return $this->classes[$class] ?? [];
    }

    /** @return array<string, int> how many there are of each class */
    public function counts(): array
    {
        return array_map(count(...), $this->classes);
    }

    /** The greatest number of an instance. */
    public function last(): int
    {
        return $this->places === [] ? 0 : max(array_keys($this->places));
    }

    public function has(int $number): bool
    {
        return isset($this->places[$number]);
    }

    /**
     * @throws BrokenInstance where there is none of this number, or its text can't be read
     */
    public function get(int $number): Instance
    {
        if (isset($this->kept[$number])) {
            return $this->kept[$number];
        }
        if (! isset($this->places[$number])) {
            throw new BrokenInstance("#$number is spoken of and not in the file");
        }
        $text = $this->text($this->places[$number] >> self::LENGTH_BITS, $this->places[$number] & (1 << self::LENGTH_BITS) - 1);
        if (str_contains($text, '/*')) {
            $text = StepValues::withoutComments($text);
        }
        $open = (int) strpos($text, '(');
        $class = strtoupper(trim(substr($text, 1 + (int) strpos($text, '='), $open - 1 - (int) strpos($text, '='))));
        $close = (int) strrpos($text, ')');
        try {
            if ($close < $open || trim(substr($text, $close + 1), "; \n\r\t") !== '') {
                throw new BrokenInstance('a parenthesis is not closed');
            }
            $values = StepValues::of(substr($text, $open + 1, $close - $open - 1));
        } catch (BrokenInstance $e) {
            throw new BrokenInstance($this->where($number).": {$e->getMessage()}.");
        }
        if (strlen($text) > self::SHORT) {
            return new Instance($number, $class, $values);
        }
        if (count($this->kept) >= self::KEPT) {
            $this->kept = array_slice($this->kept, self::KEPT >> 1, null, true);
        }

        return $this->kept[$number] = new Instance($number, $class, $values);
    }

    /** Without reading what it holds. */
    public function classOf(int $number): string
    {
        return $this->kept[$number]->class ?? $this->get($number)->class;
    }

    /** How an instance is named to people: its number and its line. */
    public function where(int $number): string
    {
        $offset = ($this->places[$number] ?? 0) >> self::LENGTH_BITS;
        $page = intdiv($offset, self::PAGE);

        return sprintf('#%d, line %d', $number, 1 + ($this->lines[$page] ?? 0) + substr_count($this->page($page), "\n", 0, $offset - $page * self::PAGE));
    }

    private function text(int $offset, int $length): string
    {
        $page = intdiv($offset, self::PAGE);
        $from = $offset - $page * self::PAGE;
        $text = substr($this->page($page), $from, $length);
        while (strlen($text) < $length) {
            $more = $this->page(++$page);
            if ($more === '') {
                break;
            }
            $text .= substr($more, 0, $length - strlen($text));
        }

        return $text;
    }

    private function page(int $page): string
    {
        if (isset($this->pages[$page])) {
            return $this->pages[$page];
        }
        if (count($this->pages) >= self::PAGES) {
            $this->pages = array_slice($this->pages, self::PAGES >> 1, null, true);
        }
        fseek($this->stream, $page * self::PAGE);
        $text = '';
        while (strlen($text) < self::PAGE && ! feof($this->stream)) {
            $text .= (string) fread($this->stream, self::PAGE - strlen($text));
        }

        return $this->pages[$page] = $text;
    }
}
