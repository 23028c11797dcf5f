<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\CivilChoices;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\Models\Phase;
use App\Civil\PhaseToKeep;
use App\Civil\WhatIsShown;
use App\Designs\DesignRole;
use App\Designs\Models\Design;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Projects\PointName;
use Illuminate\Support\Facades\DB;

/** Keeps what is shown as a phase, and switches to one. Done in the field as in the office: undo does not go over it. */
final class Phases
{
    private const MOST = 50;

    public function keep(Project $project, PhaseToKeep $body): Phase
    {
        $name = PointName::checked($body->name);

        return DB::transaction(function () use ($project, $body, $name): Phase {
            $phase = Phase::of($project)->where('name', $name)->first();
            if ($phase !== null && ! $body->again) {
                throw new NeedsConfirmation("There is a phase “{$name}” already. Shall it be what is shown now?", 'phase_exists');
            }
            if ($phase === null && Phase::of($project)->count() >= self::MOST) {
                throw new \DomainException('A project has '.self::MOST.' phases at most. Delete one first.');
            }
            $now = WhatIsShown::in($project);
            $phase ??= new Phase(['project_id' => $project->id, 'name' => $name]);
            $phase->fill(['design_id' => $now->design, 'surface_id' => $now->surface, 'vertical_offset' => $now->verticalOffset])->save();
            $phase->members()->delete();
            $rows = [];
            foreach (['design_id' => $now->designs, 'alignment_id' => $now->alignments, 'surface_id' => $now->surfaces] as $column => $shown) {
                foreach ($shown as $id => $is) {
                    $rows[] = [$column => $id, 'shown' => $is];
                }
            }
            $phase->members()->createMany($rows);
            $project->changed();

            return $phase->load('members');
        });
    }

    /** What was removed since stays away; what came since stays as it is. */
    public function switch(Project $project, int $id): Phase
    {
        return DB::transaction(function () use ($project, $id): Phase {
            $phase = Phase::of($project)->with('members')->findOrFail($id);
            $wanted = WhatIsShown::ofPhase($phase, WhatIsShown::revised($project));
            $now = WhatIsShown::in($project);
            self::refuseGone($phase, $wanted, $now);
            foreach ([true, false] as $is) {
                $those = static fn (array $shown): array => array_keys(array_filter($shown, static fn (bool $v): bool => $v === $is));
                // The one that is worked with is no background.
                $designs = [...$those(array_diff_key($wanted->designs, [(int) $wanted->design => true])), ...($is ? [] : [(int) $wanted->design])];
                Design::of($project)->whereIntegerInRaw('id', $designs)->update(['role' => ($is ? DesignRole::Background : DesignRole::Design)->value]);
                CivilAlignment::query()->where('project_id', $project->id)->whereIntegerInRaw('id', $those($wanted->alignments))->update(['visible' => $is]);
                CivilSurface::query()->where('project_id', $project->id)->whereIntegerInRaw('id', $those($wanted->surfaces))->update(['visible' => $is]);
            }
            $choices = ['surfaceId' => $wanted->surface, 'verticalOffset' => $wanted->verticalOffset] + (array) CivilChoices::of($project);
            $project->update(['active_design_id' => $wanted->design, 'civil' => json_encode($choices, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
            $project->changed();

            return $phase;
        });
    }

    public function delete(Project $project, int $id): void
    {
        DB::transaction(static function () use ($project, $id): void {
            $phase = Phase::of($project)->findOrFail($id);
            $phase->members()->delete();
            $phase->delete();
            $project->changed();
        });
    }

    /** Nobody is led by another surface than the phase says, because its own is gone. */
    private static function refuseGone(Phase $phase, WhatIsShown $wanted, WhatIsShown $now): void
    {
        $gone = match (true) {
            $wanted->design !== null && ! isset($now->designs[$wanted->design]) => 'drawing',
            $wanted->surface !== null && ! isset($now->surfaces[$wanted->surface]) => 'surface',
            default => null,
        };
        if ($gone !== null) {
            throw new \DomainException("The $gone of the phase “{$phase->name}” was removed. Undo that, or show what belongs to the phase now and keep it under its name again.");
        }
    }
}
