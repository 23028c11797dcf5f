<?php

declare(strict_types=1);

namespace App\FieldBook;

use App\Pixels;

/** A photograph as it is kept: its pixels, upright, and nothing of what a camera writes beside them (who, where, with what). */
final class Picture
{
    /** Longer side, pixels: names on a stake can be read on it, and a hundred of them are no burden. */
    public const SIDE = 1600;

    /** Of the file that comes in, bytes. */
    private const LARGEST = 15_000_000;

    private const MOST = 16_000_000;

    private const QUALITY = 80;

    /**
     * @return string JPEG
     *
     * @throws \DomainException where it is no picture, too large or damaged
     */
    public static function of(string $bytes): string
    {
        $image = Pixels::fit(Pixels::of($bytes, self::LARGEST, self::MOST), self::SIDE, self::SIDE);
        $image = self::upright($image, self::orientation($bytes));
        ob_start();
        imagejpeg($image, null, self::QUALITY);

        return (string) ob_get_clean();
    }

    /** Whether bytes are a picture as this makes them. */
    public static function isOne(string $bytes): bool
    {
        $size = @getimagesizefromstring($bytes);

        return $size !== false && $size[2] === IMAGETYPE_JPEG && max($size[0], $size[1]) <= self::SIDE && @imagecreatefromstring($bytes) !== false;
    }

    /** How the camera was held, 1 to 8 as Exif has it; 1 where nothing says. */
    private static function orientation(string $bytes): int
    {
        // Read from a file in memory; PNG carries none that counts.
        $file = str_starts_with($bytes, "\xFF\xD8") && function_exists('exif_read_data') ? fopen('php://memory', 'w+b') : false;
        if ($file === false) {
            return 1;
        }
        fwrite($file, $bytes);
        rewind($file);
        $told = @exif_read_data($file);

        return (int) ($told['Orientation'] ?? 1);
    }

    private static function upright(\GdImage $image, int $orientation): \GdImage
    {
        // Exif 2.32, 4.6.4: 2, 4, 5 and 7 are seen in a mirror.
        if (in_array($orientation, [2, 4, 5, 7], true)) {
            imageflip($image, IMG_FLIP_HORIZONTAL);
        }
        $turn = [3 => 180, 4 => 180, 5 => 90, 6 => 270, 7 => 270, 8 => 90][$orientation] ?? 0;

        return $turn === 0 ? $image : (imagerotate($image, $turn, 0) ?: $image);
    }
}
