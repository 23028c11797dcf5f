<?php

declare(strict_types=1);

namespace App\Projects;

use App\Projects\Models\Project;

/** Something of the field that rests on rows of the preparation: asked before these vanish. */
interface HangsOnRows
{
    /**
     * @param  array<string, array<int, string>>  $rows  name by id, by table: those that are about to vanish
     * @return list<string> a phrase for each kind of thing that hangs there
     */
    public function on(Project $project, array $rows): array;
}
