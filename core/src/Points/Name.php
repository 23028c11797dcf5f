<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

/** What a name of a point may be: anything a person can read, kept exactly as given. */
final class Name
{
    public const LONGEST = 200;

    /** Why it is no name, null where it is one. */
    public static function fault(string $name): ?string
    {
        return match (true) {
            trim($name) === '' => 'the name is missing',
            mb_strlen($name) > self::LONGEST => 'the name is longer than '.self::LONGEST.' characters',
            preg_match('~[\x00-\x1F\x7F]~', $name) === 1 => 'the name holds a control character',
            default => null,
        };
    }

    /**
     * The first of name-2, name-3 … that is free.
     *
     * @param  callable(string): bool  $taken
     */
    public static function free(string $name, callable $taken): string
    {
        for ($k = 2; $taken($candidate = mb_substr($name, 0, self::LONGEST - 7)."-$k"); $k++);

        return $candidate;
    }
}
