<?php

declare(strict_types=1);

namespace App\Designs\Actions;

use App\Control\Models\ControlPoint;
use App\Designs\PlacementChosen;
use App\Designs\PlacementFound;
use App\Designs\PlacementWanted;
use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Similarity;

/** Where matched points, or a typed shift and turn, would put a drawing; with the residual at every pair. */
final class PlaceDrawing
{
    public function __invoke(Project $project, PlacementWanted $body): PlacementFound
    {
        $typed = $body->typed;
        if ($typed !== null) {
            return self::answer(Similarity::turnAndShift($typed->rotation, 1.0, $typed->dEasting, $typed->dNorthing), []);
        }
        $control = ControlPoint::of($project)->whereIn('id', array_column($body->pairs, 'controlId'))->get()->keyBy('id');
        $pairs = [];
        foreach ($body->pairs as $pair) {
            $mark = $control->get($pair->controlId);
            if ($mark instanceof ControlPoint) {
                $u = $body->unit->metres();
                $pairs[] = [new Position($pair->y * $u, $pair->x * $u), $mark->position()];
            }
        }
        if ($body->holdFirst && (count($pairs) !== 2 || $body->withScale)) {
            throw new \DomainException('One point is held where there are two pairs and no scale: the second gives the direction alone.');
        }
        $placement = match (true) {
            count($pairs) < 2 => null,
            $body->holdFirst => Similarity::holding($pairs[0], $pairs[1]),
            default => Similarity::of($pairs, $body->withScale),
        };
        if ($placement === null) {
            throw new \DomainException('Two different points of the drawing, with the control points they are, are needed to place it.');
        }

        return self::answer($placement, array_map(static fn (array $p) => $placement->apply($p[0])->distanceTo($p[1]), $pairs));
    }

    /** @param  list<float>  $residuals */
    private static function answer(Similarity $s, array $residuals): PlacementFound
    {
        return new PlacementFound(new PlacementChosen(false, $s->a, $s->b, $s->dx, $s->dy), $s->rotation(), $s->scale(), $residuals);
    }
}
