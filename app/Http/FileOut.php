<?php

declare(strict_types=1);

namespace App\Http;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** A file that goes out a piece at a time. */
final class FileOut
{
    public const CSV = 'text/csv; charset=UTF-8';

    /**
     * @param  iterable<string>  $pieces
     * @param  string  $name  that it is saved by: plain letters
     */
    public static function pieces(iterable $pieces, string $name, string $type): StreamedResponse
    {
        // What can't be written is said before anything went out.
        $pieces instanceof \Generator && $pieces->current();

        return new StreamedResponse(static function () use ($pieces): void {
            foreach ($pieces as $piece) {
                echo $piece;
            }
        }, 200, self::headers($name, $type));
    }

    /** @param  \Closure(resource): mixed  $write  takes where it is written to */
    public static function csv(\Closure $write, string $name): StreamedResponse
    {
        return new StreamedResponse(static function () use ($write): void {
            $write(fopen('php://output', 'wb') ?: throw new \RuntimeException('No output.'));
        }, 200, self::headers($name, self::CSV));
    }

    /** @return array<string, string> */
    public static function headers(string $name, string $type): array
    {
        return ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename=\"$name\""];
    }
}
