<?php

declare(strict_types=1);

namespace App\Cogo\Actions;

use App\Cogo\DrawnShapes;
use App\Cogo\GivenDirection;
use App\Cogo\GivenPlace;
use App\Cogo\Givens;
use App\Cogo\GridWanted;
use App\Cogo\GridWay;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Projects\Models\Project;
use Parlay\Core\Control\GridLine;
use Parlay\Core\Control\GridNames;
use Parlay\Core\Control\GridRecognition;
use Parlay\Core\Control\TypedGrid;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Geometry\NoConstruction;

final class PreviewGrid
{
    /** @return list<GridLine> */
    public function __invoke(Project $project, GridWanted $body): array
    {
        if ($body->way === GridWay::Drawing) {
            $lines = GridRecognition::in($this->layers($project, $body->layerIds));

            return $lines !== [] ? $lines : throw new \DomainException(
                'No long straight line with a short name (A, B, 1, 2, 4.5) at its end was found on these layers. Choose the layers of '
                    .'the lines and of their names.',
            );
        }
        $givens = new Givens($project, new DrawnShapes($project));
        $origin = $givens->place($body->origin ?? new GivenPlace);
        if ($body->way === GridWay::Places) {
            $end = $givens->place($body->end ?? new GivenPlace);

            return $origin->distanceTo($end) > 0.0
                ? [new GridLine($body->first, GridNames::family($body->first), $origin, $end)]
                : throw new \DomainException('Both ends are the same place. Touch the other end of the line.');
        }
        $azimuth = $givens->direction($body->direction ?? new GivenDirection(0.0));
        try {
            return $body->way === GridWay::Spacings
                ? TypedGrid::crossing(
                    $origin, $azimuth, $body->first, $body->spacings, $body->crossFirst, $body->crossSpacings, $body->skew,
                )
                : TypedGrid::radial($origin, $azimuth, $body->first, $body->spacings, $body->crossFirst, $body->crossSpacings);
        } catch (NoConstruction $e) {
            throw new \DomainException($e->in($project->length_style));
        }
    }

    /**
     * @param  list<int>  $ids
     * @return list<DrawingLayer>
     */
    private function layers(Project $project, array $ids): array
    {
        $layers = DesignLayer::query()->select(['id', 'design_id', 'name', 'kinds'])
            ->whereIn('design_id', Design::of($project)->select('id'))
            ->whereIn('id', $ids)
            ->get();

        return array_values($layers->map(static fn (DesignLayer $l) => $l->drawing())->all());
    }
}
