<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** What was typed can't be read as the kind of figure that was asked for. */
final class UnreadableText extends \DomainException
{
    public static function asLength(string $text): self
    {
        return new self(sprintf('“%s” is not a length. Type a number such as 12.5, a sum such as 3+2*0.15, or feet and inches such as 12\' 3 1/2".', mb_substr($text, 0, 40)));
    }

    public static function empty(): self
    {
        return new self('Nothing was typed.');
    }
}
