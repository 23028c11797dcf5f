<?php

declare(strict_types=1);

namespace Parlay\Core\Grid;

/** Names of grid lines: letters after letters, numbers after numbers. */
final class GridNames
{
    /** What may name a grid line: A, AB, 1, 12, 4.5, A', A.1 */
    private const NAME = '~^(?:[A-Za-z]{1,2}|\d{1,3})(?:\.\d{1,2})?[\'’′]{0,2}$~u';

    public static function isName(string $text): bool
    {
        return preg_match(self::NAME, trim($text)) === 1;
    }

    public static function family(string $name): string
    {
        return ctype_digit($name[0] ?? '') ? 'numbers' : 'letters';
    }

    /**
     * @param  string  $first  a letter or a number
     * @return list<string> Z is followed by AA
     */
    public static function from(string $first, int $count): array
    {
        $names = [];
        $name = $first;
        for ($i = 0; $i < $count; $i++) {
            $names[] = $name;
            $name = ctype_digit($name) ? (string) ((int) $name + 1) : self::after($name);
        }

        return $names;
    }

    private static function after(string $name): string
    {
        $next = strtoupper($name);
        $next++;

        return ctype_lower($name) ? strtolower((string) $next) : (string) $next;
    }
}
