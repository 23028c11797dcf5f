<?php

declare(strict_types=1);

namespace App\Reports;

/** A picture from outside, drawn anew: what is kept is its pixels, and nothing else that the file carried. */
final class Logo
{
    private const WIDE = 900;

    private const HIGH = 300;

    /** Pixels that are taken into memory. */
    private const MOST = 8_000_000;

    /** Of the file that comes in, bytes. */
    private const LARGEST = 5_000_000;

    /**
     * @return string PNG on white, at most 900 by 300 pixels
     *
     * @throws \DomainException where it is no picture, or too large
     */
    public static function of(string $bytes): string
    {
        $size = strlen($bytes) > self::LARGEST ? false : @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            throw new \DomainException('This is no picture that can be printed. Take a PNG or JPEG of at most 5 MB.');
        }
        [$width, $height] = $size;
        if ($width < 1 || $height < 1 || $width * $height > self::MOST) {
            throw new \DomainException("The picture has $width by $height pixels; up to 8 million in all are taken. Make it smaller.");
        }
        $image = @imagecreatefromstring($bytes);
        if ($image === false) {
            throw new \DomainException('The picture is damaged. Save it once more, as PNG or JPEG.');
        }

        return self::drawn($image, $width, $height);
    }

    private static function drawn(\GdImage $image, int $width, int $height): string
    {
        $scale = min(1.0, self::WIDE / $width, self::HIGH / $height);
        [$w, $h] = [max(1, (int) round($width * $scale)), max(1, (int) round($height * $scale))];
        $paper = imagecreatetruecolor($w, $h);
        // What is clear in it is paper.
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255));
        imagecopyresampled($paper, $image, 0, 0, 0, 0, $w, $h, $width, $height);
        ob_start();
        imagepng($paper, null, 9);

        return (string) ob_get_clean();
    }

    /** Whether bytes are a picture as this makes them. */
    public static function isOne(string $bytes): bool
    {
        $size = @getimagesizefromstring($bytes);

        return $size !== false && $size[2] === IMAGETYPE_PNG && $size[0] <= self::WIDE && $size[1] <= self::HIGH && @imagecreatefromstring($bytes) !== false;
    }
}
