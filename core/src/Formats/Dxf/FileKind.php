<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Dxf;

/** Tells by its first bytes what a file is, and what to ask the designer for where it is no drawing that can be read. */
final class FileKind
{
    private const HEAD = 65_536;

    /**
     * @param  resource  $stream  seekable, at its beginning
     * @param  Repairs|null  $repairs  given for a damaged file: what can be read is, and every repair is noted here
     *
     * @throws UnreadableDrawing where the first bytes are those of something else
     */
    public static function open($stream, ?Repairs $repairs = null): Tags
    {
        $head = (string) fread($stream, self::HEAD);
        rewind($stream);
        if (preg_match(BinaryTags::SENTINEL, $head) === 1) {
            return new BinaryTags($stream);
        }
        self::refuseOthers($head);
        if (str_starts_with($head, "\xEF\xBB\xBF")) {
            fseek($stream, 3);
        }
        if ($repairs !== null) {
            return new MendingTags($stream, $repairs);
        }

        return new TextTags($stream, ! str_contains($head, "\n") && str_contains($head, "\r"));
    }

    private static function refuseOthers(string $head): void
    {
        if (trim($head) === '') {
            throw UnreadableDrawing::empty();
        }
        [$kind, $remedy] = match (true) {
            preg_match('~^AC1\d\.?\d\d~', $head) === 1 => [
                'a DWG, a closed binary format',
                'Ask the designer to save the drawing as DXF (any version from R12 to 2018, text or binary), in model space, with '
                    .'external references bound.',
            ],
            str_starts_with($head, '%PDF') => [
                'a PDF, which holds a picture of the drawing and not its coordinates',
                'Ask the designer for the DXF it was printed from.',
            ],
            str_starts_with(
                $head, "\x89PNG",
            ), str_starts_with($head, "\xFF\xD8\xFF"), str_starts_with($head, 'GIF8'), str_starts_with($head, 'II*'), str_starts_with(
                $head, "MM\0*",
            ), str_starts_with($head, 'BM') && str_contains(substr($head, 2, 30), "\0") => [
                'a picture', 'Nothing can be staked from a picture. Ask the designer for the DXF behind it.',
            ],
            str_starts_with($head, 'PK') => ['a packed (zip) file', 'Unpack it and choose the DXF in it.'],
            str_starts_with($head, 'ISO-10303-21') => ['a building model (IFC)', 'Ask the designer for a DXF of the floor.'],
            preg_match('~<(ex:)?(ifcXML|iso_10303_28)|ifcXML/~i', $head) === 1 => [
                'a building model written as ifcXML', 'Ask the designer for it as IFC in its usual form, a text that begins with ISO-10303-21.',
            ],
            preg_match('~^\s*<(\?xml|LandXML)~', $head) === 1 => [
                'an XML file', 'If it is LandXML with points, bring it in under Points or Control.',
            ],
            str_starts_with(
                $head, "\xFF\xFE",
            ), str_starts_with($head, "\xFE\xFF") => ['a UTF-16 text', 'A DXF is never written so: ask for it again.'],
            substr_count($head, "\0") > 4
                && preg_match('~^\s*(0|999)\s*\n~', $head) !== 1 => ['a binary file of another kind', 'Ask the designer for a DXF.'],
            default => [null, ''],
        };
        if ($kind !== null) {
            throw UnreadableDrawing::otherKind($kind, $remedy);
        }
    }
}
