<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Buildings\ElementPlace;
use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Typed\Values;
use Parlay\Core\Geometry\Position;

/**
 * Where points would be now that what they were made from has changed: points and control that moved, drawings with a newer revision.
 * Points made from points that would move are worked out from where those would be.
 */
final class Proposals
{
    /** A move of less is none, metres. */
    private const MOVED = 1e-5;

    private readonly DrawnShapes $shapes;

    private readonly Givens $givens;

    private readonly Construct $construct;

    private readonly Words $words;

    /** @var array<int, StakeoutPoint> points with a recipe that may have changed, by id */
    private array $candidates = [];

    /** @var array<int, Position|string> new places, or why there is none */
    private array $worked = [];

    /** @var array<int, true> being worked out */
    private array $open = [];

    private function __construct(private readonly Project $project)
    {
        $this->shapes = new DrawnShapes($project, newest: true);
        $this->givens = new Givens($project, $this->shapes);
        $this->construct = new Construct($this->givens, $project->length_style);
        $this->words = new Words($project, $this->shapes);
    }

    /** @return list<Proposal> */
    public static function of(Project $project): array
    {
        $self = new self($project);
        $self->findCandidates();
        if ($self->candidates === []) {
            return [];
        }
        $points = StakeoutPoint::of($project)->get(['id', 'name', 'northing', 'easting', 'elevation']);
        $self->givens->know($points->mapWithKeys(static fn (StakeoutPoint $p) => [$p->id => $p->position()])->all());
        $self->words->know($points->pluck('name', 'id')->all());
        $stakes = StakeoutPoint::stakes($project);
        $proposals = [];
        foreach ($self->candidates as $point) {
            $new = $self->work($point);
            if (is_string($new) || self::moved($point->position(), $new)) {
                $proposals[] = $self->proposal($point, $new, $stakes[$point->id] ?? 0);
            }
        }

        // What is staked already stands wrong in the ground.
        usort($proposals, static fn (Proposal $p, Proposal $q): int => ($q->stakes > 0) <=> ($p->stakes > 0));

        return $proposals;
    }

    /**
     * A recipe as it is once adopted: spots and lines named where they are in the newest revision.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    public static function brought(array $row, DrawnShapes $newest): array
    {
        return self::follow($row, $newest);
    }

    /** Only points that name other rows can have changed; the text of a recipe says so without being read whole. */
    private function findCandidates(): void
    {
        $stale = array_flip(DesignLayer::query()->whereHas(
            'design', fn ($q) => $q->where('project_id', $this->project->id)->whereNull('removed_at')->where('current', false),
        )->pluck('id')->all());
        $revised = array_flip(Design::query()->where('project_id', $this->project->id)->whereNull('removed_at')->where('current', false)->pluck('id')->all());
        $ids = [];
        foreach (StakeoutPoint::of($this->project)->whereNotNull('recipe')->toBase()->pluck('recipe', 'id') as $id => $text) {
            preg_match_all('~"(?:layerId|withLayerId)":(\d+)~', (string) $text, $layers);
            preg_match_all('~"designId":(\d+)~', (string) $text, $models);
            if (preg_match('~"(?:pointId|controlId|gridLineId)":\d~', (string) $text) === 1
                || array_intersect_key(array_flip($layers[1]), $stale) !== [] || array_intersect_key(array_flip($models[1]), $revised) !== []) {
                $ids[] = $id;
            }
        }
        foreach (array_chunk($ids, 500) as $some) {
            foreach (StakeoutPoint::of($this->project)->whereIn('id', $some)->get() as $point) {
                $this->candidates[$point->id] = $point;
            }
        }
    }

    private function work(StakeoutPoint $point): Position|string
    {
        if (isset($this->worked[$point->id])) {
            return $this->worked[$point->id];
        }
        if (isset($this->open[$point->id])) {
            return $this->worked[$point->id] = 'It is computed from itself, by way of other points. Change one of their recipes.';
        }
        $this->open[$point->id] = true;
        $recipe = Recipe::kept($point->recipe);
        try {
            foreach ($recipe === null ? [] : self::pointsOf($recipe->construction, $recipe->elevation) as $source) {
                $place = isset($this->candidates[$source]) ? $this->work($this->candidates[$source]) : null;
                if ($place instanceof Position) {
                    $this->givens->know([$source => $place]);
                }
            }
            $new = $recipe === null
                ? $point->position()
                : $this->construct->made($recipe->construction)->place($recipe->letter, $recipe->index)?->position;
            $this->worked[$point->id] ??= $new === null
                ? "Solution {$recipe?->letter} is gone: the figure now has fewer."
                : ($recipe?->elevated($new, $this->givens) ?? $new);
        } catch (\DomainException $e) {
            $this->worked[$point->id] = $e->getMessage();
        }
        unset($this->open[$point->id]);

        return $this->worked[$point->id];
    }

    /** @return list<int> */
    private static function pointsOf(?object ...$parts): array
    {
        preg_match_all('~"pointId":(\d+)~', (string) json_encode($parts), $found);

        return array_map(intval(...), array_values(array_unique($found[1])));
    }

    private static function moved(Position $a, Position $b): bool
    {
        return $a->distanceTo($b) > self::MOVED
            || ($a->elevation === null) !== ($b->elevation === null)
            || abs(($a->elevation ?? 0.0) - ($b->elevation ?? 0.0)) > self::MOVED;
    }

    private function proposal(StakeoutPoint $point, Position|string $new, int $stakes): Proposal
    {
        $now = $point->position();
        if (is_string($new)) {
            return new Proposal($point->id, $point->name, $now, null, 0.0, $stakes, $new);
        }
        $recipe = Recipe::kept($point->recipe);
        $why = $recipe === null ? '' : $this->words->of($recipe->construction);

        return new Proposal($point->id, $point->name, $now, $new, $point->position()->distanceTo($new), $stakes, $why);
    }

    private static function follow(mixed $value, DrawnShapes $shapes): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        foreach ([['layerId', 'shape'], ['withLayerId', 'withShape']] as [$layer, $shape]) {
            if (isset($value[$layer], $value[$shape])) {
                [$to, $number] = $shapes->follow((int) $value[$layer], (int) $value[$shape]);
                [$value[$layer], $value[$shape]] = [$to->id, $number];
            }
        }

        if (isset($value['designId'], $value['guid'])) {
            return Recipe::compact($shapes->things->brought(Values::of($value, ElementPlace::class)));
        }

        return array_map(static fn (mixed $v) => self::follow($v, $shapes), $value);
    }
}
