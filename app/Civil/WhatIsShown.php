<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Civil\Models\CivilSurface;
use App\Civil\Models\Phase;
use App\Designs\DesignRole;
use App\Designs\Models\Design;
use App\Projects\Models\Project;

/** Which drawing and surface of a project are worked with, and what is shown beside them. */
final readonly class WhatIsShown
{
    /**
     * @param  array<int, bool>  $designs  by number: whether each is shown beside the active one
     * @param  array<int, bool>  $alignments
     * @param  array<int, bool>  $surfaces
     */
    private function __construct(public ?int $design, public ?int $surface, public float $verticalOffset, public array $designs, public array $alignments, public array $surfaces) {}

    public static function in(Project $project): self
    {
        $choices = CivilChoices::of($project);
        $visible = static fn (string $class): array => array_map(boolval(...), $class::query()->where('project_id', $project->id)->whereNull('removed_at')->pluck('visible', 'id')->all());
        $designs = Design::of($project)->pluck('role', 'id')->map(static fn (string $role): bool => $role === DesignRole::Background->value)->all();
        // One that was removed is worked with no more.
        $active = isset($designs[$project->active_design_id]) ? $project->active_design_id : null;

        return new self($active, $choices->surfaceId, $choices->verticalOffset, $designs, $visible(CivilAlignment::class), $visible(CivilSurface::class));
    }

    /** @param  array<int, int>  $revised  the newest revision of each drawing that has one: it stands in the phase where the old one did */
    public static function ofPhase(Phase $phase, array $revised): self
    {
        $of = static fn (string $column): array => $phase->members->whereNotNull($column)->pluck('shown', $column)->all();
        $designs = [];
        foreach ($of('design_id') as $id => $shown) {
            $now = $revised[$id] ?? $id;
            $designs[$now] = $shown || ($designs[$now] ?? false);
        }

        return new self(
            $phase->design_id === null ? null : $revised[$phase->design_id] ?? $phase->design_id, $phase->surface_id, $phase->vertical_offset,
            $designs, $of('alignment_id'), $of('surface_id'),
        );
    }

    /** @return array<int, int> */
    public static function revised(Project $project): array
    {
        $next = array_map(intval(...), Design::of($project)->whereNotNull('revises_id')->orderBy('id')->pluck('id', 'revises_id')->all());
        // Numbers grow from one revision to the next, so the last is known before those that lead to it.
        foreach (array_reverse(array_keys($next)) as $old) {
            $next[$old] = $next[$next[$old]] ?? $next[$old];
        }

        return $next;
    }

    /** Whether this is what is shown now. What it does not know because it came later, or is gone, counts for nothing. */
    public function fits(self $now): bool
    {
        // Alike in what both know, whichever order they list it in.
        $same = static fn (array $wanted, array $there): bool => array_intersect_key($wanted, $there) == array_intersect_key($there, $wanted);
        $beside = static fn (array $designs, ?int $active): array => array_diff_key($designs, $active === null ? [] : [$active => true]);

        return $this->design === $now->design && $this->surface === $now->surface && abs($this->verticalOffset - $now->verticalOffset) < 1e-9
            && $same($beside($this->designs, $this->design), $now->designs) && $same($this->alignments, $now->alignments) && $same($this->surfaces, $now->surfaces);
    }
}
