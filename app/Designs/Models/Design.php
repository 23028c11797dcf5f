<?php

declare(strict_types=1);

namespace App\Designs\Models;

use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

final class Design extends Model
{
    public $timestamps = false;

    protected $casts = [
        'remarks' => 'array', 'current' => 'boolean', 'extent' => 'array', 'strays' => 'array', 'placement' => 'array',
        'changes' => 'array',
    ];

    /** All but the packed changes, which are fetched by themselves. */
    public const LISTED = [
        'id', 'project_id', 'name', 'file_name', 'file_hash', 'unit', 'heights', 'remarks', 'taken_at', 'removed_at', 'role',
        'revision', 'revises_id', 'current', 'upload', 'place_word', 'extent', 'strays', 'placement', 'changes',
    ];

    /**
     * Those that were not put away.
     *
     * @return HasMany<self, Project>
     */
    public static function of(Project $project): HasMany
    {
        return $project->hasMany(self::class)->whereNull('removed_at');
    }

    /**
     * Without their packed shapes, which are fetched a layer at a time.
     *
     * @return HasMany<DesignLayer, $this>
     */
    public function layers(): HasMany
    {
        return $this
            ->hasMany(DesignLayer::class)
            ->select(['id', 'design_id', 'name', 'colour', 'own_colour', 'visible', 'pickable', 'count', 'kinds', 'strings', 'extent'])
            ->orderBy('id');
    }
}
