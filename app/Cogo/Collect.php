<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Control\Models\GridLine;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Designs\ShapeRef;
use App\Designs\TouchedSpot;
use App\Projects\Models\Project;
use Parlay\Core\Cogo\ConstructionKind;
use Parlay\Core\Control\GridCrossing;
use Parlay\Core\Designs\Alike;
use Parlay\Core\Designs\Attributes;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\LayerCrossings;
use Parlay\Core\Designs\Shape;
use Parlay\Core\Designs\ShapeKind;
use Parlay\Core\Designs\ShapeLegs;
use Parlay\Core\Designs\SpotKind;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Polyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Points\Name;

/** Finds many places of a drawing at once; each comes with a recipe of its own. */
final class Collect
{
    private const MOST = 50_000;

    /** @var array<int, DrawingLayer> */
    private array $layers = [];

    public function __construct(private readonly Project $project) {}

    /**
     * @return list<Candidate>
     * @throws \DomainException
     */
    public function places(PlacesWanted $body): array
    {
        try {
            $found = match ($body->kind) {
                CollectionKind::Circles => $this->circles($body),
                CollectionKind::Insertions => $this->insertions($body),
                CollectionKind::Ends => $this->ends($body),
                CollectionKind::Crossings => $this->crossings($body),
                CollectionKind::Along => $this->along($body),
                CollectionKind::OutlineCorners => $this->outlineCorners($body),
                CollectionKind::GridCrossings => $this->gridCrossings($body->separator),
            };
        } catch (NoConstruction $e) {
            throw new \DomainException($e->in($this->project->length_style));
        }

        return count($found) > self::MOST
            ? throw new \DomainException('These are more than 50,000 places. Choose fewer layers or lines, or a longer interval.')
            : $found;
    }

    /** @return list<Candidate> */
    private function circles(PlacesWanted $body): array
    {
        $like = $body->like === null ? null : $this->layer($body->like->layerId)->shape($body->like->shape);
        $isEllipse = $like?->kind === ShapeKind::Ellipse && abs($like->v[8]) >= 2 * M_PI - 1e-6;
        if ($like !== null && $like->kind !== ShapeKind::Circle && ! $isEllipse) {
            throw new \DomainException("That is a {$like->kind->word()}, not a circle. Touch the rim of a circle.");
        }
        $radius = $like === null || $isEllipse ? $body->radius : $like->v[3];
        $found = [];
        foreach ($this->layerIds($body) as $id) {
            $layer = $this->layer($id);
            foreach ($isEllipse && $like !== null ? Alike::ellipses($layer, $like) : Alike::circles($layer, $radius) as $i) {
                $found[] = self::spot($id, $i, SpotKind::Centre, $layer->shape($i)->anchor() ?? new Position(0, 0));
            }
        }

        return $found;
    }

    /** @return list<Candidate> */
    private function insertions(PlacesWanted $body): array
    {
        if ($body->like === null) {
            throw new \DomainException('Touch one of the blocks.');
        }
        $model = $this->layer($body->like->layerId);
        $shape = $model->shape($body->like->shape);
        if ($shape->kind !== ShapeKind::Insert) {
            throw new \DomainException('That is a '.$shape->kind->word().', not a block. Touch the place where a block is inserted.');
        }
        $block = $model->strings[(int) $shape->v[4]] ?? '';
        $found = $names = [];
        foreach ($this->layerIds($body) as $id) {
            $layer = $this->layer($id);
            foreach (Alike::insertions($layer, $block) as $i) {
                $insert = $layer->shape($i);
                $spot = self::spot($id, $i, SpotKind::Insertion, $insert->pointAt(0.0));
                $candidate = $body->along === 0.0 && $body->offset === 0.0
                    ? $spot
                    : self::beside($spot, new ShapeRef($id, $i), $insert, $shape, $body);
                $found[] = $candidate->named(self::nameFrom(Attributes::of($layer, $insert)[$body->attribute] ?? '', $names));
            }
        }

        return $found;
    }

    /**
     * What an attribute says, made a name of its own where several say the same; null where it says nothing.
     *
     * @param  array<string, true>  $names  given so far, with a letter before them so that they stay text
     */
    private static function nameFrom(string $text, array &$names): ?string
    {
        $text = trim($text);
        if ($text === '') {
            return null;
        }
        $name = isset($names["n$text"]) ? Name::free($text, static fn (string $n) => isset($names["n$n"])) : $text;
        $names["n$name"] = true;

        return $name;
    }

    /** @return list<string> what the touched block fills in, by which its points can be named */
    public function attributes(PlacesWanted $body): array
    {
        if ($body->kind !== CollectionKind::Insertions || $body->like === null) {
            return [];
        }
        $layer = $this->layer($body->like->layerId);

        return array_map(strval(...), array_keys(Attributes::of($layer, $layer->shape($body->like->shape))));
    }

    /** A place shown on one block, stretched and mirrored on another as that one is. */
    private static function beside(Candidate $spot, ShapeRef $ref, Shape $insert, Shape $like, PlacesWanted $body): Candidate
    {
        [[$x, $y], [$u, $v]] = [$insert->stretched(), $like->stretched()];
        [$along, $right, $azimuth] = [$body->along * $y / $v, $body->offset * $x / $u, $insert->azimuth()];
        $place = $spot->position->along($azimuth, $along)->along($azimuth + M_PI_2, $right, $spot->position->elevation);
        $construction = new Construction(
            ConstructionKind::BoltList, $spot->construction->places, [new GivenDirection(shape: $ref)],
            pattern: [new GivenOffset($along, $right)],
        );

        return new Candidate($construction, $place);
    }

    /** @return list<Candidate> */
    private function ends(PlacesWanted $body): array
    {
        $found = [];
        foreach ($this->layerIds($body) as $id) {
            $layer = $this->layer($id);
            $only = $body->shapes === [] ? null : array_map(
                static fn (ShapeRef $r) => $r->shape,
                array_values(array_filter($body->shapes, static fn (ShapeRef $r) => $r->layerId === $id)),
            );
            foreach (Alike::ends($layer, $only) as [$i, $end]) {
                $found[] = self::spot($id, $i, $end ? SpotKind::End : SpotKind::Start, $layer->shape($i)->pointAt($end ? 1.0 : 0.0));
            }
        }

        return $found;
    }

    /** @return list<Candidate> */
    private function crossings(PlacesWanted $body): array
    {
        $ids = array_values(array_unique($body->layerIds));
        if (count($ids) < 1 || count($ids) > 2) {
            throw new \DomainException('Choose the two layers that cross, or one that crosses itself.');
        }
        [$a, $b] = [$ids[0], $ids[1] ?? $ids[0]];

        return array_map(static function (array $crossing) use ($a, $b): Candidate {
            [$i, $k, $at] = $crossing;
            $spot = new TouchedSpot($a, $i, SpotKind::Intersection, $b, $k, $at->northing, $at->easting);

            return new Candidate(new Construction(ConstructionKind::Place, [new GivenPlace(spot: $spot)]), $at);
        }, LayerCrossings::between($this->layer($a), $this->layer($b)));
    }

    /** @return list<Candidate> */
    private function along(PlacesWanted $body): array
    {
        $found = [];
        $refs = $body->shapes !== [] ? $body->shapes : $this->linesOf($body);
        foreach ($refs as $ref) {
            $legs = ShapeLegs::of($this->layer($ref->layerId)->shape($ref->shape));
            if ($legs === []) {
                continue;
            }
            $construction = new Construction(
                ConstructionKind::Every, distances: [new GivenDistance($body->interval)], chain: new GivenPolyline([$ref]),
                corners: $body->corners,
            );
            foreach (Polyline::of($legs)->every($body->interval, $body->corners) as $i => [, $place]) {
                $found[] = new Candidate($construction, $place, index: $i);
            }
            if (count($found) > self::MOST) {
                throw NoConstruction::tooMany(self::MOST);
            }
        }

        return $found;
    }

    /** @return list<Candidate> */
    private function outlineCorners(PlacesWanted $body): array
    {
        $like = $body->like ?? throw new \DomainException('Touch one of the outlines.');
        $layer = $this->layer($like->layerId);
        $found = [];
        foreach (Alike::outlines($layer, $like->shape) as $numbers) {
            $chain = new GivenPolyline(array_map(static fn (int $i) => new ShapeRef($like->layerId, $i), $numbers));
            $corners = Polyline::of(array_merge(...array_map(static fn (int $i) => ShapeLegs::of($layer->shape($i)), $numbers)))->corners();
            foreach ($corners as $i => $corner) {
                $found[] = new Candidate(new Construction(ConstructionKind::Corners, chain: $chain), $corner, index: $i);
            }
        }

        return $found;
    }

    /** @return list<Candidate> */
    private function gridCrossings(string $separator): array
    {
        $lines = GridLine::of($this->project)->orderBy('id')->get()->all();
        if (count($lines) < 2) {
            throw new \DomainException('There are no grid lines to cross. Find them in a drawing or type them first.');
        }

        return array_map(static function (GridCrossing $c) use ($lines, $separator): Candidate {
            [$a, $b] = [$lines[$c->first], $lines[$c->second]];
            $construction = $b->ring
                ? new Construction(
                    ConstructionKind::LineDistance, [new GivenPlace(northing: $b->northing1, easting: $b->easting1)],
                    distances: [new GivenDistance($b->from()->distanceTo($b->to()))], lines: [new GivenLine(gridLineId: $a->id)],
                )
                : new Construction(
                    ConstructionKind::TwoLines, lines: [new GivenLine(gridLineId: $a->id), new GivenLine(gridLineId: $b->id)],
                );

            // Of the two places so far along a line, the one onward is the second solution.
            return new Candidate($construction, $c->position, $b->ring ? 'B' : 'A', 0, $a->name.$separator.$b->name);
        }, GridCrossing::all(array_map(static fn (GridLine $l) => $l->line(), $lines)));
    }

    /** @return list<ShapeRef> */
    private function linesOf(PlacesWanted $body): array
    {
        $refs = [];
        foreach ($this->layerIds($body) as $id) {
            for ($i = 0; $i < $this->layer($id)->count; $i++) {
                $refs[] = new ShapeRef($id, $i);
            }
        }

        return $refs;
    }

    private static function spot(int $layerId, int $shape, SpotKind $kind, Position $at): Candidate
    {
        return new Candidate(
            new Construction(ConstructionKind::Place, [new GivenPlace(spot: new TouchedSpot($layerId, $shape, $kind))]), $at,
        );
    }

    /** @return non-empty-list<int> */
    private function layerIds(PlacesWanted $body): array
    {
        $ids = array_values(array_unique([...$body->layerIds, ...array_map(static fn (ShapeRef $r) => $r->layerId, $body->shapes)]));
        if ($ids === [] && $body->like !== null) {
            $ids = [$body->like->layerId];
        }

        return $ids === [] ? throw new \DomainException('Choose a layer.') : $ids;
    }

    private function layer(int $id): DrawingLayer
    {
        return $this->layers[$id] ??= DesignLayer::query()->select(['id', 'design_id', 'name', 'kinds'])
            ->whereIn('design_id', Design::of($this->project)->select('id'))
            ->find($id)
            ?->drawing()
            ?? throw new \DomainException('That layer is not here any more. Choose it again.');
    }
}
