<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Solid;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/** What the file's items of shape are, as solids in metres, each in the coordinates its item stands in. */
final class IfcShapes
{
    private const DEEPEST = 30;

    /** Shapes that one thing may show by showing others again. */
    private const MOST_SHOWN = 20_000;

    /** Corners of the solids that are kept for when they come again. */
    private const MOST_KEPT = 400_000;

    /** @var array<int|string, Solid> by number of the item, or by what it is made of */
    private array $kept = [];

    private readonly IfcFaceSets $faceSets;

    private readonly IfcSweeps $sweeps;

    private int $keptCorners = 0;

    private int $shown = 0;

    /** @var array<string, array<string, int>> what was not drawn as it is, and how often, by its class */
    public array $leftOut = [];

    public function __construct(
        private readonly StepFile $file,
        private readonly IfcPlaces $places,
        private readonly IfcCurves $curves,
        IfcProfiles $profiles,
    ) {
        $this->faceSets = new IfcFaceSets($file, $places, $curves);
        $this->sweeps = new IfcSweeps($file, $places, $curves, $profiles, $this->leave(...));
    }

    /**
     * Solids of an item, each with the frame it stands in: those of mapped items are the same for all that show them.
     *
     * @return list<array{Solid, Frame}>
     *
     * @throws BrokenInstance
     */
    public function placed(int $item, int $depth = 0): array
    {
        $this->shown = $depth === 0 ? 1 : $this->shown + 1;
        if ($depth > self::DEEPEST) {
            throw $this->places->broken($item, 'shapes are shown within one another in a circle');
        }
        if ($this->shown > self::MOST_SHOWN) {
            throw $this->places->broken($item, 'it shows others again and again, more than '.self::MOST_SHOWN.' in all');
        }
        $i = $this->file->get($item);
        if ($i->class !== 'IFCMAPPEDITEM') {
            return [$this->swept($i) ?? [$this->solid($item), Frame::none()]];
        }
        $map = $this->file->get($i->reference(0) ?? throw $this->places->broken($item, 'a shape shown again, and not which'));
        $operator = $i->reference(1);
        $frame = $operator === null ? Frame::none() : $this->places->operator($operator);
        $origin = $map->reference(0);
        if ($origin !== null) {
            $frame = $frame->after($this->places->axes($origin));
        }
        $all = [];
        $shown = $this->file->get($map->reference(1) ?? throw $this->places->broken($map->number, 'a shape to show again, and nothing in it'));
        foreach ($shown->references(3) as $part) {
            foreach ($this->placed($part, $depth + 1) as [$solid, $inner]) {
                $all[] = [$solid, $frame->after($inner)];
            }
        }

        return $all;
    }

    /**
     * A plain extrusion of a profile known by a few figures: made once, however often a writer has written it.
     *
     * @return array{Solid, Frame}|null
     */
    private function swept(Instance $i): ?array
    {
        if ($i->class !== 'IFCEXTRUDEDAREASOLID') {
            return null;
        }
        $number = $i->reference(0);
        $profile = $number === null ? null : $this->file->get($number);
        if ($profile === null || str_starts_with($profile->class, 'IFCARBITRARY') || ! is_float($profile->number(3))) {
            return null;
        }
        $figures = array_slice($profile->attributes, 3);
        $at = $profile->reference(2);
        $direction = $i->reference(2);
        $along = $this->places->direction($direction, [0.0, 0.0, 1.0]);
        $key = $profile->class.serialize($figures).($at === null ? '' : serialize($this->places->axes($at))).serialize([$along, $i->number(3)]);
        $solid = $this->kept[$key] ?? $this->keep($key, $this->sweeps->extruded($i, null));
        $position = $i->reference(1);

        return [$solid, $position === null ? Frame::none() : $this->places->axes($position)];
    }

    /**
     * @throws BrokenInstance where Parlay does not read it, or it can't be built
     */
    public function solid(int $item, int $depth = 0): Solid
    {
        if (isset($this->kept[$item])) {
            return $this->kept[$item];
        }
        if ($depth > self::DEEPEST) {
            throw $this->places->broken($item, 'solids are cut with one another in a circle');
        }
        $i = $this->file->get($item);

        return $this->keep($item, $this->sweeps->solid($i) ?? match ($i->class) {
            'IFCBOOLEANRESULT', 'IFCBOOLEANCLIPPINGRESULT' => (new IfcCuts($this->file, $this->places, $this->curves, $this))->solid($i, $depth),
            'IFCCSGSOLID' => $this->solid($i->reference(0) ?? throw $this->places->broken($item, 'a solid of nothing'), $depth + 1),
            'IFCFACETEDBREP', 'IFCFACETEDBREPWITHVOIDS' => $this->faceSets->shells([(int) $i->reference(0), ...$i->references(1)], true),
            'IFCADVANCEDBREP', 'IFCADVANCEDBREPWITHVOIDS' => (new IfcAdvancedFaces($this->file, $this->places, $this->curves))
                ->solid([(int) $i->reference(0), ...$i->references(1)]),
            'IFCSHELLBASEDSURFACEMODEL', 'IFCFACEBASEDSURFACEMODEL' => $this->faceSets->shells($i->references(0), false),
            'IFCCLOSEDSHELL', 'IFCOPENSHELL', 'IFCCONNECTEDFACESET' => $this->faceSets->shells([$item], $i->class === 'IFCCLOSEDSHELL'),
            'IFCTRIANGULATEDFACESET', 'IFCPOLYGONALFACESET' => $this->faceSets->tessellated($i),
            default => (new IfcPrimitives($this->places))->solid($i),
        });
    }

    public function isKept(int $item): bool
    {
        return isset($this->kept[$item]);
    }

    private function keep(int|string $key, Solid $solid): Solid
    {
        $this->keptCorners += count($solid->corners);
        if ($this->keptCorners > self::MOST_KEPT) {
            $this->kept = [];
            $this->keptCorners = count($solid->corners);
        }

        return $this->kept[$key] = $solid;
    }

    public function leave(string $class, string $why, int $count = 1): void
    {
        $this->leftOut[$class][$why] = ($this->leftOut[$class][$why] ?? 0) + $count;
    }

    /**
     * @param  array<string, array<string, int>>  $before
     * @return array<string, array<string, int>>
     */
    public function leftOutSince(array $before): array
    {
        $since = [];
        foreach ($this->leftOut as $class => $whys) {
            foreach ($whys as $why => $count) {
                $more = $count - ($before[$class][$why] ?? 0);
                $since += $more > 0 ? [$class => []] : [];
                $more > 0 && $since[$class][$why] = $more;
            }
        }

        return $since;
    }
}
