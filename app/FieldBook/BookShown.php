<?php

declare(strict_types=1);

namespace App\FieldBook;

/** Which lines of the field book are wanted. */
enum BookShown: string
{
    case All = 'all';
    case Readings = 'readings';
    case Setups = 'setups';
    case Stakes = 'stakes';
    case AsBuilt = 'as_built';
    case Checks = 'checks';
    case Out = 'out';
    case Struck = 'struck';

    /** The kind of line, where it is one kind. */
    public function kind(): ?string
    {
        return match ($this) {
            self::Readings => 'reading',
            self::Setups => 'setup',
            self::Stakes => 'stake',
            self::AsBuilt => 'as_built',
            self::Checks => 'check',
            self::All, self::Out, self::Struck => null,
        };
    }
}
