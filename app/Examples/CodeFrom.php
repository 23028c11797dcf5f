<?php

declare(strict_types=1);

namespace App\Examples;

use App\Buildings\StoredElement;

/** Where the code of points on things comes from: what is due to a code, tolerances and colour, is then due to a type or class of things. */
enum CodeFrom: string
{
    case Typed = 'typed';
    case Type = 'type';
    case ThisClass = 'class';

    /** Longest code. */
    private const LONGEST = 60;

    /** null where it is what was typed */
    public function of(StoredElement $thing): ?string
    {
        $text = match ($this) {
            self::Typed => null,
            self::Type => $thing->type === '' ? $thing->class : $thing->type,
            self::ThisClass => $thing->class,
        };

        return $text === null ? null : mb_substr(trim((string) preg_replace('~\s+~u', ' ', $text)), 0, self::LONGEST);
    }
}
