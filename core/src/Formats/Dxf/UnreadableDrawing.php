<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** The file can't be taken as a drawing; the message says why, where and what to ask for. */
final class UnreadableDrawing extends \DomainException
{
    /** The file is damaged: what can be read of it can be taken with repairs. */
    public bool $damaged = false;

    /** There is nothing in the file. */
    public static function empty(): self
    {
        return new self('The file is empty. Ask for it again; a DXF file begins with a line “0” or “999”.');
    }

    /** @param  string  $kind  what the file is instead */
    public static function otherKind(string $kind, string $remedy): self
    {
        return new self("This is $kind, not a DXF drawing. $remedy");
    }

    /** @param  string  $sentences  what is wrong, and what to ask for */
    public static function because(string $sentences): self
    {
        return new self($sentences);
    }

    /** @param  string  $at  where a file that can't be mended ends */
    public static function cutOff(string $at): self
    {
        return new self("The file ends in $at: it was cut off on its way. Ask for it again.");
    }

    /** @param  int  $line  from 1 */
    public static function noCode(int $line, string $found): self
    {
        return self::damaged(sprintf(
            'Line %d: a group code (a whole number) was expected, and “%s” stands there. The file is damaged from here or is no DXF '
                .'file; ask for it again.',
            $line, self::quote($found),
        ));
    }

    /** @param  int  $byte  where in the file */
    public static function noBinaryCode(int $byte, int $found): self
    {
        return self::damaged(
            "Byte $byte: $found is no group code of a binary DXF. The file is damaged from here; ask for it again, as text if possible.",
        );
    }

    /** @param  int  $line  from 1 */
    public static function lineTooLong(int $line): self
    {
        return self::damaged("Line $line is longer than any line of a DXF. The file is damaged or of another kind; ask for it again.");
    }

    /** @param  string  $at  place where the file ends */
    public static function truncated(string $at): self
    {
        return self::damaged("The file ends in $at, before its closing EOF: it was cut off on its way. Ask for it again.");
    }

    /**
     * @param  string  $at  place in the file
     * @param  int  $code  of the group
     */
    public static function badNumber(string $at, string $type, int $code, string $found): self
    {
        return self::damaged(sprintf(
            '%s (%s), group %d: “%s” is not a coordinate. The file is damaged; ask for it again.', ucfirst($at), $type, $code,
            self::quote($found),
        ));
    }

    /**
     * @param  string  $at  place in the file
     * @param  int  $code  of the group that is missing
     */
    public static function missing(string $at, string $type, int $code): self
    {
        return self::damaged(
            sprintf('%s (%s): the coordinate of group %d is missing. The file is damaged; ask for it again.', ucfirst($at), $type, $code),
        );
    }

    /**
     * @param  string  $version  of the format
     * @param  list<string>  $leftOut  what there was and why it was not taken, a phrase each
     * @param  list<string>  $said  sentences on what was found in the file
     */
    public static function noGeometry(string $version, array $leftOut, array $said = []): self
    {
        $nothing = match (true) {
            $version === 'Shapefile' => 'The shapefiles hold nothing that Parlay reads: no points, lines or outlines.',
            str_starts_with($version, 'IFC') => 'The model holds nothing that Parlay reads: no grid lines, bodies or annotations with a place.',
            default => 'The drawing holds nothing that Parlay reads: no lines, arcs, circles, points, texts or blocks in its model space.',
        };

        return new self(implode(' ', [
            $nothing, ...($leftOut === [] ? [] : ['Left out: '.mb_substr(implode('; ', array_slice($leftOut, 0, 5)), 0, 500).'.']), ...array_slice($said, 0, 3),
        ]));
    }

    private static function damaged(string $message): self
    {
        $problem = new self($message);
        $problem->damaged = true;

        return $problem;
    }

    private static function quote(string $found): string
    {
        return mb_substr(mb_scrub($found), 0, 30);
    }
}
