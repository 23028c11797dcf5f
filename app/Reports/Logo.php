<?php

declare(strict_types=1);

namespace App\Reports;

use App\Pixels;

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
        $drawn = Pixels::fit(Pixels::of($bytes, self::LARGEST, self::MOST), self::WIDE, self::HIGH);
        ob_start();
        imagepng($drawn, null, 9);

        return (string) ob_get_clean();
    }

    /** Whether bytes are a picture as this makes them. */
    public static function isOne(string $bytes): bool
    {
        $size = @getimagesizefromstring($bytes);

        return $size !== false && $size[2] === IMAGETYPE_PNG && $size[0] <= self::WIDE && $size[1] <= self::HIGH && @imagecreatefromstring($bytes) !== false;
    }
}
