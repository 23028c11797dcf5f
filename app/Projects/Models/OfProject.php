<?php

declare(strict_types=1);

namespace App\Projects\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;

/** Rows that belong to a project. They know it; a project knows nothing of what is kept in it. */
trait OfProject
{
    /** @return HasMany<static, Project> */
    public static function of(Project $project): HasMany
    {
        return $project->hasMany(self::class);
    }
}
