<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\UnreadableStep;

/** A building model as it comes: a STEP file, or one in a zip. */
final class IfcFile
{
    /** bytes, unpacked */
    private const LARGEST = 2 << 30;

    private const MOST_FILES = 2000;

    private const MEMBER = '~^(?!__MACOSX/)(?:.*/)?[^./][^/]*\.ifc$~i';

    /** Whether a zip holds one, by the names in it. */
    public static function isIn(string $path): bool
    {
        $zip = new \ZipArchive;

        return $zip->open($path, \ZipArchive::RDONLY) === true && self::members($zip) !== [];
    }

    /**
     * @return resource that can be read again; unpacked beside, where it came in a zip, and gone with the process
     *
     * @throws UnreadableStep
     */
    public static function stream(string $path)
    {
        $stream = @fopen($path, 'rb') ?: throw UnreadableStep::because('That file can’t be opened. Choose it again.');
        if (fread($stream, 2) !== 'PK') {
            return $stream;
        }
        fclose($stream);
        $zip = new \ZipArchive;
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw UnreadableStep::because('The packed (zip) file can’t be opened: it was cut off on its way. Send it again.');
        }
        $members = self::members($zip);
        if (count($members) !== 1) {
            throw UnreadableStep::because(sprintf('The packed (zip) file holds %s. Send one model at a time.', $members === [] ? 'no building model (IFC)' : count($members).' building models'));
        }

        return self::unpacked($zip, $members[0]);
    }

    /** @return resource */
    private static function unpacked(\ZipArchive $zip, int $member)
    {
        if (($zip->statIndex($member)['encryption_method'] ?? 0) !== 0) {
            throw UnreadableStep::because('The packed (zip) file has a password. Ask for it without one.');
        }
        $from = $zip->getStreamIndex($member);
        $to = tmpfile();
        if ($from === false || $to === false) {
            throw UnreadableStep::because('The model in the packed (zip) file can’t be unpacked. Send it again.');
        }
        // What the zip says of its size is not believed.
        $size = 0;
        while (! feof($from)) {
            $part = @fread($from, 1 << 20);
            if ($part === false || ($part === '' && ! feof($from))) {
                throw UnreadableStep::because('The model in the packed (zip) file is damaged. Send it again.');
            }
            $size += strlen($part);
            if ($size > self::LARGEST) {
                throw UnreadableStep::because('The model unpacks to more than 2 GB. Ask for a part of it.');
            }
            if ($part !== '' && fwrite($to, $part) !== strlen($part)) {
                throw UnreadableStep::because('There is no room left on the disk to unpack the model. Make room, then choose it again.');
            }
        }
        rewind($to);

        return $to;
    }

    /** @return list<int> */
    private static function members(\ZipArchive $zip): array
    {
        $members = [];
        for ($i = 0; $i < min($zip->numFiles, self::MOST_FILES); $i++) {
            if (preg_match(self::MEMBER, (string) $zip->getNameIndex($i, \ZipArchive::FL_ENC_RAW)) === 1) {
                $members[] = $i;
            }
        }

        return $members;
    }
}
