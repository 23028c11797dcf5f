<?php

declare(strict_types=1);

namespace App;

use App\Models\Project;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\File\Exception\FileException;

/** Files as they came, kept under a name of our own; what the sender called them is only a label. */
final class Uploads
{
    /**
     * The file of a request that brings one.
     *
     * @return array{upload: string, fileName: string, bytes: int}
     */
    public static function arrived(Request $request, ?Project $project): array
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new \DomainException('No file arrived. It must be sent as “file” and be under 200 MB.');
        }

        return self::keep($file, $project);
    }

    /**
     * @param  Project|null  $project  whose it is; nobody else's can take it. null for a packed project, which is nobody's yet
     * @return array{upload: string, fileName: string, bytes: int}
     */
    public static function keep(UploadedFile $file, ?Project $project): array
    {
        $token = bin2hex(random_bytes(16));
        $label = self::label($file->getClientOriginalName());
        $bytes = (int) $file->getSize();
        @mkdir(self::folder(), 0o755, true);
        @file_put_contents(self::folder()."/$token.name", $label);
        @file_put_contents(self::folder()."/$token.of", self::owner($project));
        try {
            $file->move(self::folder(), $token);
        } catch (FileException) {
            self::forget($token);
            throw new \DomainException('The file could not be kept: the disk of the data folder is full, or may not be written to. Make room, then send it again.');
        }

        return ['upload' => $token, 'fileName' => $label, 'bytes' => $bytes];
    }

    /** Refuses a token of another project: whoever learns one can do nothing with it elsewhere. */
    public static function require(string $token, ?Project $project): void
    {
        if (@file_get_contents(self::path($token).'.of') !== self::owner($project)) {
            throw self::gone();
        }
    }

    private static function owner(?Project $project): string
    {
        return $project === null ? 'packed' : "project {$project->id}";
    }

    private static function gone(): \DomainException
    {
        return new \DomainException('That file is not here any more. Choose it again.');
    }

    /**
     * A file that came packed in a project.
     *
     * @param  callable(string): void  $copy  writes it to a path
     */
    public static function unpacked(Project $project, string $name, callable $copy): string
    {
        $token = bin2hex(random_bytes(16));
        @mkdir(self::folder(), 0o755, true);
        $copy(self::folder()."/$token");
        file_put_contents(self::folder()."/$token.name", self::label($name));
        file_put_contents(self::folder()."/$token.of", self::owner($project));

        return $token;
    }

    public static function forget(string $token): void
    {
        foreach (['', '.name', '.of'] as $ending) {
            @unlink(self::folder().'/'.basename($token).$ending);
        }
    }

    public static function path(string $token): string
    {
        if (preg_match('~^[0-9a-f]{32}$~', $token) !== 1 || ! is_file(self::folder()."/$token")) {
            throw self::gone();
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
