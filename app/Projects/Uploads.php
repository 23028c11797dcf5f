<?php

declare(strict_types=1);

namespace App\Projects;

use App\Projects\Models\Project;
use Parlay\Core\Formats\Ifc\KeptElements;

/** Files as they came, kept under a name of our own; what the sender called them is only a label. */
final class Uploads
{
    /** A part of a file that nobody has written to for so long is left over, seconds. */
    private const MADE_WITHIN = 3600;

    /**
     * Takes a file away from where it lies and keeps it.
     *
     * @param  string  $name  what its sender calls it
     * @param  Project|null  $project  whose it is; nobody else's can take it. null for a packed project, which is nobody's yet
     */
    public static function keep(string $path, string $name, ?Project $project): Upload
    {
        $token = bin2hex(random_bytes(16));
        $label = self::label($name);
        $bytes = (int) @filesize($path);
        @mkdir(self::folder(), 0o755, true);
        @file_put_contents(self::folder()."/$token.name", $label);
        @file_put_contents(self::folder()."/$token.of", self::owner($project));
        if (! @rename($path, self::folder()."/$token")) {
            self::forget($token);
            throw new \DomainException(
                'The file could not be kept: the disk of the data folder is full, or may not be written to. Make room, then send it again.',
            );
        }

        return new Upload($token, $label, $bytes);
    }

    /** The same of a file that stays where it is. */
    public static function keepCopy(string $path, ?Project $project): Upload
    {
        $copy = tempnam(sys_get_temp_dir(), 'parlay') ?: throw new \RuntimeException('No temporary file.');
        copy($path, $copy);

        return self::keep($copy, basename($path), $project);
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
        file_put_contents(self::folder()."/$token.name", self::label($name));
        file_put_contents(self::folder()."/$token.of", self::owner($project));
        $copy(self::folder()."/$token");

        return $token;
    }

    public static function forget(string $token): void
    {
        foreach (['', '.name', '.of'] as $ending) {
            @unlink(self::folder().'/'.basename($token).$ending);
        }
        // What was made from it to be looked at goes with it.
        array_map(unlink(...), glob(self::folder().'/'.basename($token).'.{bodies,things,changes,elements,frame}-*', GLOB_BRACE) ?: []);
    }

    /** What was being made beside a file when Parlay was stopped; nobody writes at it any more. */
    public static function clearParts(): void
    {
        foreach (glob(self::folder().'/*.part') ?: [] as $part) {
            if ((int) @filemtime($part) < time() - self::MADE_WITHIN) {
                @unlink($part);
            }
        }
    }

    /** All files of a project, also those that no row names. */
    public static function forgetAllOf(Project $project): void
    {
        foreach (glob(self::folder().'/*.of') ?: [] as $of) {
            if (@file_get_contents($of) === self::owner($project)) {
                self::forget(basename($of, '.of'));
            }
        }
    }

    public static function path(string $token): string
    {
        if (preg_match('~^[0-9a-f]{32}$~', $token) !== 1 || ! is_file(self::folder()."/$token")) {
            throw self::gone();
        }

        return self::folder()."/$token";
    }

    /** Where what was worked out of a building model is kept beside it. */
    public static function elementsOf(string $token): string
    {
        return KeptElements::at(self::path($token));
    }

    /** Also of a file that is gone meanwhile. */
    public static function forgetElements(string $token): void
    {
        @unlink(KeptElements::at(self::folder().'/'.basename($token)));
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
