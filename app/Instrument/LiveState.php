<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Clock;

/**
 * What the instrument said last. One small file, written by the one process that holds the link and replaced as a whole, so that
 * whoever reads it finds either the old state or the new; reading it costs a poll next to nothing.
 */
final readonly class LiveState
{
    /** Without a beat for so long, the process that holds the link is not running. */
    private const SILENT = 2.0;

    /** Seconds that somebody who has seen all there is waits for more. */
    private const NEWS_WITHIN = 0.18;

    /** microseconds */
    private const LOOKS_EVERY = 4000;

    /**
     * @param  string  $link  up, lost, starting or stopped
     * @param  float  $heardAt  steady time of the last beat of the process; this and all other times here are of this start of the machine
     * @param  array<string, mixed>|null  $status  as LiveStatus writes it
     * @param  array<string, float>|null  $reading
     * @param  float|null  $levelLostAt  at which it was last seen to go off level
     * @param  int  $seq  grows with each reading and each change of the link
     */
    public function __construct(
        public string $link = 'starting',
        public float $heardAt = 0.0,
        public ?float $retryAt = null,
        public ?array $status = null,
        public ?array $reading = null,
        public ?float $readingAt = null,
        public int $seq = 0,
        public ?float $levelLostAt = null,
    ) {}

    public static function read(): self
    {
        $stored = json_decode((string) @file_get_contents(self::path()), true);

        try {
            return is_array($stored) ? new self(...$stored) : new self;
        } catch (\Throwable) {
            // Of another version, or damaged: worth nothing, and written anew within half a second.
            return new self;
        }
    }

    /** Waits until the instrument has said something new, so that it is on the screen at once; not longer than a hand notices. */
    public static function awaitNews(int $seen): void
    {
        $until = Clock::steady() + self::NEWS_WITHIN;
        while (self::read()->seq === $seen && Clock::steady() < $until) {
            usleep(self::LOOKS_EVERY);
        }
    }

    /**
     * Held open by the one process that holds the link: whatever ends that process, the system lets go of it at once. A second holder
     * waits here.
     *
     * @return resource
     */
    public static function sign()
    {
        $sign = fopen(self::path().'.held', 'cb') ?: throw new \RuntimeException('The data folder can’t be written to.');
        flock($sign, LOCK_EX);

        return $sign;
    }

    private static function isHeld(): bool
    {
        $sign = @fopen(self::path().'.held', 'rb');
        if ($sign === false) {
            return false;
        }
        $free = flock($sign, LOCK_SH | LOCK_NB);
        fclose($sign);

        return ! $free;
    }

    public function write(): void
    {
        // On a full disk the link lives on, and what it says next may find room again.
        $json = json_encode($this, JSON_THROW_ON_ERROR);
        if (@file_put_contents(self::path().'.new', $json) === strlen($json)) {
            rename(self::path().'.new', self::path());
        }
    }

    /** @param  array<string, mixed>  $changes */
    public function with(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    public function link(): string
    {
        return ! self::isHeld() || Clock::steady() - $this->heardAt > self::SILENT ? 'stopped' : $this->link;
    }

    private static function path(): string
    {
        return config()->string('parlay.data').'/instrument.json';
    }
}
