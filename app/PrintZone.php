<?php

declare(strict_types=1);

namespace App;

/** Where the clock on the wall stands of whoever prints: times are stored in UTC, and printed by that clock with its distance from UTC. */
final readonly class PrintZone
{
    private function __construct(private \DateTimeZone $zone) {}

    /**
     * @param  string  $name  of the IANA list, as browsers know theirs
     *
     * @throws \DomainException where there is no such zone
     */
    public static function named(string $name): self
    {
        try {
            return new self(new \DateTimeZone($name));
        } catch (\Exception) {
            throw new \DomainException("“{$name}” is no time zone that is known here. One is called as in Pacific/Auckland, or UTC.");
        }
    }

    public static function utc(): self
    {
        return new self(new \DateTimeZone('UTC'));
    }

    /** With the distance from UTC, which names of zones leave open. */
    public function moment(string $at): string
    {
        return $this->at($at)->format('Y-m-d H:i').$this->distance($at);
    }

    /** As 2026-12-02. */
    public function day(string $at): string
    {
        return $this->at($at)->format('Y-m-d');
    }

    public function timeOfDay(string $at): string
    {
        return $this->at($at)->format('H:i');
    }

    private function distance(string $at): string
    {
        $offset = $this->at($at)->format('P');

        return $offset === '+00:00' ? ' UTC' : " UTC$offset";
    }

    private function at(string $at): \DateTimeImmutable
    {
        return (new \DateTimeImmutable($at))->setTimezone($this->zone);
    }
}
