<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Projects\Models\Project;
use App\Stakeout\RunSettings;
use App\Stakeout\RunState;
use App\Typed\Values;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** Many points staked one after another, driven by the process that holds the link. */
final class Run extends Model
{
    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['why' => '', 'place' => 0];

    protected $casts = ['state' => RunState::class, 'settings' => 'array', 'place' => 'integer', 'project_id' => 'integer'];

    public function settings(): RunSettings
    {
        return Values::of($this->settings, RunSettings::class);
    }

    public function current(): ?RunStep
    {
        return $this->steps()->where('place', $this->place)->first();
    }

    /** @return HasMany<RunStep, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(RunStep::class);
    }

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }
}
