<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

/** What of alignments and surfaces is at a place. */
final readonly class GroundHere
{
    /**
     * @param  list<BesideAlignment>  $alignments  the nearest first
     * @param  list<SurfaceHere>  $surfaces
     */
    public function __construct(
        #[ListOf(BesideAlignment::class)]
        public array $alignments,
        #[ListOf(SurfaceHere::class)]
        public array $surfaces,
    ) {}

    public static function of(Project $project, Position $at): self
    {
        $beside = CivilAlignment::query()->where('project_id', $project->id)->whereNull('removed_at')->where('visible', true)->orderBy('id')->get()
            ->map(static fn (CivilAlignment $a) => BesideAlignment::of($a, $at))->all();
        usort($beside, static fn (BesideAlignment $a, BesideAlignment $b) => $a->away <=> $b->away);

        return new self(array_slice($beside, 0, 3), SurfaceHere::of($project->id, $at));
    }
}
