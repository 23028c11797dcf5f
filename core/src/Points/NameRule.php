<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

/**
 * New names from old ones. The pattern is a text with places for what is known of a point: {name}, {letters} and {digits} of the name,
 * {code}, {number}. Points of one name are one thing with two or more ends: they share a number, and each gets its own ending.
 */
final readonly class NameRule
{
    /** @param  list<string>  $endings  for the first, second, ... of those that share a name; none: each has a number of its own */
    public function __construct(
        public string $pattern = '{name}',
        public string $find = '',
        public string $replace = '',
        public int $from = 1,
        public int $step = 1,
        public int $digits = 1,
        public array $endings = [],
    ) {}

    /**
     * @param  list<array{string, string}>  $points  name and code, in the order in which they are numbered
     * @return list<string>
     * @throws \DomainException where a place in the pattern is not known
     */
    public function names(array $points): array
    {
        if (preg_match('~\{(?!(?:name|letters|digits|code|number)\})[^}]*\}?~', $this->pattern, $m) === 1) {
            throw new \DomainException("“{$m[0]}” is not known in a pattern. Known are {name}, {letters}, {digits}, {code} and {number}.");
        }
        $numbers = $seen = $names = [];
        foreach ($points as [$name, $code]) {
            $alike = $this->endings === [] ? count($numbers) : $name;
            $numbers[$alike] ??= $this->from + count($numbers) * $this->step;
            $end = $seen[$name] = ($seen[$name] ?? -1) + 1;
            $names[] = $this->named($name, $code, $numbers[$alike])
                .($this->endings === [] ? '' : $this->endings[$end] ?? (string) ($end + 1));
        }

        return $names;
    }

    private function named(string $name, string $code, int $number): string
    {
        $old = $this->find === '' ? $name : str_replace($this->find, $this->replace, $name);
        preg_match('~^(.*?)(\d*)$~su', $old, $parts);
        $padded = ($number < 0 ? '-' : '').str_pad((string) abs($number), max(1, min($this->digits, 12)), '0', STR_PAD_LEFT);

        return strtr(
            $this->pattern,
            ['{name}' => $old, '{letters}' => $parts[1] ?? $old, '{digits}' => $parts[2] ?? '', '{code}' => $code, '{number}' => $padded],
        );
    }
}
