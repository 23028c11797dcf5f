<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Buildings\ElementPart;
use App\Buildings\PartFound;
use App\Cogo\Actions\FindSpot;
use App\Cogo\DrawnShapes;
use App\Cogo\GivenPlace;
use App\Cogo\GivenPolyline;
use App\Cogo\Givens;
use App\Cogo\Words;
use App\Control\Models\GridLine;
use App\Designs\ShapeRef;
use App\Projects\Models\Project;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;

/** What was touched in the field, found in the project as it stands, with what it is called and where it comes from. */
final readonly class AimGivens
{
    private Givens $givens;

    private DrawnShapes $shapes;

    private Words $words;

    /** @param  bool  $newest  as the newest revision of its drawing has it, not as it was touched */
    public function __construct(private Project $project, bool $newest = false)
    {
        $this->shapes = new DrawnShapes($project, $newest);
        $this->givens = new Givens($project, $this->shapes);
        $this->words = new Words($project, $this->shapes);
    }

    /** @param  list<int>  $layerIds  of the shapes that will be asked for, one for each */
    public function expect(array $layerIds): void
    {
        $this->shapes->expect($layerIds);
    }

    public function place(GivenPlace $given): Position
    {
        return $this->givens->place($given);
    }

    public function line(GivenPolyline $given): Polyline
    {
        return $this->givens->chain($given);
    }

    public function part(ElementPart $given): PartFound
    {
        return $this->shapes->things->part($given);
    }

    /** Short, for a button. */
    public function placeName(GivenPlace $given): string
    {
        if ($given->spot === null) {
            return $this->words->called($given);
        }
        $word = match ($given->spot->kind) {
            SpotKind::Start, SpotKind::End => $given->spot->withShape === null ? 'end' : 'corner',
            SpotKind::Intersection => 'crossing',
            SpotKind::Insertion => 'place',
            SpotKind::On => 'place on',
            default => $given->spot->kind->value,
        };
        $shape = $this->shapes->of($given->spot->layerId, $given->spot->shape);

        return "$word, {$shape->kind->word()} on ".$this->shapes->layer($given->spot->layerId)->name;
    }

    public function placeSource(GivenPlace $given): string
    {
        return $this->words->place($given);
    }

    public function lineName(GivenPolyline $given): string
    {
        if ($given->gridLineId !== null) {
            return 'grid line '.GridLine::of($this->project)->whereKey($given->gridLineId)->value('name');
        }
        if ($given->shapes === []) {
            $ends = [$given->places[0], $given->places[count($given->places) - 1]];

            return implode(' to ', array_map($this->words->called(...), $ends));
        }

        return $this->shapes->layer($given->shapes[0]->layerId)->name.' '
            .$this->shapes->of($given->shapes[0]->layerId, $given->shapes[0]->shape)->kind->word();
    }

    public function lineSource(GivenPolyline $given): string
    {
        if ($given->gridLineId !== null) {
            return ucfirst($this->lineName($given)).' of the column grid';
        }
        if ($given->shapes === []) {
            return 'From '.implode(' to ', array_map($this->words->place(...), $given->places));
        }

        return implode('; ', array_map(fn (ShapeRef $ref) => FindSpot::piece($this->shapes, $ref), array_slice($given->shapes, 0, 4)))
            .(count($given->shapes) > 4 ? '; and more' : '');
    }
}
