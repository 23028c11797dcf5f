<?php

declare(strict_types=1);

namespace Parlay\Core\Units;

/** What was typed can't be read as the kind of figure that was asked for. */
final class UnreadableText extends \DomainException
{
    /** @param  string  $text  as it was typed */
    public static function asLength(string $text): self
    {
        return new self(sprintf(
            '“%s” is not a length. Type a number such as 12.5, a sum such as 3+2*0.15, or feet and inches such as 12\' 3 1/2".',
            mb_substr($text, 0, 40),
        ));
    }

    /** @param  string  $text  as it was typed */
    public static function asAngle(string $text): self
    {
        return new self(sprintf(
            '“%s” is not an angle. Type 45.5, or degrees, minutes and seconds such as 45 30 15, or a sum such as 45 30 + 90.',
            mb_substr($text, 0, 40),
        ));
    }

    /** @param  string  $text  as it was typed */
    public static function asDirection(string $text): self
    {
        return new self(sprintf(
            '“%s” is not a direction. Type an azimuth such as 45 30 15, a bearing such as N45-30-15E, or a sum such as 45 30 + 90.',
            mb_substr($text, 0, 40),
        ));
    }

    /** @param  string  $text  as it was typed */
    public static function asBearing(string $text): self
    {
        return new self(sprintf(
            '“%s” is not a bearing: between its letters stands an angle from 0 to a right angle, as in N45-30-15E.',
            mb_substr($text, 0, 40),
        ));
    }

    /** Nothing was typed where a figure is wanted. */
    public static function empty(): self
    {
        return new self('Nothing was typed.');
    }
}
