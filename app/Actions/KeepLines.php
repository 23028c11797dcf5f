<?php

declare(strict_types=1);

namespace App\Actions;

use App\Clock;
use App\Cogo\Construct;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Http\Bodies\DesignRole;
use App\Http\Bodies\HeightsChoice;
use App\Http\Bodies\KeepLinesBody;
use App\Models\Design;
use App\Models\DesignLayer;
use App\Models\Project;
use App\Preparation;
use Parlay\Core\Cogo\Leg;
use Parlay\Core\Design\DrawingLayer;
use Parlay\Core\Design\ShapeKind;
use Parlay\Core\Units\LengthUnit;

/** Makes a drawing of what was computed, so that its lines can be touched, measured along and offset like any other. */
final class KeepLines
{
    private const COLOUR = 0x2F5D8C;

    public function __invoke(Project $project, KeepLinesBody $body): Design
    {
        $name = PointName::checked($body->name);
        $made = (new Construct(new Givens($project, new DrawnShapes($project)), $project->length_style))->made($body->construction);
        $layer = new DrawingLayer($name, self::COLOUR);
        foreach ($made->solutions as $solution) {
            foreach ($solution->letter === $body->letter ? $solution->drawn : [] as $i => $leg) {
                self::add($layer, $leg, $i + 1);
            }
        }
        if ($layer->count === 0) {
            throw new \DomainException('There is no line to keep in this figure.');
        }

        return Preparation::step($project, "Lines $name", static function (Preparation $step) use ($project, $name, $layer, $body): Design {
            // Undone is removed, not deleted: points made from it keep their source.
            $design = Design::query()->create([
                'project_id' => $project->id, 'name' => $name, 'file_name' => 'made here by '.$body->construction->kind->words(), 'file_hash' => '', 'unit' => LengthUnit::Metre->value, 'upload' => '',
                'heights' => HeightsChoice::Used->value, 'remarks' => [], 'taken_at' => Clock::stamp(), 'removed_at' => Clock::stamp(), 'role' => DesignRole::Background->value, 'revision' => '',
                'current' => true, 'place_word' => 'leg', 'extent' => $layer->extent(), 'strays' => [],
            ]);
            DesignLayer::keep($design, $layer);
            $step->update($design, ['removed_at' => null]);

            return $design;
        });
    }

    private static function add(DrawingLayer $layer, Leg $leg, int $place): void
    {
        $z = static fn (?float $elevation): float => $elevation ?? NAN;
        $centre = $leg->centre();
        if ($leg->length() === 0.0) {
            return;
        }
        $centre === null
            ? $layer->add(ShapeKind::Line, $place, self::COLOUR, [$leg->from->easting, $leg->from->northing, $z($leg->from->elevation), $leg->to->easting, $leg->to->northing, $z($leg->to->elevation), 0.0, 0.0, 0.0])
            : $layer->add(ShapeKind::Arc, $place, self::COLOUR, [$centre->easting, $centre->northing, $z($leg->from->elevation), $leg->radius(), atan2($leg->from->northing - $centre->northing, $leg->from->easting - $centre->easting), -$leg->sweep, 0.0, 0.0, 0.0]);
    }
}
