<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Cogo\Actions\FindSpot;
use App\Control\Models\ControlPoint;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Parlay\Core\Cogo\ConstructionKind;

/** Says in words how something was computed, for lists and reports. */
final class Words
{
    private const MOST_NAMES = 4;

    /** @var array<int, string> */
    private array $points = [];

    /** @var array<int, string> */
    private array $control = [];

    public function __construct(
        private readonly Project $project,
        private readonly DrawnShapes $shapes,
    ) {}

    /**
     * Names read once for many sentences.
     *
     * @param  array<int, string>  $points  by id
     */
    public function know(array $points): void
    {
        $this->points = $points;
    }

    public function of(Construction $b): string
    {
        $spot = $b->kind === ConstructionKind::Place ? ($b->places[0]->spot ?? null) : null;
        if ($spot !== null) {
            return FindSpot::described($this->shapes, $spot);
        }
        $element = $b->kind === ConstructionKind::Place ? ($b->places[0]->element ?? null) : null;
        if ($element !== null) {
            return $this->shapes->things->described($element);
        }
        $places = array_map($this->brief(...), array_slice($b->places, 0, self::MOST_NAMES));
        if (count($b->places) > self::MOST_NAMES) {
            $places[] = (count($b->places) - self::MOST_NAMES).' more';
        }
        $distances = array_filter(array_map($this->distance(...), $b->distances));
        $drawn = $b->chain?->shapes[0] ?? $b->lines[0]->shape ?? null;
        $parts = array_filter([
            $places === [] ? '' : 'from '.implode(', ', $places),
            $distances === [] ? '' : implode(' and ', $distances),
            $b->offset === 0.0
                ? ''
                : $this->project->length_style->format(abs($b->offset)).($b->offset < 0 ? ' to the left' : ' to the right'),
            $drawn === null
                ? ''
                : 'layer '.$this->shapes->layer($drawn->layerId)->name.' of '.$this->shapes->layer($drawn->layerId)->design->file_name,
        ]);

        return ucfirst($b->kind->words()).($parts === [] ? '' : ' '.implode(', ', $parts));
    }

    /** Where a place was taken from. */
    public function place(GivenPlace $g): string
    {
        return match (true) {
            $g->spot !== null => FindSpot::described($this->shapes, $g->spot),
            $g->element !== null => $this->shapes->things->described($g->element),
            $g->pointId !== null => 'stakeout point '.$this->brief($g),
            $g->controlId !== null => 'control point '.$this->brief($g),
            default => 'typed',
        };
    }

    /** What a place is called, alone. */
    public function called(GivenPlace $g): string
    {
        return $this->brief($g);
    }

    private function brief(GivenPlace $g): string
    {
        return match (true) {
            $g->pointId !== null => $this->points[$g->pointId] ??= (string) StakeoutPoint::of($this->project)->whereKey($g->pointId)->value('name'),
            $g->controlId !== null => $this->control[$g->controlId] ??= (string) ControlPoint::of($this->project)
                ->whereKey($g->controlId)
                ->value('name'),
            $g->spot !== null => 'a spot of the drawing',
            $g->element !== null => 'a spot of the model',
            default => 'typed coordinates',
        };
    }

    private function distance(GivenDistance $d): string
    {
        return $d->metres === null ? '' : $this->project->length_style->format($d->metres + $d->plus);
    }
}
