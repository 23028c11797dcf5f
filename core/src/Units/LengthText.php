<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/**
 * Reads a length as people type it: 12.5 · 12,5 · 1.234,5 · 3+2*0.15 · 250 mm · 12 ft 3 in · 12' 3 1/2" · 12'-3-1/2" · 6-3/4" · 12' -
 * 3" · 3½" · 12-3 1/2.
 *
 * A hyphen in feet and inches joins (12'-3", 3-1/2"); a sign with blanks around it is a sum or a difference. Where two readings remain
 * (1,234, or 12-3 1/2 in a feet-inches project) both are given, the likelier first, and the person chooses. A foot or inch mark means
 * the project's own foot.
 */
final readonly class LengthText
{
    private const MARKS = [
        '′' => "'", '’' => "'", '‘' => "'", '″' => '"', '”' => '"', '“' => '"', "''" => '"', 'ft US' => 'usft',
        '×' => '*', '−' => '-', '–' => '-', '‐' => '-', '⁄' => '/', "\u{A0}" => ' ', "\u{202F}" => ' ', "\u{2009}" => ' ',
    ];

    private const FRACTIONS = [
        '½' => '1/2', '¼' => '1/4', '¾' => '3/4', '⅛' => '1/8', '⅜' => '3/8', '⅝' => '5/8', '⅞' => '7/8', '⅓' => '1/3', '⅔' => '2/3',
        '⅕' => '1/5', '⅖' => '2/5', '⅗' => '3/5', '⅘' => '4/5', '⅙' => '1/6', '⅚' => '5/6', '⅒' => '1/10', '⅑' => '1/9', '⅐' => '1/7',
    ];

    /** 12 feet 3 inches, 12ft 3in: as 12'3". */
    private const WRITTEN_OUT = [
        '~(\d) ?(?:feet|foot)(?![a-z])~', '~(\d) ?(?:inches|inch)(?![a-z])~', '~(\d) ?ft\.?[ -]?(\d[\d ./-]*?) ?in\.?(?![a-z])~',
    ];

    /** 1'234 and 1 234 are thousands: no foot has three figures of inches behind it. */
    private const GROUPED = '~(?<![\d.,\'])\d{1,3}(?:(?:\'\d{3})+|(?: \d{3})+)(?![\d\'/"]| ?in)~';

    private const NUMBER = '(?:\d+(?:\.\d+)?|\.\d+)';

    /** Two feet that differ by more than this, metres, over a length are worth a question. */
    private const FEET_APART = 0.0005;

    /**
     * @param  LengthUnit  $bare  what a number without a unit means
     * @param  LengthUnit  $foot  what a foot or inch mark means
     * @param  bool  $feetInches  numbers joined by a hyphen are feet and inches
     * @param  bool  $joins  whether a hyphen that could do both joins, or subtracts
     * @param  bool  $sums  whether there are sums and products at all
     */
    private function __construct(
        private LengthUnit $bare,
        private LengthUnit $foot,
        private bool $feetInches,
        private bool $joins,
        private bool $sums = true,
    ) {}

    /**
     * What was typed into a field.
     *
     * @return non-empty-list<float> metres, distinct, the likelier reading first
     *
     * @throws UnreadableText
     */
    public static function read(string $text, LengthStyle $style): array
    {
        $foot = $style === LengthStyle::UsFeet ? LengthUnit::UsFoot : LengthUnit::Foot;
        $plain = self::plain($text);
        $marked = strpbrk($plain, '\'"') !== false;
        $found = self::readings(self::commaReadings($plain), $style->unit(), $foot, $style->inchParts() !== null, $marked);
        if ($found === []) {
            throw UnreadableText::asLength($text);
        }
        if ($foot === LengthUnit::UsFoot && ($marked || preg_match('~(?<!us)ft~', $plain) === 1)) {
            // The other foot is offered where it makes a difference.
            foreach (self::readings(self::commaReadings($plain), LengthUnit::UsFoot, LengthUnit::Foot, false, $marked) as $other) {
                if (min(array_map(static fn (float $m) => abs($m - $other), $found)) > self::FEET_APART) {
                    $found[] = $other;
                }
            }
        }

        return $found;
    }

    /**
     * A cell of a file: one length, no sum; the file's own decimal mark decides what a comma is.
     *
     * @param  string  $mark  . or ,
     * @return list<float> metres, distinct; empty where it is no length
     */
    public static function cell(string $text, LengthUnit $foot, string $mark): array
    {
        $plain = self::plain($text);
        $group = $mark === '.' ? ',' : '\.';
        if (preg_match("~\\d$group\\d{3}(?!\\d)~", $plain) === 1) {
            $plain = preg_replace("~(?<=\\d)$group(?=\\d{3}(?!\\d))~", '', $plain) ?? $plain;
        }
        if (str_contains($plain, $mark === '.' ? ',' : '.')) {
            return [];
        }
        $found = self::bareFraction($plain, $foot);
        foreach ([true, false] as $joins) {
            $value = (new self($foot, $foot, true, $joins, sums: false))->sum(str_replace(',', '.', $plain));
            if ($value !== null && is_finite($value)) {
                $found[] = $value;
            }
        }

        return array_values(array_unique($found));
    }

    /**
     * @param  list<string>  $texts
     * @return list<float>
     */
    private static function readings(array $texts, LengthUnit $bare, LengthUnit $foot, bool $feetInches, bool $marked): array
    {
        $found = $feetInches ? self::bareFraction($texts[0], $foot) : [];
        foreach ($feetInches || $marked ? [true, false] : [false] as $joins) {
            foreach ($texts as $text) {
                $value = (new self($bare, $foot, $feetInches, $joins))->sum($text);
                if ($value !== null && is_finite($value) && abs($value) < 1e9) {
                    $found[] = $value;
                }
            }
        }
        $distinct = [];
        foreach ($found as $value) {
            if (array_filter($distinct, static fn (float $d) => abs($d - $value) < 1e-12) === []) {
                $distinct[] = $value;
            }
        }

        return $distinct;
    }

    /**
     * 6 3/4, 6-3/4 and 3/4 without any mark, where feet and inches are written: of an inch sooner than of a foot.
     *
     * @return list<float> metres; none where it is something else
     */
    private static function bareFraction(string $text, LengthUnit $foot): array
    {
        if (preg_match('~^([-+]?) ?(?:(\d+)[ -])?(\d+)/(\d+)$~', $text, $m) !== 1) {
            return [];
        }
        $fraction = self::fraction($m[3], $m[4]);

        return $fraction === null ? [] : [($m[1] === '-' ? -1 : 1) * ((int) $m[2] + $fraction) * $foot->metres() / 12];
    }

    /** @throws UnreadableText */
    private static function plain(string $text): string
    {
        $plain = strtr($text, self::MARKS);
        foreach (self::FRACTIONS as $sign => $written) {
            $plain = preg_replace(["~(?<=\\d)\\s*$sign~u", "~$sign~u"], [" $written", $written], $plain) ?? $plain;
        }
        $plain = trim(preg_replace(['~\s+~u', '~ ?([*/()]) ?~'], [' ', '$1'], $plain) ?? '');
        $plain = preg_replace(self::WRITTEN_OUT, ['$1ft', '$1in', '$1\'$2"'], $plain) ?? $plain;
        $plain = preg_replace_callback(self::GROUPED, static fn (array $m): string => str_replace(["'", ' '], '', $m[0]), $plain) ?? $plain;

        return $plain === '' ? throw UnreadableText::empty() : $plain;
    }

    /**
     * The text with its commas read as decimal marks, and again as thousands marks.
     *
     * @return list<string>
     */
    private static function commaReadings(string $text): array
    {
        if (! str_contains($text, ',')) {
            return [$text];
        }
        // 1.234,5 can be nothing else.
        $text = preg_replace_callback(
            '~(?<![\d.,])\d{1,3}(?:\.\d{3})+,\d+(?![\d.,])~', static fn (array $m): string => strtr($m[0], ['.' => '', ',' => '.']),
            $text,
        ) ?? $text;
        $thousands = preg_match('~(?<![\d.,])\d{1,3}(,\d{3})+(?![\d,])~', $text) === 1;
        $several = preg_match('~\d,\d+,\d~', $text) === 1 || preg_match('~,\d+\.~', $text) === 1;
        $decimal = $several || preg_match('~\.\d+,~', $text) === 1 ? [] : [str_replace(',', '.', $text)];

        $grouped = $thousands ? [str_replace(',', '', $text)] : [];

        // Before a foot mark three figures behind a comma are thousands sooner than thousandths.
        return preg_match('~,\d{3}\'~', $text) === 1 ? [...$grouped, ...$decimal] : [...$decimal, ...$grouped];
    }

    /** A sum of products, or null when the text is none. */
    private function sum(string $text): ?float
    {
        $total = 0.0;
        $rest = $text;
        $sign = 1.0;
        if (preg_match('~^([-+]) ?(.*)$~s', $rest, $m) === 1) {
            [$sign, $rest] = [$m[1] === '-' ? -1.0 : 1.0, $m[2]];
        }
        while (true) {
            $term = $this->product($rest);
            if ($term === null) {
                return null;
            }
            [$value, $rest] = $term;
            $total += $sign * $value;
            if ($rest === '') {
                return $total;
            }
            if (! $this->sums || preg_match('~^ ?([-+]) ?(.+)$~s', $rest, $m) !== 1) {
                return null;
            }
            [$sign, $rest] = [$m[1] === '-' ? -1.0 : 1.0, $m[2]];
        }
    }

    /**
     * A factor keeps its unit only where it is the one length of its product: 2*0.15 is two of 0.15.
     *
     * @return array{float, string}|null metres and the text that follows
     */
    private function product(string $text): ?array
    {
        $first = $this->atom($text);
        if ($first === null) {
            return null;
        }
        [$value, $named, $rest] = $first;
        while ($this->sums && $rest !== '' && ($rest[0] === '*' || $rest[0] === '/')) {
            $next = $this->atom(substr($rest, 1));
            if ($next === null || ($named && $next[1]) || ($rest[0] === '/' && ($next[0] === 0.0 || $next[1]))) {
                return null;
            }
            $value = $rest[0] === '*' ? $value * $next[0] : $value / $next[0];
            $named = $named || $next[1];
            $rest = $next[2];
        }

        return [$named ? $value : $value * $this->bare->metres(), $rest];
    }

    /**
     * @return array{float, bool, string}|null metres and true where a unit is named, else the bare number and false; and the text that
     *     follows
     */
    private function atom(string $text): ?array
    {
        return $this->feet($text) ?? $this->inches($text) ?? $this->hyphened($text) ?? self::mixed($text) ?? $this->number($text);
    }

    /**
     * Feet, and inches behind them: 12' · 12' 3" · 12'-3 1/2" · 12'3-1/2" · 12' 1/2".
     *
     * @return array{float, bool, string}|null as atom()
     */
    private function feet(string $text): ?array
    {
        if (preg_match("~^(\d+)[ -](\d+)/(\d+)'~", $text, $m) === 1) {
            $fraction = self::fraction($m[2], $m[3]);

            return $fraction === null ? null : [((int) $m[1] + $fraction) * $this->foot->metres(), true, substr($text, strlen($m[0]))];
        }
        if (preg_match('~^('.self::NUMBER.")'~", $text, $m) !== 1) {
            return null;
        }
        $rest = substr($text, strlen($m[0]));
        // A hyphen joins where no blank follows it and an inch mark ends it; without the mark, or with a blank before it, it may be either.
        $joint = $this->joins ? '(?: ?-| )?' : '(?:-(?=[^ "\']*(?: \d+/\d+)?")| )?';
        if (preg_match("~^$joint(?:(".self::NUMBER.')(?:[ -](\d+)/(\d+))?|(\d+)/(\d+))(?![\d/.\'])(")?(?!\')~', $rest, $in) !== 1) {
            return [(float) $m[1] * $this->foot->metres(), true, $rest];
        }
        $inches = self::inchesOf($in[1] ?? '', $in[2] ?? '', $in[3] ?? '', $in[4] ?? '', $in[5] ?? '');

        // A whole foot of inches behind a foot is a slip of the finger.
        return $inches === null || $inches >= 12.0
            ? null
            : [((float) $m[1] * 12 + $inches) * $this->foot->metres() / 12, true, substr($rest, strlen($in[0]))];
    }

    /**
     * 3" · 3 1/2" · 3-1/2" · 1/2".
     *
     * @return array{float, bool, string}|null as atom()
     */
    private function inches(string $text): ?array
    {
        if (preg_match('~^(?:('.self::NUMBER.')(?:[ -](\d+)/(\d+))?|(\d+)/(\d+))"~', $text, $m) !== 1) {
            return null;
        }
        $inches = self::inchesOf($m[1], $m[2] ?? '', $m[3] ?? '', $m[4] ?? '', $m[5] ?? '');

        return $inches === null ? null : [$inches * $this->foot->metres() / 12, true, substr($text, strlen($m[0]))];
    }

    /**
     * Without any mark, in a feet-inches project: 12-3 1/2 and 12-3-1/2 are feet and inches, 6-3/4 is six and three quarters.
     *
     * @return array{float, bool, string}|null as atom()
     */
    private function hyphened(string $text): ?array
    {
        if (! $this->feetInches) {
            return null;
        }
        if (preg_match('~^(\d+)-(\d{1,2})(?:[ -](\d+)/(\d+))?(?![\d/.\'"])~', $text, $m) === 1 && $this->joins && (int) $m[2] < 12) {
            $inches = self::inchesOf($m[2], $m[3] ?? '', $m[4] ?? '', '', '');

            return $inches === null
                ? null
                : [((int) $m[1] * 12 + $inches) * $this->foot->metres() / 12, true, substr($text, strlen($m[0]))];
        }
        if (preg_match('~^(\d+)-(\d+)/(\d+)(?![\d/.\'"])~', $text, $m) === 1 && ($this->joins || ! $this->sums)) {
            $fraction = self::fraction($m[2], $m[3]);
            // In a file it may also be feet and a part of an inch.
            $joined = $fraction === null ? null : ($this->joins
                ? ((int) $m[1] + $fraction) * $this->foot->metres()
                : ((int) $m[1] * 12 + $fraction) * $this->foot->metres() / 12);

            return $joined === null ? null : [$joined, true, substr($text, strlen($m[0]))];
        }

        return null;
    }

    /**
     * 3 1/2 as a bare number.
     *
     * @return array{float, bool, string}|null as atom()
     */
    private static function mixed(string $text): ?array
    {
        if (preg_match('~^(\d+) (\d+)/(\d+)(?![\d/])~', $text, $m) !== 1) {
            return null;
        }
        $fraction = self::fraction($m[2], $m[3]);

        return $fraction === null ? null : [(int) $m[1] + $fraction, false, substr($text, strlen($m[0]))];
    }

    /** @return array{float, bool, string}|null as atom() */
    private function number(string $text): ?array
    {
        if (preg_match('~^('.self::NUMBER.') ?(mm|cm|m|usft|ft|in)?(?![a-z.\d])~', $text, $m) !== 1) {
            return null;
        }
        $metres = match ($m[2] ?? '') {
            '' => null,
            'ft' => $this->foot->metres(),
            'in' => $this->foot->metres() / 12,
            default => LengthUnit::from($m[2])->metres(),
        };

        return [(float) $m[1] * ($metres ?? 1.0), $metres !== null, substr($text, strlen($m[0]))];
    }

    /** @return float|null null where a fraction is of nothing */
    private static function inchesOf(string $whole, string $part, string $of, string $alonePart, string $aloneOf): ?float
    {
        if ($aloneOf !== '') {
            return self::fraction($alonePart, $aloneOf);
        }
        $fraction = $of === '' ? 0.0 : self::fraction($part, $of);

        return $fraction === null ? null : (float) $whole + $fraction;
    }

    private static function fraction(string $part, string $of): ?float
    {
        return (int) $of === 0 ? null : (int) $part / (int) $of;
    }
}
