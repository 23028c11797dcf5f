<?php

declare(strict_types=1);

namespace App\Instrument;

use App\Clock;

/**
 * Who leads the instrument: the device whose orders it takes, so that none turns it away under another. One small file beside the
 * instrument's state, replaced as a whole under a lock: it is worth nothing after the machine was started anew.
 */
final readonly class Lead
{
    /** Not heard for so long, it may be taken without asking; seconds. */
    public const SILENT = 30.0;

    /** Not heard for so long, it has passed: whoever gives the next order leads. */
    public const GONE = 600.0;

    /** Asked, and not answered for so long, it may be taken. */
    public const WAITS = 20.0;

    /** Who leads says so with each poll; it is written down so often. */
    private const BEATS = 1.0;

    /** An ask that nobody came back to stands in nobody's way, seconds. */
    private const ASK_STANDS = 120.0;

    /**
     * @param  float  $heardAt  steady time, as all here
     * @param  string|null  $keptFrom  the device whose ask was answered with no
     */
    public function __construct(
        public string $boot,
        public string $device,
        public string $name,
        public float $heardAt,
        public ?string $askedBy = null,
        public string $askedName = '',
        public ?float $askedAt = null,
        public ?string $keptFrom = null,
    ) {}

    /** Null where nobody leads. */
    public static function read(): ?self
    {
        $stored = json_decode((string) @file_get_contents(self::path()), true);
        try {
            $lead = is_array($stored) ? new self(...$stored) : null;
        } catch (\Throwable) {
            return null;
        }

        return $lead === null || $lead->boot !== Clock::boot() || $lead->heardAt > Clock::steady() ? null : $lead;
    }

    /**
     * Looks and writes while nobody else does.
     *
     * @template T of self|null
     *
     * @param  \Closure(self|null): T  $change  throws where it may not be
     * @return T
     */
    public static function change(\Closure $change): ?self
    {
        $lock = fopen(self::path().'.held', 'cb') ?: throw new \RuntimeException('The data folder can’t be written to.');
        flock($lock, LOCK_EX);
        try {
            $before = self::read();
            $lead = $change($before);
            if ($lead !== null && $lead !== $before) {
                $json = json_encode($lead, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
                file_put_contents(self::path().'.new', $json) === strlen($json) && rename(self::path().'.new', self::path());
            }

            return $lead;
        } finally {
            fclose($lock);
        }
    }

    public static function of(Device $device): self
    {
        return new self(Clock::boot(), $device->id, $device->name, Clock::steady());
    }

    /** Says that whoever leads is still there. */
    public static function heard(Device $device): ?self
    {
        $lead = self::read();
        if ($lead === null || ! $lead->isOf($device) || ($lead->silent() < self::BEATS && $lead->name === $device->name)) {
            return $lead;
        }

        return self::change(static fn (?self $l): ?self => $l?->isOf($device) === true
            ? $l->with(['heardAt' => Clock::steady(), 'name' => $device->name])
            : $l);
    }

    /** @param  array<string, mixed>  $changes */
    public function with(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    /** Seconds since it was heard. */
    public function silent(): float
    {
        return Clock::steady() - $this->heardAt;
    }

    public function isOf(Device $device): bool
    {
        return $this->device === $device->id;
    }

    /** Who asks for it, where somebody does. */
    public function asker(): ?string
    {
        return $this->askedAt !== null && Clock::steady() - $this->askedAt < self::ASK_STANDS ? $this->askedBy : null;
    }

    /** Whether this device may take it as things stand. */
    public function mayBeTaken(Device $by): bool
    {
        $unanswered = $this->asker() === $by->id && $this->askedAt !== null && Clock::steady() - $this->askedAt >= self::WAITS;

        return $this->isOf($by) || $this->silent() >= self::SILENT || $unanswered;
    }

    private static function path(): string
    {
        return config()->string('parlay.data').'/lead.json';
    }
}
