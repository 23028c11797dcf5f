<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Step;

/**
 * The attributes of an instance. A number is an int or a float, a text a string, what is not given or derived null, a list an array;
 * references, words and typed values have a class each. Binary values are texts of their digits.
 */
final class StepValues
{
    private const DEEPEST = 60;

    private const TOKENS = '~\'(?:[^\']++|\'\')*+\'|[(),]|[^\s\'(),]++~';

    /** A comment, or a text, in which no comment begins. */
    private const COMMENT_OR_TEXT = '~(\'(?:[^\']++|\'\')*+\')|/\*.*?\*/~s';

    /**
     * @param  string  $inner  what stands between the outermost parentheses, without comments
     * @return list<mixed>
     *
     * @throws BrokenInstance whose message says what was found, and not in which instance
     */
    public static function of(string $inner): array
    {
        preg_match_all(self::TOKENS, $inner, $tokens);
        $around = $values = [];
        $type = null;
        // A value may come: at the beginning of a list, or after a comma.
        $free = true;
        foreach ($tokens[0] as $t) {
            $first = $t[0];
            if ($first === ',') {
                if ($free) {
                    throw new BrokenInstance($type === null ? 'a value is missing before a comma' : self::found($type));
                }
                $free = true;

                continue;
            }
            if ($first === ')') {
                if ($around === []) {
                    throw new BrokenInstance('a parenthesis is closed that was not opened');
                }
                [$outer, $typed] = array_pop($around);
                $outer[] = $typed === null ? $values : new Typed($typed, $values);
                $values = $outer;
                $free = false;

                continue;
            }
            if (! $free) {
                throw new BrokenInstance(self::found($t).' without a comma before it');
            }
            if ($first === '(') {
                if (count($around) >= self::DEEPEST) {
                    throw new BrokenInstance('lists stand within one another deeper than in any model');
                }
                $around[] = [$values, $type];
                $values = [];
                $type = null;

                continue;
            }
            if ($type !== null) {
                throw new BrokenInstance(self::found($type));
            }
            if (ctype_alpha($first)) {
                $type = strtoupper($t);

                continue;
            }
            $values[] = self::value($t, $first);
            $free = false;
        }
        if ($around !== [] || $type !== null) {
            throw new BrokenInstance('a parenthesis is not closed');
        }

        return $values;
    }

    public static function withoutComments(string $text): string
    {
        return (string) preg_replace(self::COMMENT_OR_TEXT, '$1 ', $text);
    }

    private static function value(string $t, string $first): mixed
    {
        if ($first === '#' && ctype_digit($digits = substr($t, 1))) {
            return new Reference((int) $digits);
        }
        if ($first === '$' || $first === '*') {
            return strlen($t) === 1 ? null : throw new BrokenInstance(self::found($t));
        }
        if ($first === "'") {
            return StepText::of(substr($t, 1, -1));
        }
        if (is_numeric($t)) {
            return strpbrk($t, '.eE') === false ? (int) $t : (float) $t;
        }
        if (($first === '.' || $first === '"') && strlen($t) > 2 && $t[-1] === $first) {
            return $first === '.' ? new Word(strtoupper(substr($t, 1, -1))) : substr($t, 1, -1);
        }
        throw new BrokenInstance(self::found($t));
    }

    private static function found(string $what): string
    {
        return '“'.mb_substr(mb_scrub($what), 0, 30).'” stands where a value should';
    }
}
