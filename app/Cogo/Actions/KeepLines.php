<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Clock;
use App\Cogo\Construct;
use App\Cogo\DrawnShapes;
use App\Cogo\Givens;
use App\Cogo\LinesToKeep;
use App\Designs\DesignRole;
use App\Designs\HeightsChoice;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Projects\Preparation;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Geometry\Leg;
use Parlay\Core\Units\LengthUnit;

/** Makes a drawing of what was computed, so that its lines can be touched, measured along and offset like any other. */
final class KeepLines
{
    private const COLOUR = 0x2F5D8C;

    public function __invoke(Project $project, LinesToKeep $body): Design
    {
        $name = PointName::checked($body->name);
        $made = (new Construct(new Givens($project, new DrawnShapes($project)), $project->length_style))->made($body->construction);
        $layer = new DrawingLayer($name, self::COLOUR);
        foreach ($made->solutions as $solution) {
            foreach ($solution->letter === $body->letter ? $solution->drawn : [] as $i => $leg) {
                self::add($layer, $leg, $i + 1, self::COLOUR);
            }
        }
        if ($layer->count === 0) {
            throw new \DomainException('There is no line to keep in this figure.');
        }

        return Preparation::step($project, "Lines $name", static fn (Preparation $step): Design => self::drawing(
            $project, $step, $name, 'made here by '.$body->construction->kind->words(), 'leg', [$layer],
        ));
    }

    /**
     * @param  string  $source  what it was made from
     * @param  string  $place  what the number of a line counts there
     * @param  non-empty-list<DrawingLayer>  $layers  each with something on it
     */
    public static function drawing(Project $project, Preparation $step, string $name, string $source, string $place, array $layers): Design
    {
        $extents = array_values(array_filter(array_map(static fn (DrawingLayer $l) => $l->extent(), $layers)));
        // Undone is removed, not deleted: points made from it keep their source.
        $design = Design::query()->create([
            'project_id' => $project->id, 'name' => $name, 'file_name' => $source,
            'file_hash' => '', 'unit' => LengthUnit::Metre->value, 'upload' => '',
            'heights' => HeightsChoice::Used->value, 'remarks' => [], 'taken_at' => Clock::stamp(),
            'removed_at' => Clock::stamp(), 'role' => DesignRole::Background->value, 'revision' => '',
            'current' => true, 'place_word' => $place, 'strays' => [], 'extent' => $extents === [] ? null
                : [
                    min(array_column($extents, 0)), min(array_column($extents, 1)), max(array_column($extents, 2)),
                    max(array_column($extents, 3)),
                ],
        ]);
        foreach ($layers as $layer) {
            DesignLayer::keep($design, $layer);
        }
        $step->update($design, ['removed_at' => null]);

        return $design;
    }

    /** @param  int  $place  what the number of the line counts in its source */
    public static function add(DrawingLayer $layer, Leg $leg, int $place, int $rgb): void
    {
        $z = static fn (?float $elevation): float => $elevation ?? NAN;
        $centre = $leg->centre();
        if ($leg->length() === 0.0) {
            return;
        }
        $centre === null
            ? $layer->add(ShapeKind::Line, $place, $rgb, [
                $leg->from->easting, $leg->from->northing, $z($leg->from->elevation), $leg->to->easting, $leg->to->northing,
                $z($leg->to->elevation), 0.0, 0.0, 0.0,
            ])
            : $layer->add(ShapeKind::Arc, $place, $rgb, [
                $centre->easting, $centre->northing, $z($leg->from->elevation), $leg->radius(),
                atan2($leg->from->northing - $centre->northing, $leg->from->easting - $centre->easting), -$leg->sweep, 0.0, 0.0, 0.0,
            ]);
    }
}
