<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Clock;
use App\Instrument\Models\Instrument;
use App\Instrument\Models\Target as KeptTarget;
use App\Projects\Models\Project;
use App\Setups\AirMode;
use App\Setups\Draft;
use App\Setups\DraftChange;
use App\Setups\DraftLine;
use App\Setups\DraftReadings;
use App\Setups\HeightMode;
use App\Setups\Models\SetupDraft;
use App\Typed\Values;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Setups\SiteLine;

/** The setup being made, and with it the target and the air in use. */
final class SetupDrafts
{
    public static function of(Project $project): Draft
    {
        $content = SetupDraft::query()->find($project->id)?->content;

        return $content === null ? new Draft : self::read($content);
    }

    /**
     * Drafts of earlier versions knew a sight only as used or not.
     *
     * @param  array<string, mixed>  $content
     */
    public static function read(array $content): Draft
    {
        foreach ($content['sights'] ?? [] as $i => $s) {
            if (array_key_exists('used', $s)) {
                $content['sights'][$i] = array_diff_key($s, ['used' => true]) + ['plan' => $s['used'], 'height' => $s['used']];
            }
        }

        return Values::of($content, Draft::class);
    }

    /** @param  string  $content as stored */
    public static function restore(string $content): Draft
    {
        return self::read(json_decode($content, true, flags: JSON_THROW_ON_ERROR));
    }

    /** @throws ImplausibleEntry */
    public static function change(Project $project, DraftChange $change): void
    {
        DB::transaction(static function () use ($project, $change): void {
            $now = self::of($project);
            $given = array_filter(get_object_vars($change), static fn (mixed $value) => $value !== null);
            unset($given['seenReadings'], $given['seen']);
            self::refuseUnseen($now, $given, $change->seen);
            $given = self::marked($now, $given);
            $given = [...self::fromTarget($project, $change), ...$given, ...DraftReadings::meant($now, $change)];
            self::keep($project, self::withHeight($project, new Draft(...[...get_object_vars($now), ...$given, ...self::told($given)])));
        });
    }

    /**
     * A line of which nobody said how well it is marked is marked as the one before it was, in this project.
     *
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    private static function marked(Draft $now, array $given): array
    {
        $last = SiteLine::MARKED;
        foreach ($now->lines as $line) {
            $last = $line->deviation ?? $last;
        }
        foreach ($given['lines'] ?? [] as $i => $line) {
            $given['lines'][$i] = $line->deviation === null ? new DraftLine(...['deviation' => $last] + get_object_vars($line)) : $line;
            if (! ($given['lines'][$i]->deviation >= 0.0 && $given['lines'][$i]->deviation <= 0.1)) {
                throw new \DomainException("How well line “{$line->name}” is marked lies between 0 and 100 mm.");
            }
        }

        return $given;
    }

    /** @param  array<string, mixed>  $given */
    private static function refuseUnseen(Draft $now, array $given, ?DraftChange $seen): void
    {
        foreach ($seen === null ? [] : $given as $field => $value) {
            if (! is_array($value) && $seen?->$field !== null && $now->$field != $seen->$field && $value != $now->$field) {
                throw new \DomainException(
                    'The setup being made was changed elsewhere meanwhile. It is shown as it is now; make your change again.',
                );
            }
        }
    }

    /**
     * A target that is chosen brings its constant and its height.
     *
     * @return array<string, float>
     */
    private static function fromTarget(Project $project, DraftChange $change): array
    {
        $target = $change->targetId === null ? null : KeptTarget::of($project)->findOrFail($change->targetId);

        return $target === null ? [] : ['targetHeight' => $target->height, 'prismConstant' => $target->prism_constant];
    }

    /**
     * Told again as they were, heights and air are told all the same.
     *
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    private static function told(array $given): array
    {
        $is = static fn (string ...$fields): bool => array_intersect_key($given, array_flip($fields)) !== [];

        return ($is('pressure', 'temperature', 'ppm') ? ['airAt' => Clock::stamp()] : [])
            + ($is('instrumentHeight', 'slantedHeight') ? ['heightTold' => true] : [])
            + ($is('targetHeight') ? ['targetTold' => true] : []);
    }

    /** A slanted height is reduced by the notch of the instrument in use. */
    private static function withHeight(Project $project, Draft $draft): Draft
    {
        if ($draft->heightMode === HeightMode::Straight) {
            return $draft;
        }
        $instrument = $draft->instrumentId === null ? null : Instrument::of($project)->find($draft->instrumentId);
        if ($instrument === null || $instrument->notch_radius <= 0.0) {
            throw new \DomainException(
                'To measure the height slanted, choose an instrument whose notch radius is known. Its figures are under “Instruments '
                    .'and targets”.',
            );
        }

        return new Draft(...['instrumentHeight' => $instrument->notch()->straight($draft->slantedHeight)] + get_object_vars($draft));
    }

    /** What distances are corrected by where the standard carrier does not say it. */
    private static function ppm(Project $project, Draft $draft): ?float
    {
        if ($draft->airMode === AirMode::Typed) {
            return $draft->ppm;
        }

        return $draft->instrumentId === null ? null : Instrument::of($project)
            ->find($draft->instrumentId)
            ?->ppm(new Atmosphere($draft->pressure, $draft->temperature, $draft->humidity));
    }

    /** @throws ImplausibleEntry */
    public static function keep(Project $project, Draft $draft): void
    {
        new Target($draft->targetHeight, $draft->prismConstant);
        (new Atmosphere($draft->pressure, $draft->temperature, $draft->humidity, $draft->refraction))->given($draft->ppm);
        if (! ($draft->scale >= 0.9 && $draft->scale <= 1.1)) {
            throw ImplausibleEntry::scale($draft->scale);
        }
        if (count(array_unique(array_map(static fn (DraftLine $l) => $l->name, $draft->lines))) < count($draft->lines)) {
            throw new \DomainException('Two lines have one name. Give each line a name of its own.');
        }
        if (! ($draft->instrumentHeight >= 0 && $draft->instrumentHeight <= 6)) {
            throw ImplausibleEntry::height('An instrument height', $draft->instrumentHeight);
        }
        $draft = new Draft(...['ppmInUse' => self::ppm($project, $draft)] + get_object_vars($draft));
        $content = json_decode(json_encode($draft, JSON_THROW_ON_ERROR), true);
        SetupDraft::query()->upsert(
            [['project_id' => $project->id, 'content' => json_encode($content, JSON_THROW_ON_ERROR)]], ['project_id'],
        );
        $project->measured();
    }
}
