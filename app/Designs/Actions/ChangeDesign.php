<?php

declare(strict_types=1);

namespace App\Designs\Actions;

use App\Clock;
use App\Designs\DesignChange;
use App\Designs\DesignRole;
use App\Designs\LayerChange;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;

/** Changes what a drawing is called and is for, how its layers are shown, and removes it. */
final class ChangeDesign
{
    public function change(Project $project, int $design, DesignChange $change): void
    {
        $row = Design::of($project)->findOrFail($design, Design::LISTED);
        Preparation::step($project, "Changed drawing {$row->name}", static function (Preparation $step) use ($project, $row, $change): void {
            Seen::refuseOther(
                $row->refresh(), $change->seen === null ? null : ['name' => $change->seen->name, 'role' => $change->seen->role->value],
                $row->name,
            );
            $step->update($row, ['name' => mb_substr(trim($change->name), 0, 200) ?: $row->name, 'role' => $change->role->value]);
            $active = $change->active && $change->role === DesignRole::Design;
            if ($active !== ($project->active_design_id === $row->id)) {
                $step->update($project, ['active_design_id' => $active ? $row->id : null]);
            }
        });
    }

    /** Sets what is given for these layers; it is kept with the project, and undo does not go over it. */
    public function layers(Project $project, LayerChange $change): void
    {
        if ($change->colour !== null && preg_match('~^(#[0-9a-f]{6})?$~i', $change->colour) !== 1) {
            throw new \DomainException('A colour is written #rrggbb.');
        }
        $values = array_filter(['visible' => $change->visible, 'pickable' => $change->pickable], static fn (?bool $v) => $v !== null)
            + ($change->colour === null ? [] : ['own_colour' => $change->colour === '' ? null : strtolower($change->colour)]);
        if ($values !== []) {
            DesignLayer::query()->whereIn('design_id', Design::of($project)->select('id'))->whereIn('id', $change->layerIds)->update($values);
            $project->changed();
        }
    }

    /** Its points stay, and undo brings it back. */
    public function remove(Project $project, int $design): void
    {
        $row = Design::of($project)->findOrFail($design);
        Preparation::step(
            $project, "Removed drawing {$row->name}",
            static fn (Preparation $step) => $step->update($row, ['removed_at' => Clock::stamp()]),
        );
    }
}
