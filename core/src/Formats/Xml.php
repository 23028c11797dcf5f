<?php

declare(strict_types=1);

namespace Parlay\Core\Formats;

/** Text in an XML file that is written here. */
final class Xml
{
    /** As it stands in an attribute or between tags; characters that XML can't hold at all are left out. */
    public static function escape(string $text): string
    {
        return htmlspecialchars(
            preg_replace('~[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]~u', '', $text) ?? '',
            ENT_QUOTES | ENT_XML1, 'UTF-8',
        );
    }
}
