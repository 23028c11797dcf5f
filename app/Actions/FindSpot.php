<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Bodies\SpotBody;
use App\Models\Design;
use App\Models\DesignLayer;
use App\Models\Project;
use Parlay\Core\Design\Shape;
use Parlay\Core\Design\Spot;
use Parlay\Core\Design\SpotKind;
use Parlay\Core\Geometry\Position;

/** Exact coordinates of a spot that was pointed at in the browser, and how they came about. */
final class FindSpot
{
    /** @return array{Position, string} */
    public function __invoke(Project $project, SpotBody $body): array
    {
        [$shape, $layer] = $this->shape($project, $body->layerId, $body->shape);
        $file = $layer->design->file_name.($layer->design->revision === '' ? '' : " (revision {$layer->design->revision})");
        $place = $layer->design->place_word;
        if ($body->kind !== SpotKind::Intersection) {
            $word = $body->kind === SpotKind::Start ? 'end' : $body->kind->value;

            return [Spot::of($shape, $body->kind), ucfirst("$word of {$shape->kind->word()}, layer {$layer->name}, $place {$shape->place} of $file")];
        }
        if ($body->withLayerId === null || $body->withShape === null) {
            throw new \DomainException('An intersection needs the second line or arc.');
        }
        [$other, $otherLayer] = $this->shape($project, $body->withLayerId, $body->withShape);
        $near = new Position($body->nearNorthing ?? $shape->pointAt(0.5)->northing, $body->nearEasting ?? $shape->pointAt(0.5)->easting);

        return [Spot::crossing($shape, $other, $near), "Intersection of {$shape->kind->word()} ($place {$shape->place}, layer {$layer->name}) and {$other->kind->word()} ($place {$other->place}, layer {$otherLayer->name}) of $file"];
    }

    /** @return array{Shape, DesignLayer} */
    private function shape(Project $project, int $layerId, int $index): array
    {
        $layer = DesignLayer::query()->select(['id', 'design_id', 'name'])->with(['design' => static fn ($q) => $q->select(Design::LISTED)])
            ->whereHas('design', static fn ($q) => $q->where('project_id', $project->id)->whereNull('removed_at'))->find($layerId);
        $shape = $index < 0 ? null : $layer?->shape($index);
        if ($layer === null || $shape === null) {
            throw new \DomainException('That part of the drawing is not here any more. Touch it again.');
        }

        return [$shape, $layer];
    }
}
