<?php

declare(strict_types=1);

namespace Parlay\Core\Instrument;

final class LinkLost extends \RuntimeException
{
    /** @param  string  $address  host and port */
    public static function notAnswering(string $address): self
    {
        return new self("No instrument answers at $address.");
    }

    /** @param  float  $seconds  without a word */
    public static function silent(float $seconds): self
    {
        return new self(sprintf('The instrument has said nothing for %.1f s.', $seconds));
    }

    /** The other end hung up. */
    public static function closed(): self
    {
        return new self('The instrument closed the link.');
    }
}
