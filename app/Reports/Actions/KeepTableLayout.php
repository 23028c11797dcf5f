<?php

declare(strict_types=1);

namespace App\Reports\Actions;

use App\Projects\Models\Project;
use App\Reports\Models\TableLayout;
use App\Reports\TableColumns;
use App\Reports\TableLayoutWanted;

/** Keeps which columns of the report's table go out under a name, and forgets it. */
final class KeepTableLayout
{
    public function keep(Project $project, TableLayoutWanted $wanted): TableLayout
    {
        $unknown = array_diff($wanted->columns, TableColumns::all($project));
        if ($unknown !== []) {
            throw new \DomainException('The table has no column “'.implode('”, “', array_slice($unknown, 0, 3)).'”.');
        }
        $kept = TableLayout::of($project)->updateOrCreate(['name' => trim($wanted->name)], ['columns' => $wanted->columns]);
        $project->measured();

        return $kept;
    }

    public function forget(Project $project, int $layout): void
    {
        TableLayout::of($project)->findOrFail($layout)->delete();
        $project->measured();
    }
}
