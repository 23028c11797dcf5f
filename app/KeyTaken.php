<?php

declare(strict_types=1);

namespace App;

/**
 * A key that carried one wish out came again with another: the old answer would be no answer to it, and carrying it out would be a
 * second deed.
 */
final class KeyTaken extends \RuntimeException
{
    /** @throws \DomainException where it is none: each wish comes under a key made by its sender */
    public static function checked(string $key): string
    {
        return preg_match('~^[\w-]{8,80}$~', $key) === 1 ? $key : throw new \DomainException('A key has 8 to 80 letters, digits or dashes.');
    }

    /** @param  list<string>  $differing  in words, what is otherwise than the first time */
    public static function by(string $deed, array $differing): self
    {
        return new self(
            "This key was used for another $deed already (".implode(', ', $differing).'). Nothing was stored. Send it under a new key.',
        );
    }

    /**
     * @param  array<string, mixed>  $first  what was carried out, by a word for each part
     * @param  array<string, mixed>  $now  what is wanted now, the same parts
     *
     * @throws self where they differ
     */
    public static function unlessSame(string $deed, array $first, array $now): void
    {
        $differing = array_keys(
            array_filter($now, static fn (mixed $value, string $part) => $value !== ($first[$part] ?? null), ARRAY_FILTER_USE_BOTH),
        );
        if ($differing !== []) {
            throw self::by($deed, array_map(strval(...), $differing));
        }
    }
}
