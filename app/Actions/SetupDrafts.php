<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\DraftBody;
use App\Http\Bodies\DraftChangeBody;
use App\Http\Body;
use App\Models\Project;
use App\Models\SetupDraft;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\ImplausibleEntry;
use Parlay\Core\Instrument\Target;

/** The setup being made, and with it the target and the air in use. */
final class SetupDrafts
{
    public static function of(Project $project): DraftBody
    {
        $content = SetupDraft::query()->find($project->id)?->content;

        return $content === null ? new DraftBody : Body::restore($content, DraftBody::class);
    }

    /** @param  string  $content as stored */
    public static function restore(string $content): DraftBody
    {
        return Body::restore(json_decode($content, true, flags: JSON_THROW_ON_ERROR), DraftBody::class);
    }

    /** @throws ImplausibleEntry */
    public static function change(Project $project, DraftChangeBody $change): void
    {
        DB::transaction(static function () use ($project, $change): void {
            $given = array_filter(get_object_vars($change), static fn (mixed $value) => $value !== null);
            self::keep($project, new DraftBody(...[...get_object_vars(self::of($project)), ...$given]));
        });
    }

    /** @throws ImplausibleEntry */
    public static function keep(Project $project, DraftBody $draft): void
    {
        new Target($draft->targetHeight, $draft->prismConstant);
        new Atmosphere($draft->pressure, $draft->temperature);
        if (! ($draft->instrumentHeight >= 0 && $draft->instrumentHeight <= 6)) {
            throw ImplausibleEntry::height('An instrument height', $draft->instrumentHeight);
        }
        $content = json_decode(json_encode($draft, JSON_THROW_ON_ERROR), true);
        SetupDraft::query()->upsert([['project_id' => $project->id, 'content' => json_encode($content, JSON_THROW_ON_ERROR)]], ['project_id']);
        $project->changed();
    }
}
