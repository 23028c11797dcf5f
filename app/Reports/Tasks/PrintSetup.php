<?php

declare(strict_types=1);

namespace App\Reports\Tasks;

use App\Instrument\Models\Observation;
use App\PrintZone;
use App\Projects\Models\Project;
use App\Reports\Figures;
use App\Reports\Models\Letterhead;
use App\Reports\Pdf;
use App\Reports\SetupDrawing;
use App\Setups\Models\Setup;
use App\Setups\SetupEntry;
use App\Tasks\Models\Task;
use App\Tasks\Progress;
use App\Tasks\Work;

/** Prints a setup: its place, what it rests on, and how far it is to be trusted. */
final class PrintSetup implements Work
{
    public function __invoke(Task $task, Progress $progress): array
    {
        $project = Project::query()->findOrFail($task->project_id);
        $setup = Setup::of($project)->findOrFail((int) $task->input['setupId']);
        $ids = [...array_column($setup->sights, 'observationId'), ...array_column($setup->draft['shots'] ?? [], 'observationId')];
        $html = view('setup', [
            'project' => $project, 'setup' => $setup, 'entry' => SetupEntry::of($setup),
            'found' => $setup->found(), 'figures' => new Figures($project->units(), PrintZone::named((string) ($task->input['zone'] ?? 'UTC'))),
            'readings' => Observation::query()->whereIn('id', $ids)->orderBy('id')->get(),
            'versions' => Setup::of($project)->whereRaw('coalesce(stands_for, id) = ?', [$setup->root()])->orderBy('id')->get(),
            'drawing' => SetupDrawing::svg($setup),
        ])->render();
        Pdf::write($html, "{$project->name} · setup {$setup->number}, {$setup->station_name}", PrintReport::path($task), $progress, Letterhead::in($project));

        return ['file' => "/api/v1/projects/{$project->id}/reports/{$task->id}.pdf"];
    }
}
