<?php

declare(strict_types=1);

namespace Parlay\Core\Control;

/** Names of grid lines: letters after letters, numbers after numbers. */
final class GridNames
{
    /** What may name a grid line: A, AB, 1, 12, 4.5, A', A.1, 2a, 1' */
    private const NAME = '~^(?:[A-Za-z]{1,2}|\d{1,3}[A-Za-z]?)(?:\.\d{1,2})?[\'’′]{0,2}$~u';

    /** Whether a text beside a line may be its name: a few letters or digits. */
    public static function isName(string $text): bool
    {
        return preg_match(self::NAME, trim($text)) === 1;
    }

    /** Letters or numbers: lines of one family are named alike. */
    public static function family(string $name): string
    {
        return ctype_digit($name[0] ?? '') ? 'numbers' : 'letters';
    }

    /**
     * @param  string  $first  such as A, 1, 2a, A.1 or 1'
     * @return list<string> what stands last before its primes goes on: Z is followed by AA, 2a by 2b, A.9 by A.10
     */
    public static function from(string $first, int $count): array
    {
        $first = trim($first);
        $body = rtrim($first, "'’′");
        $primes = substr($first, strlen($body));
        $names = [];
        for ($i = 0; $i < $count; $i++) {
            $names[] = $body.$primes;
            $body = self::after($body);
        }

        return $names;
    }

    private static function after(string $name): string
    {
        if (preg_match('~^(.*?)(\d+)$~', $name, $m) === 1) {
            return $m[1].((int) $m[2] + 1);
        }
        preg_match('~^(.*?)([A-Za-z]*)$~s', $name, $m);
        [$head, $letters] = [$m[1] ?? '', $m[2] ?? ''];
        if ($letters === '') {
            return $name.'2';
        }
        $next = strtoupper($letters);
        $next++;

        return $head.(ctype_lower($letters) ? strtolower((string) $next) : (string) $next);
    }
}
