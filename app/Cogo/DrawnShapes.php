<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Designs\Models\Design;
use App\Designs\Models\DesignLayer;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Collection;
use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Designs\Shape;

/** Lines, arcs and the rest of the project's drawings, one by one: as they were touched, or followed into the newest revision. */
final class DrawnShapes
{
    private const FEW = 20;

    private const FEW_OF_A_LIST = 4;

    /** @var array<int, int> how many shapes of a layer were asked for */
    private array $asked = [];

    /** @var array<int, DrawingLayer> */
    private array $whole = [];

    /** @var array<int, DesignLayer> */
    private array $layers = [];

    /** @var array<int, string> read once for each layer */
    private array $successors = [];

    /** @var array<string, array{DesignLayer, int}> */
    private array $followed = [];

    public readonly DrawnThings $things;

    public function __construct(
        private readonly Project $project,
        private readonly bool $newest = false,
    ) {
        $this->things = new DrawnThings($project, $newest);
    }

    /**
     * What will be asked for: its layers are fetched at once, and one of which many shapes are wanted is read whole.
     *
     * @param  list<int>  $layerIds  one for each shape
     */
    public function expect(array $layerIds): void
    {
        $wanted = array_count_values($layerIds);
        foreach ($this->layersOf(array_keys($wanted)) as $layer) {
            $this->layers[$layer->id] = $layer;
            if ($wanted[$layer->id] > self::FEW_OF_A_LIST) {
                $this->asked[$layer->id] = self::FEW;
            }
        }
    }

    public function of(int $layerId, int $number): Shape
    {
        [$layer, $number] = $this->follow($layerId, $number);

        return $this->shape($layer, $number)
            ?? throw new \DomainException('That part of the drawing is not here any more. Touch it again.');
    }

    /** A few shapes are cut out by the database; whoever asks for many has the layer read once. */
    private function shape(DesignLayer $layer, int $number): ?Shape
    {
        $this->asked[$layer->id] = ($this->asked[$layer->id] ?? 0) + 1;
        if ($this->asked[$layer->id] <= self::FEW) {
            return $number < 0 ? null : $layer->shape($number);
        }
        $whole = $this->read($layer);

        return $number < 0 || $number >= $whole->count ? null : $whole->shape($number);
    }

    /** All of a layer, read once. */
    public function read(DesignLayer $layer): DrawingLayer
    {
        return $this->whole[$layer->id] ??= $layer->drawing();
    }

    public function layer(int $layerId): DesignLayer
    {
        return $this->layers[$layerId] ??= $this->layersOf([$layerId])->first()
            ?? throw new \DomainException('That part of the drawing is not here any more. Touch it again.');
    }

    /**
     * @param  list<int>  $ids
     * @return Collection<int, DesignLayer>
     */
    private function layersOf(array $ids): Collection
    {
        return DesignLayer::query()->select(['id', 'design_id', 'name', 'kinds', 'next_layer_id'])->whereKey($ids)
            ->with(['design' => static fn ($q) => $q->select(Design::LISTED)])
            ->whereHas('design', fn ($q) => $q->where('project_id', $this->project->id)->whereNull('removed_at'))->get();
    }

    public function number(int $layerId, int $number): int
    {
        return $this->follow($layerId, $number)[1];
    }

    /**
     * Where a shape is in the newest revision of its drawing.
     *
     * @return array{DesignLayer, int}
     */
    public function follow(int $layerId, int $number): array
    {
        return $this->followed["$layerId/$number"] ??= $this->followedFrom($this->layer($layerId), $number);
    }

    /** @return array{DesignLayer, int} */
    private function followedFrom(DesignLayer $layer, int $number): array
    {
        while ($this->newest && ! $layer->design->current) {
            $next = DesignLayer::successor($this->successors[$layer->id] ??= $layer->successors(), $number);
            if ($next === null || $layer->next_layer_id === null) {
                throw new \DomainException("Revision “{$this->after(
                    $layer->design,
                )}” of {$layer->design->file_name} no longer has the part of layer {$layer->name} that this was made from.");
            }
            [$layer, $number] = [$this->layer((int) $layer->next_layer_id), $next];
        }

        return [$layer, $number];
    }

    private function after(Design $design): string
    {
        $revision = Design::query()->where('revises_id', $design->id)->whereNull('removed_at')->value('revision');

        return $revision === null || $revision === '' ? 'newest' : (string) $revision;
    }
}
