<?php

declare(strict_types=1);

namespace App\Practice;

use App\Projects\Models\Project;

/** The stand-in's other door: what a practising surveyor does in the world that Parlay is not told of. */
final class PracticeWorld
{
    /** seconds; a busy machine answers late */
    private const WAITS = 4.0;

    /**
     * To a site that was laid out before, where the tripod stands as it was left.
     *
     * @return array<string, mixed>|null null where none was laid out, or no stand-in runs
     */
    public function goTo(Project $project): ?array
    {
        try {
            return $this->do(['do' => 'go', 'site' => self::site($project)]);
        } catch (\DomainException) {
            return null;
        }
    }

    public static function site(Project $project): string
    {
        return "project {$project->id}";
    }

    /**
     * @param  array<string, mixed>  $deed
     * @return array<string, mixed> the world as it now is
     *
     * @throws \DomainException where it is not running or will not
     */
    public function do(array $deed): array
    {
        $socket = @stream_socket_client('tcp://'.config()->string('parlay.world_address'), $code, $message, self::WAITS);
        if ($socket === false) {
            throw new \DomainException('The stand-in instrument is not running. Start Parlay again, or set up a real instrument.');
        }
        stream_set_timeout($socket, (int) self::WAITS);
        fwrite($socket, json_encode($deed, JSON_THROW_ON_ERROR)."\n");
        $answer = json_decode((string) stream_get_line($socket, 1_048_576, "\n"), true);
        fclose($socket);
        if (! is_array($answer) || ! is_array($answer['world'] ?? null)) {
            throw new \DomainException(
                is_array($answer) && is_string($answer['error'] ?? null) ? $answer['error'] : 'The stand-in did not answer.',
            );
        }

        return $answer['world'];
    }
}
