<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Buildings\ElementPlace;
use App\Buildings\ElementStore;
use App\Buildings\ModelChanges;
use App\Buildings\StoredElement;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Geometry\Position;
use Parlay\Words\ElementSpots;

/** Things of the project's building models, one by one: as they were touched, or as the newest revision has them, by their id. */
final class DrawnThings
{
    /** @var array<int, non-empty-list<Design>> by the design that was touched */
    private array $revisions = [];

    /** @var array<int, ModelChanges> by the revision that made them */
    private array $changes = [];

    /** @var array<int, ElementStore> */
    private array $stores = [];

    public function __construct(
        private readonly Project $project,
        private readonly bool $newest = false,
    ) {}

    /** @throws \DomainException where it is gone, or no longer has the spot */
    public function place(ElementPlace $given): Position
    {
        $thing = $this->thing($given);
        try {
            [$east, $north, $height] = $thing->placed()->of($given->spot);
        } catch (DoesNotFit $e) {
            throw new \DomainException("{$thing->class} “{$thing->called()}” ".ElementSpots::misfit($e).'.');
        }

        return new Position($north, $east, $height);
    }

    /**
     * As it is named once it is adopted: in the newest revision, by the faces it has there.
     *
     * @throws \DomainException
     */
    public function brought(ElementPlace $given): ElementPlace
    {
        $thing = $this->thing($given);
        try {
            return new ElementPlace($this->design($given->designId)->id, $thing->guid, $thing->number, $thing->placed()->brought($given->spot));
        } catch (DoesNotFit $e) {
            throw new \DomainException("{$thing->class} “{$thing->called()}” ".ElementSpots::misfit($e).'.');
        }
    }

    public function described(ElementPlace $given): string
    {
        $thing = $this->thing($given);
        $design = $this->design($given->designId);
        $of = implode(', ', array_filter([
            mb_strtolower($thing->class)." “{$thing->called()}”", $thing->type === '' || $thing->type === $thing->called() ? '' : "type {$thing->type}",
            $thing->storey, $thing->mirrored() ? 'mirrored' : '',
        ]));

        return ucfirst(ElementSpots::of($given->spot, $this->project->length_style))." of $of, instance {$thing->number} of {$design->file_name}"
            .($design->revision === '' ? '' : " (revision {$design->revision})");
    }

    private function thing(ElementPlace $given): StoredElement
    {
        $revisions = $this->revisions($given->designId);
        $newest = $revisions[count($revisions) - 1];

        return $this->store($newest)->byGuid($given->guid, $given->number) ?? $this->renamed($given, $revisions) ?? throw new \DomainException(
            ($newest->revision === '' ? $newest->file_name : "Revision “{$newest->revision}” of {$newest->file_name}")
                .' no longer has the thing that this was made from.',
        );
    }

    /**
     * A thing whose id did not last, by shape and place from one revision to the next.
     *
     * @param  non-empty-list<Design>  $revisions
     */
    private function renamed(ElementPlace $given, array $revisions): ?StoredElement
    {
        $thing = $this->store($revisions[0])->byGuid($given->guid, $given->number);
        for ($i = 1; $i < count($revisions) && $thing !== null; $i++) {
            $store = $this->store($revisions[$i]);
            $changes = $this->changes[$revisions[$i]->id] ??= ModelChanges::of($revisions[$i - 1], $revisions[$i]);
            $thing = $store->byGuid($thing->guid, $thing->number) ?? $store->element($changes->renamed[$thing->number] ?? 0);
        }

        return $thing;
    }

    private function store(Design $design): ElementStore
    {
        return $this->stores[$design->id] ??= ElementStore::of($design);
    }

    private function design(int $id): Design
    {
        $revisions = $this->revisions($id);

        return $revisions[count($revisions) - 1];
    }

    /** @return non-empty-list<Design> the one that was touched, and those that revise it where the newest is wanted */
    private function revisions(int $id): array
    {
        if (! isset($this->revisions[$id])) {
            $design = $this->project->designs()->find($id, Design::LISTED)
                ?? throw new \DomainException('The building model that this was made from is not here any more.');
            $found = [$design];
            while ($this->newest && ! $design->current) {
                $design = $this->project->designs()->where('revises_id', $design->id)->first(Design::LISTED);
                if ($design === null) {
                    break;
                }
                $found[] = $design;
            }
            $this->revisions[$id] = $found;
        }

        return $this->revisions[$id];
    }
}
