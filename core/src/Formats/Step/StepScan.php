<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/**
 * The first way through a STEP file: which instances it holds, and where. A page of text at a time. Instances written as everybody
 * writes them are found by one pattern; comments, and what is damaged, are gone through one by one.
 */
final class StepScan
{
    /** A text does not go on into what begins like the next instance: then its closing quote is missing. */
    private const INSIDE = '(?:[^\';/=]++|\'(?:[^\'\n]++|\n(?!\s*+#\d++\s*+=))*+\'|/(?!\*))*+';

    private const INSTANCE = '~\G\s*+#(\d++)\s*+=\s*+([A-Za-z][A-Za-z0-9_]*+)\s*+\('.self::INSIDE.';~';

    /** Where something begins like an instance. */
    private const NEXT = '~[\s;)](?=#\d++\s*+=\s*+[A-Za-z(]|ENDSEC\s*+;)~i';

    private const ENDS = '~\G\s*+ENDSEC\s*+;(\s*+DATA\s*+(?:\([^;]*+\))?+\s*+;)?+~i';

    private const HEAD = '~\A(?:\xEF\xBB\xBF)?+\s*+(?:/\*.*?\*/\s*+)*+ISO-10303-21\s*+;(.*?)\bDATA\s*+(?:\([^;]*+\))?+\s*+;~is';

    private const SCHEMA = '~FILE_SCHEMA\s*+\(\s*+\(\s*+\'([^\']{0,200})~i';

    private const LONGEST_HEAD = 2 * 1_048_576;

    public string $schema = '';

    /** @var array<int, int> by number: StepFile::place() */
    public array $places = [];

    /** @var array<string, list<int>> */
    public array $classes = [];

    /** @var list<int> line breaks before each page */
    public array $lines = [];

    /** @var list<string> */
    public array $faults = [];

    public int $faulty = 0;

    /** It ends as a whole file does. */
    public bool $whole = false;

    private string $text = '';

    /** Where the text in hand begins in the file. */
    private int $begins = 0;

    /** Line breaks up to there. */
    private int $linesBefore = 0;

    private int $breaks = 0;

    private bool $atEnd = false;

    /**
     * @param  resource  $stream
     * @param  \Closure(int): mixed  $progress  takes the bytes that were looked through
     */
    public function __construct(private $stream, private readonly int $page, private readonly \Closure $progress) {}

    /** @throws UnreadableStep */
    public function run(): void
    {
        rewind($this->stream);
        $this->head();
        while (! $this->whole) {
            $this->instances();
            if ($this->odd()) {
                continue;
            }
            if ($this->atEnd) {
                break;
            }
            $this->more();
            if (strlen($this->text) > StepFile::LONGEST) {
                throw UnreadableStep::tooLong($this->line());
            }
        }
        if (! $this->whole) {
            $this->fault('the file ends without its closing “ENDSEC;”. It was cut off on its way, or damaged');
        }
    }

    private function head(): void
    {
        $this->more();
        if ($this->text === '') {
            throw UnreadableStep::empty();
        }
        while (preg_match(self::HEAD, $this->text, $m) !== 1) {
            if ($this->atEnd || strlen($this->text) > self::LONGEST_HEAD) {
                throw stripos(substr($this->text, 0, 1000), 'ISO-10303-21') === false ? UnreadableStep::otherKind() : UnreadableStep::nothingIn();
            }
            $this->more();
        }
        $this->schema = preg_match(self::SCHEMA, $m[1], $s) === 1 ? strtoupper(trim($s[1])) : '';
        $this->skip(strlen($m[0]));
    }

    /** Takes all instances up to the first that is odd or not whole. */
    private function instances(): void
    {
        if ((int) preg_match_all(self::INSTANCE, $this->text, $m) === 0) {
            return;
        }
        $at = 0;
        foreach ($m[0] as $i => $whole) {
            $length = strlen($whole);
            $space = strspn($whole, " \n\r\t");
            $this->take((int) $m[1][$i], $m[2][$i], $at + $space, $length - $space);
            $at += $length;
        }
        $this->skip($at);
    }

    private function take(int $number, string $class, int $at, int $length): void
    {
        if (isset($this->places[$number])) {
            $this->fault("#$number stands twice in the file; the first counts");

            return;
        }
        $this->places[$number] = StepFile::place($this->begins + $at, $length);
        $this->classes[strtoupper($class)][] = $number;
    }

    /**
     * What is not as everybody writes it: the end, a comment, something damaged.
     *
     * @return bool false where more text is needed to tell
     */
    private function odd(): bool
    {
        $this->skip(strspn($this->text, " \n\r\t"));
        if ($this->text === '') {
            return false;
        }
        if (preg_match(self::ENDS, $this->text, $m) === 1) {
            // A file may hold more than one section of data.
            $this->whole = ! isset($m[1]);
            $this->skip(strlen($m[0]));

            return true;
        }
        if (str_starts_with($this->text, '/*')) {
            $end = strpos($this->text, '*/');
            $this->skip($end === false ? 0 : $end + 2);

            return $end !== false;
        }
        $next = preg_match(self::NEXT, $this->text, $m, PREG_OFFSET_CAPTURE, 1) === 1 ? $m[0][1] + 1 : null;
        if ($next === null && ! $this->atEnd) {
            return false;
        }
        $this->mend(substr($this->text, 0, $next ?? strlen($this->text)));
        $this->skip($next ?? strlen($this->text));

        return true;
    }

    /** One instance, or what should be one, up to where the next begins. */
    private function mend(string $piece): void
    {
        $plain = rtrim(StepValues::withoutComments($piece));
        if (preg_match(self::INSTANCE, $plain, $m) === 1) {
            $this->take((int) $m[1], $m[2], 0, strlen($piece));

            return;
        }
        $name = preg_match('~^#(\d{1,18})~', $plain, $n) === 1 ? "#{$n[1]}" : 'what stands here';
        if (preg_match(self::INSTANCE, $plain.';', $m) === 1 && str_ends_with($plain, ')')) {
            $this->take((int) $m[1], $m[2], 0, strlen($piece));
            $this->fault("$name is not closed by “;”. It was taken as if it were");

            return;
        }
        $this->fault(preg_match('~^#\d+\s*=\s*\(~', $plain) === 1
            ? "$name is several classes in one, which no IFC is. It was left out"
            : "$name is no whole instance: a quote or parenthesis is not closed, or it is damaged. It was left out");
    }

    private function skip(int $bytes): void
    {
        if ($bytes === 0) {
            return;
        }
        $this->linesBefore += substr_count($this->text, "\n", 0, $bytes);
        $this->begins += $bytes;
        $this->text = substr($this->text, $bytes);
    }

    private function more(): void
    {
        $page = '';
        while (strlen($page) < $this->page && ! feof($this->stream)) {
            $page .= (string) fread($this->stream, max(1, $this->page - strlen($page)));
        }
        $this->lines[] = $this->breaks;
        $this->breaks += substr_count($page, "\n");
        $this->atEnd = strlen($page) < $this->page;
        $this->text .= $page;
        ($this->progress)($this->begins + strlen($this->text));
    }

    private function fault(string $what): void
    {
        $this->faulty++;
        if (count($this->faults) < StepFile::MOST_TOLD) {
            $this->faults[] = "Line {$this->line()}: $what.";
        }
    }

    private function line(): int
    {
        return 1 + $this->linesBefore + substr_count($this->text, "\n", 0, strspn($this->text, " \n\r\t"));
    }
}
