<?php

declare(strict_types=1);

namespace App\Civil\Actions;

use App\Civil\CivilChange;
use App\Civil\CivilChoices;
use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Clock;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;

/** Names, shows and removes alignments and surfaces, and says which surface is worked with. */
final class ChangeCivil
{
    public function choices(Project $project, CivilChoices $choices): void
    {
        $choices->check();
        if ($choices->surfaceId !== null) {
            CivilSurface::inProject($project, $choices->surfaceId);
        }
        $project->update(['civil' => json_encode($choices, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
        $project->changed();
    }

    public function change(Project $project, CivilAlignment|CivilSurface $row, CivilChange $change): void
    {
        if ($change->visible !== null) {
            // Shown or hidden, it is the same: undo does not go over it.
            $row->update(['visible' => $change->visible]);
            $project->changed();
        }
        $values = array_filter([
            'name' => $change->name === null ? null : PointName::checked($change->name),
            'kind' => $row instanceof CivilSurface ? $change->kind : null,
        ], static fn (mixed $v) => $v !== null);
        if ($row instanceof CivilSurface && $change->tolerance !== null) {
            if (! ($change->tolerance >= 0.0 && $change->tolerance <= 10.0)) {
                throw new \DomainException('A grade is judged within 0 to 10 metres.');
            }
            $values['tolerance'] = $change->tolerance === 0.0 ? null : $change->tolerance;
        }
        if ($values !== []) {
            Preparation::step($project, "Changed {$row->name}", static fn (Preparation $step) => $step->update($row, $values));
        }
    }

    /** Marks keep what they were made to, and undo brings it back. */
    public function remove(Project $project, CivilAlignment|CivilSurface $row): void
    {
        Preparation::step($project, "Removed {$row->name}", static function (Preparation $step) use ($project, $row): void {
            $step->update($row, ['removed_at' => Clock::stamp()]);
            $choices = CivilChoices::of($project);
            if ($row instanceof CivilSurface && $choices->surfaceId === $row->id) {
                $step->update($project, ['civil' => json_encode(['surfaceId' => null] + (array) $choices, JSON_THROW_ON_ERROR)]);
            }
        });
    }
}
