<?php

declare(strict_types=1);

namespace App;

/** A picture from outside as its pixels: what is drawn anew from them carries nothing else of the file. */
final class Pixels
{
    /**
     * @param  int  $largest  of the file, bytes
     * @param  int  $most  that are taken into memory
     *
     * @throws \DomainException where it is no picture, too large or damaged
     */
    public static function of(string $bytes, int $largest, int $most): \GdImage
    {
        $size = strlen($bytes) > $largest ? false : @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            throw new \DomainException('This is no picture that can be printed. Take a PNG or JPEG of at most '.intdiv($largest, 1_000_000).' MB.');
        }
        [$width, $height] = $size;
        if ($width < 1 || $height < 1 || $width * $height > $most) {
            throw new \DomainException("The picture has $width by $height pixels; up to ".intdiv($most, 1_000_000).' million in all are taken. Make it smaller.');
        }

        return @imagecreatefromstring($bytes) ?: throw new \DomainException('The picture is damaged. Save it once more, as PNG or JPEG.');
    }

    /** Made smaller where it is larger, on white: what is clear in it is paper. */
    public static function fit(\GdImage $image, int $wide, int $high): \GdImage
    {
        [$width, $height] = [imagesx($image), imagesy($image)];
        $scale = min(1.0, $wide / $width, $high / $height);
        [$w, $h] = [max(1, (int) round($width * $scale)), max(1, (int) round($height * $scale))];
        $paper = imagecreatetruecolor($w, $h);
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255));
        imagecopyresampled($paper, $image, 0, 0, 0, 0, $w, $h, $width, $height);

        return $paper;
    }
}
