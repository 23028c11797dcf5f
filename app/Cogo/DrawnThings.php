<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Buildings\ElementPart;
use App\Buildings\ElementPlace;
use App\Buildings\ElementStore;
use App\Buildings\ModelChanges;
use App\Buildings\PartFound;
use App\Buildings\PartLay;
use App\Buildings\StoredElement;
use App\Designs\Models\Design;
use App\Projects\Models\Project;
use Parlay\Core\Buildings\Example\DoesNotFit;
use Parlay\Core\Buildings\Example\FaceHold;
use Parlay\Core\Geometry\Position;
use Parlay\Words\ElementSpots;

/** Things of the project's building models, one by one: as they were touched, or as the newest revision has them, by their id. */
final class DrawnThings
{
    /** Of a face whose edges are kept. */
    private const MOST_CORNERS = 200;

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
        [$east, $north, $height] = self::fitting($thing, static fn (): array => $thing->placed()->of($given->spot));

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

        return new ElementPlace(
            $this->design($given->designId)->id, $thing->guid, $thing->number, self::fitting($thing, static fn () => $thing->placed()->brought($given->spot)),
        );
    }

    public function described(ElementPlace $given): string
    {
        return ucfirst(ElementSpots::of($given->spot, $this->project->length_style)).' of '.$this->said($given);
    }

    /** @return list<string> whereto each face looks that a spot is held by */
    public function looks(ElementPlace $given): array
    {
        $thing = $this->thing($given);

        return self::fitting($thing, static fn (): array => array_map(
            static fn (FaceHold $h): string => ElementSpots::looks($thing->placed()->normal($thing->parts()->face($h, $given->spot->topology))), $given->spot->faces,
        ));
    }

    /**
     * A face, or an axis, where it lies.
     *
     * @throws \DomainException where it is gone
     */
    public function part(ElementPart $given): PartFound
    {
        $thing = $this->thing($given);
        [$words, $place, $lay] = self::fitting(
            $thing, static fn (): array => $given->face === null ? self::axis($thing, $given) : self::face($thing, $given->face, $given->topology),
        );

        return new PartFound("$words of {$thing->called()}", ucfirst($words).' of '.$this->said($given), new Position($place[1], $place[0], $place[2]), $lay);
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $find
     * @return T
     */
    private static function fitting(StoredElement $thing, \Closure $find): mixed
    {
        try {
            return $find();
        } catch (DoesNotFit $e) {
            throw new \DomainException("{$thing->class} “{$thing->called()}” ".ElementSpots::misfit($e).'. Choose the spot or face anew in space.');
        }
    }

    /** @return array{string, array{float, float, float}, PartLay} */
    private static function face(StoredElement $thing, FaceHold $hold, string $topology): array
    {
        [$parts, $placed] = [$thing->parts(), $thing->placed()];
        $face = $parts->face($hold, $topology);
        $normal = $placed->normal($face);
        $corners = array_map(static fn (array $c): array => $thing->place->point(...$c), $parts->outlines($face)[0]);

        return ['face that looks '.ElementSpots::looks($normal), $placed->centre($face), new PartLay(
            normal: $normal, outline: count($corners) > self::MOST_CORNERS ? [] : array_merge(...$corners),
        )];
    }

    /** @return array{string, array{float, float, float}, PartLay} */
    private static function axis(StoredElement $thing, ElementPart $given): array
    {
        $parts = $thing->parts();
        if ($given->axis !== null) {
            $axis = $parts->axes[$parts->axis($given->axis, $given->topology)];
            $ends = [$thing->place->point(...$axis->from), $thing->place->point(...$axis->to)];
        } else {
            $ends = $parts->middleLine($thing->place);
        }
        usort($ends, static fn (array $p, array $q): int => $p[2] <=> $q[2]);

        return [$given->axis?->hollow === true ? 'axis of a hole' : 'axis', $ends[0], new PartLay(ends: [...$ends[0], ...$ends[1]])];
    }

    private function said(ElementPlace|ElementPart $given): string
    {
        $thing = $this->thing($given);
        $design = $this->design($given->designId);
        $of = implode(', ', array_filter([
            mb_strtolower($thing->class)." “{$thing->called()}”", $thing->type === '' || $thing->type === $thing->called() ? '' : "type {$thing->type}",
            $thing->storey, $thing->mirrored() ? 'mirrored' : '',
        ]));

        return "$of, instance {$thing->number} of {$design->file_name}"
            .($design->revision === '' ? '' : " (revision {$design->revision})");
    }

    private function thing(ElementPlace|ElementPart $given): StoredElement
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
    private function renamed(ElementPlace|ElementPart $given, array $revisions): ?StoredElement
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
            $design = Design::of($this->project)->find($id, Design::LISTED)
                ?? throw new \DomainException('The building model that this was made from is not here any more.');
            $found = [$design];
            while ($this->newest && ! $design->current) {
                $design = Design::of($this->project)->where('revises_id', $design->id)->first(Design::LISTED);
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
