<?php

declare(strict_types=1);

namespace Parlay\Core\Setups;

/** What was kept of a setup is not what Parlay keeps. */
final class UnreadableRecord extends \DomainException
{
    /** @param  string  $key  that is missing, or is not what it should be */
    public static function at(string $key): self
    {
        return new self(
            "What a setup was accepted on can’t be read: “{$key}” is missing or is not what it should be. Something other than Parlay wrote it: go back to a copy of the data folder.",
        );
    }

    /** @param  int  $version  that is not known here */
    public static function version(int $version): self
    {
        return new self("What a setup was accepted on was written by a later version (form {$version}). Update Parlay.");
    }
}
