<?php

declare(strict_types=1);

namespace App\Projects\Actions;

use App\Projects\Models\Project;
use App\Projects\ProjectSettings;
use App\Seen;
use Illuminate\Support\Facades\DB;

/** Changes name, units and tolerances: only what is shown, never what is stored. */
final class ChangeProject
{
    public function __invoke(Project $project, ProjectSettings $settings): void
    {
        DB::transaction(static function () use ($project, $settings): void {
            Seen::refuseOther($project->refresh(), $settings->seen === null ? null : CreateProject::columns($settings->seen), $project->name);
            $project->update(CreateProject::columns($settings));
            $project->changed();
        });
    }
}
