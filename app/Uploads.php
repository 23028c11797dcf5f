<?php

declare(strict_types=1);

namespace App;

use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** Files as they came, kept under a name of our own; what the sender called them is only a label. */
final class Uploads
{
    /**
     * The file of a request that brings one.
     *
     * @return array{upload: string, fileName: string, bytes: int}
     */
    public static function arrived(Request $request): array
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new \DomainException('No file arrived. It must be sent as “file” and be under 200 MB.');
        }

        return self::keep($file);
    }

    /** @return array{upload: string, fileName: string, bytes: int} */
    public static function keep(UploadedFile $file): array
    {
        $token = bin2hex(random_bytes(16));
        $label = self::label($file->getClientOriginalName());
        $bytes = (int) $file->getSize();
        @mkdir(self::folder(), 0o755, true);
        file_put_contents(self::folder()."/$token.name", $label);
        $file->move(self::folder(), $token);

        return ['upload' => $token, 'fileName' => $label, 'bytes' => $bytes];
    }

    public static function path(string $token): string
    {
        if (preg_match('~^[0-9a-f]{32}$~', $token) !== 1 || ! is_file(self::folder()."/$token")) {
            throw new \DomainException('That file is not here any more. Choose it again.');
        }

        return self::folder()."/$token";
    }

    public static function nameOf(string $token): string
    {
        return (string) file_get_contents(self::path($token).'.name');
    }

    /** @return resource */
    public static function open(string $token)
    {
        return fopen(self::path($token), 'rb') ?: throw new \DomainException('That file can’t be opened. Choose it again.');
    }

    private static function label(string $name): string
    {
        $name = mb_scrub(basename(str_replace('\\', '/', $name)));

        return mb_substr(preg_replace('~[\x00-\x1F\x7F]~u', '', $name) ?: 'file', 0, 120);
    }

    private static function folder(): string
    {
        return config()->string('parlay.data').'/uploads';
    }
}
