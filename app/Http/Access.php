<?php

declare(strict_types=1);

namespace App\Http;

use App\Clock;

/**
 * Who may use a Parlay that other machines can reach: whoever has its key.
 *
 * The key is 32 random bytes in the data folder, made at the first start, shown in the terminal, and changed by ./parlay key; then
 * every browser is asked again.
 */
final class Access
{
    /** Wrong keys from one address that are answered at once; each one more doubles the wait. */
    private const FREE = 3;

    private const LONGEST_WAIT = 60.0;

    /** Addresses remembered. */
    private const REMEMBERED = 500;

    public static function isAsked(): bool
    {
        return config()->boolean('parlay.asks_key');
    }

    public static function isKey(string $given): bool
    {
        $key = self::key();

        return $key !== '' && hash_equals($key, trim($given));
    }

    /** What a browser keeps instead of the key: made from it, so that a new key ends it. */
    public static function pass(): string
    {
        return hash_hmac('sha256', 'a browser that was given the key', self::key());
    }

    public static function isPass(string $given): bool
    {
        return self::key() !== '' && hash_equals(self::pass(), $given);
    }

    /** @return float seconds to wait before a key from this address is looked at; 0 at once */
    public static function wait(string $address): float
    {
        $wrong = self::wrong(static fn (array $all): array => $all)[$address] ?? null;

        return $wrong === null ? 0.0 : max(0.0, $wrong['until'] - Clock::steady());
    }

    public static function rememberWrong(string $address): void
    {
        self::wrong(static function (array $all) use ($address): array {
            $times = ($all[$address]['times'] ?? 0) + 1;
            unset($all[$address]);
            $all[$address] = [
                'times' => $times,
                'until' => Clock::steady() + ($times <= self::FREE ? 0.0 : min(self::LONGEST_WAIT, 2.0 ** ($times - self::FREE))),
            ];

            return array_slice($all, -self::REMEMBERED, null, true);
        });
    }

    public static function forgetWrong(string $address): void
    {
        self::wrong(static fn (array $all): array => array_diff_key($all, [$address => true]));
    }

    private static function key(): string
    {
        return trim((string) @file_get_contents(config()->string('parlay.data').'/access-key'));
    }

    /**
     * @param  callable(array<string, array{times: int, until: float}>): array<string, array{times: int, until: float}>  $change
     * @return array<string, array{times: int, until: float}> afterwards
     */
    private static function wrong(callable $change): array
    {
        $file = fopen(config()->string('parlay.data').'/run/wrong-keys.json', 'c+b');
        if ($file === false) {
            return [];
        }
        flock($file, LOCK_EX);
        $known = json_decode((string) stream_get_contents($file), true);
        $now = $change(is_array($known) ? $known : []);
        if ($now !== $known) {
            ftruncate($file, 0);
            rewind($file);
            fwrite($file, json_encode($now, JSON_THROW_ON_ERROR));
        }
        fclose($file);

        return $now;
    }
}
