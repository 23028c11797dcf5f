<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** The file can't be taken as a drawing; the message says why, where and what to ask for. */
final class UnreadableDrawing extends \DomainException
{
    public static function empty(): self
    {
        return new self('The file is empty. Ask for it again; a DXF file begins with a line “0” or “999”.');
    }

    public static function otherKind(string $kind): self
    {
        return new self("This is $kind, not a DXF drawing. Ask the designer for a text DXF file (any version from R12) of model space.");
    }

    public static function noCode(int $line, string $found): self
    {
        return new self(sprintf('Line %d: a group code (a whole number) was expected, and “%s” stands there. The file is damaged from here or is no DXF file; ask for it again.', $line, mb_substr(mb_scrub($found), 0, 30)));
    }

    public static function truncated(int $line): self
    {
        return new self("The file ends in line $line, before its closing EOF: it was cut off on its way. Ask for it again.");
    }

    public static function badNumber(int $line, string $found): self
    {
        return new self(sprintf('Line %d: “%s” is not a coordinate. The file is damaged; ask for it again.', $line, mb_substr(mb_scrub($found), 0, 30)));
    }

    public static function noGeometry(): self
    {
        return new self('The drawing holds nothing that Parlay reads: no lines, arcs, circles, points, texts or blocks in its model space.');
    }

    public static function tooMany(string $block, int $limit): self
    {
        return new self("Block “{$block}” multiplies the drawing beyond $limit pieces. Ask the designer to purge or explode it.");
    }
}
