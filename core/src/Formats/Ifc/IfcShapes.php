<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Sweeps;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/** What the file's items of shape are, as solids in metres, each in the coordinates its item stands in. */
final class IfcShapes
{
    private const DEEPEST = 30;

    private const HALF_SPACES = ['IFCHALFSPACESOLID', 'IFCBOXEDHALFSPACE', 'IFCPOLYGONALBOUNDEDHALFSPACE'];

    /** Shapes that one thing may show by showing others again. */
    private const MOST_SHOWN = 20_000;

    /** How far half of all space reaches beyond what is cut by it, metres. */
    private const MARGIN = 1.0;

    /** Corners of the solids that are kept for when they come again. */
    private const MOST_KEPT = 400_000;

    /** @var array<int|string, Solid> by number of the item, or by what it is made of */
    private array $kept = [];

    private readonly IfcFaceSets $faceSets;

    private int $keptCorners = 0;

    private int $shown = 0;

    /** @var array<string, array<string, int>> what was not drawn as it is, and how often, by its class */
    public array $leftOut = [];

    public function __construct(
        private readonly StepFile $file,
        private readonly IfcPlaces $places,
        private readonly IfcCurves $curves,
        private readonly IfcProfiles $profiles,
    ) {
        $this->faceSets = new IfcFaceSets($file, $places, $curves);
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
        $solid = $this->kept[$key] ?? $this->keep($key, $this->extruded($i, null));
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

        return $this->keep($item, match ($i->class) {
            'IFCEXTRUDEDAREASOLID', 'IFCEXTRUDEDAREASOLIDTAPERED' => $this->positioned($i, $this->extruded($i, $i->reference(4))),
            'IFCREVOLVEDAREASOLID' => $this->positioned($i, $this->revolved($i)),
            'IFCSWEPTDISKSOLID', 'IFCSWEPTDISKSOLIDPOLYGONAL' => $this->pipe($i),
            'IFCBOOLEANRESULT', 'IFCBOOLEANCLIPPINGRESULT' => $this->boolean($i, $depth),
            'IFCCSGSOLID' => $this->solid($i->reference(0) ?? throw $this->places->broken($item, 'a solid of nothing'), $depth + 1),
            'IFCFACETEDBREP', 'IFCFACETEDBREPWITHVOIDS' => $this->faceSets->shells([(int) $i->reference(0), ...$i->references(1)], true),
            'IFCADVANCEDBREP', 'IFCADVANCEDBREPWITHVOIDS' => (new IfcAdvancedFaces($this->file, $this->places, $this->curves))
                ->solid([(int) $i->reference(0), ...$i->references(1)]),
            'IFCSHELLBASEDSURFACEMODEL', 'IFCFACEBASEDSURFACEMODEL' => $this->faceSets->shells($i->references(0), false),
            'IFCCLOSEDSHELL', 'IFCOPENSHELL', 'IFCCONNECTEDFACESET' => $this->faceSets->shells([$item], $i->class === 'IFCCLOSEDSHELL'),
            'IFCTRIANGULATEDFACESET', 'IFCPOLYGONALFACESET' => $this->faceSets->tessellated($i),
            'IFCBLOCK' => $this->block($i),
            'IFCRIGHTCIRCULARCYLINDER' => $this->cylinder($i),
            'IFCBOUNDINGBOX' => $this->boundingBox($i),
            default => throw $this->places->broken($item, "{$i->class} is a shape Parlay does not read"),
        });
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

    private function positioned(Instance $i, Solid $solid): Solid
    {
        $position = $i->reference(1);

        return $position === null ? $solid : $solid->moved($this->places->axes($position));
    }

    /** In the coordinates of its profile. */
    private function extruded(Instance $i, ?int $end): Solid
    {
        $depth = $this->above($i, 3);
        $d = $this->places->direction($i->reference(2), [0.0, 0.0, 1.0]);
        if (abs($d[2]) < 1e-9) {
            throw $this->places->broken($i->number, 'a profile drawn along its own plane has no inside');
        }
        $along = [$depth * $d[0], $depth * $d[1], $depth * $d[2]];
        $profiles = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'an extrusion without a profile'));
        $ends = $end === null ? null : $this->profiles->of($end);

        return Solid::together(array_map(function (Profile $p, int $k) use ($along, $ends, $i): Solid {
            $e = $ends[$k] ?? null;
            $alike = $e === null || (count($e->outline->corners) === count($p->outline->corners) && count($e->voids) === count($p->voids));

            return Solid::extruded($p, $along, $alike ? $e : throw $this->places->broken($i->number, 'the profiles at both ends have not as many corners'));
        }, $profiles, array_keys($profiles)));
    }

    /** In the coordinates of its profile. */
    private function revolved(Instance $i): Solid
    {
        $axis = $this->file->get($i->reference(2) ?? throw $this->places->broken($i->number, 'turned about no axis'));
        $on = $this->places->point($axis->reference(0) ?? throw $this->places->broken($axis->number, 'an axis without a place'));
        $along = $this->places->direction($axis->reference(1), [0.0, 0.0, 1.0]);
        if (abs($along[2]) > 1e-9 || abs($on[2]) > 1e-9) {
            throw $this->places->broken($axis->number, 'the axis does not lie in the plane of the profile');
        }
        $angle = $this->curves->angle($i->number(3) ?? 0.0);
        if (abs($angle) < 1e-9 || abs($angle) > 2 * M_PI + 1e-6) {
            throw $this->places->broken($i->number, 'turned by nothing, or by more than a whole turn');
        }
        $profiles = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'nothing to turn'));

        return Solid::together(array_map(static fn (Profile $p): Solid => Sweeps::revolved($p, [$on[0], $on[1]], [$along[0], $along[1]], $angle), $profiles));
    }

    private function pipe(Instance $i): Solid
    {
        $way = $this->curves->trace($i->reference(0) ?? throw $this->places->broken($i->number, 'led along no line'));
        $inner = $i->number(2) === null ? null : $this->places->coordinate($i->number(2), $i->number);
        if ($i->number(3) !== null || $i->number(4) !== null) {
            $this->leave($i->class, 'drawn along the whole of its line, and not along a part of it');
        }

        return Sweeps::pipe($way->places, $this->above($i, 1), $inner) ?? throw $this->places->broken($i->number, 'a line of one place');
    }

    /** A plate with a thousand holes is a thousand cuts, each of what the one before left: from the innermost outward, and not within one another. */
    private function boolean(Instance $i, int $depth): Solid
    {
        $chain = [];
        for ($at = $i; str_starts_with($at->class, 'IFCBOOLEAN') && ! isset($this->kept[$at->number]); $at = $this->file->get($first)) {
            if (isset($chain[$at->number])) {
                throw $this->places->broken($at->number, 'solids are cut with one another in a circle');
            }
            $chain[$at->number] = $at;
            $first = $at->reference(1) ?? throw $this->places->broken($at->number, 'nothing to cut');
        }
        $solid = $this->solid($at->number, $depth + 1);
        $together = [];
        foreach (array_reverse($chain) as $cut) {
            $hole = $this->holeOf($cut, $depth);
            if ($hole !== null && self::isApart($hole, $together)) {
                $together[] = $hole;

                continue;
            }
            $solid = $this->withoutAll($i, $solid, $together);
            $together = $hole === null ? [] : [$hole];
            $solid = $hole === null ? $this->cut($cut, $solid, $depth) : $solid;
        }

        return $this->withoutAll($i, $solid, $together);
    }

    /** What is taken away, where that is a solid of its own and not half of all space. */
    private function holeOf(Instance $cut, int $depth): ?Solid
    {
        $second = $cut->reference(2);
        if ($cut->word(0) !== 'DIFFERENCE' || $second === null || in_array($this->file->classOf($second), self::HALF_SPACES, true)) {
            return null;
        }

        return $this->solid($second, $depth + 1);
    }

    /** @param  list<Solid>  $others */
    private static function isApart(Solid $solid, array $others): bool
    {
        $box = $solid->box();
        if ($box === null) {
            return true;
        }
        [$low, $high] = $box;
        foreach ($others as $other) {
            $beside = $other->box();
            if ($beside === null) {
                continue;
            }
            [$least, $most] = $beside;
            if ($high[0] >= $least[0] && $low[0] <= $most[0] && $high[1] >= $least[1] && $low[1] <= $most[1] && $high[2] >= $least[2] && $low[2] <= $most[2]) {
                return false;
            }
        }

        return true;
    }

    /**
     * Holes that lie apart are cut out at once: one after another, each cut would go through all that the ones before it left.
     *
     * @param  list<Solid>  $holes
     */
    private function withoutAll(Instance $i, Solid $solid, array $holes): Solid
    {
        if ($holes === []) {
            return $solid;
        }
        try {
            $left = Booleans::difference($solid, count($holes) === 1 ? $holes[0] : Solid::together($holes));
        } catch (TooManyFaces) {
            $this->leave($i->class, 'of more faces than are cut with one another: drawn uncut');

            return $solid;
        }

        return $left ?? throw $this->places->broken($i->number, 'nothing is left of it');
    }

    private function cut(Instance $i, Solid $first, int $depth): Solid
    {
        $second = $i->reference(2) ?? throw $this->places->broken($i->number, 'nothing to cut with');
        try {
            $tool = $this->tool($this->file->get($second), $first, $depth);
            $left = match ($i->word(0)) {
                'DIFFERENCE' => Booleans::difference($first, $tool),
                'INTERSECTION' => Booleans::intersection($first, $tool),
                'UNION' => Booleans::union($first, $tool),
                default => throw $this->places->broken($i->number, 'it is not said whether it is cut, joined or intersected'),
            };
        } catch (TooManyFaces) {
            $this->leave($i->class, 'of more faces than are cut with one another: drawn uncut');

            return $first;
        }

        return $left ?? throw $this->places->broken($i->number, 'nothing is left of it');
    }

    /** What cuts, as a solid: of half of all space as much as matters. */
    private function tool(Instance $i, Solid $cut, int $depth): Solid
    {
        if (! in_array($i->class, self::HALF_SPACES, true)) {
            return $this->solid($i->number, $depth + 1);
        }
        $surface = $this->file->get($i->reference(0) ?? throw $this->places->broken($i->number, 'half of space on no side of a plane'));
        if ($surface->class !== 'IFCPLANE') {
            throw $this->places->broken($surface->number, "half of space behind {$surface->class}, which Parlay does not read");
        }
        $plane = $this->places->axes($surface->reference(0) ?? throw $this->places->broken($surface->number, 'a plane without a place'));
        $box = $cut->box() ?? throw $this->places->broken($i->number, 'nothing to cut');
        $reach = self::MARGIN;
        foreach ([0, 1] as $k) {
            $reach = max($reach, self::MARGIN + abs($box[$k][0] - $plane->x) + abs($box[$k][1] - $plane->y) + abs($box[$k][2] - $plane->z));
        }
        // Where it agrees, the side the normal points away from is solid.
        $half = Solid::extruded(
            Profile::of(new Loop([[-$reach, -$reach], [$reach, -$reach], [$reach, $reach], [-$reach, $reach]])),
            [0.0, 0.0, $i->word(1) === 'F' ? $reach : -$reach],
        )->moved($plane);
        if ($i->class !== 'IFCPOLYGONALBOUNDEDHALFSPACE') {
            return $half;
        }
        $at = $this->places->axes($i->reference(2) ?? throw $this->places->broken($i->number, 'an outline without a place'));
        $outline = Profile::of($this->curves->loop($i->reference(3) ?? throw $this->places->broken($i->number, 'bounded by no outline')));
        // As long as what is cut, either way.
        $long = self::MARGIN;
        foreach ([0, 1] as $k) {
            $long = max($long, self::MARGIN + abs($box[$k][0] - $at->x) + abs($box[$k][1] - $at->y) + abs($box[$k][2] - $at->z));
        }
        $prism = Solid::extruded($outline, [0.0, 0.0, 2 * $long])->moved($at->after(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [0.0, 0.0, -$long])));

        return Booleans::intersection($prism, $half) ?? $half;
    }

    private function block(Instance $i): Solid
    {
        [$x, $y, $z] = [$this->above($i, 1), $this->above($i, 2), $this->above($i, 3)];

        return $this->standing($i, Solid::extruded(Profile::of(new Loop([[0.0, 0.0], [$x, 0.0], [$x, $y], [0.0, $y]])), [0.0, 0.0, $z]));
    }

    private function cylinder(Instance $i): Solid
    {
        return $this->standing($i, Solid::extruded(Profile::of(Loop::circle(0.0, 0.0, $this->above($i, 2))), [0.0, 0.0, $this->above($i, 1)]));
    }

    private function standing(Instance $i, Solid $solid): Solid
    {
        return $solid->moved($this->places->axes($i->reference(0) ?? throw $this->places->broken($i->number, 'a solid without a place')));
    }

    private function boundingBox(Instance $i): Solid
    {
        $p = $this->places->point($i->reference(0) ?? throw $this->places->broken($i->number, 'a box without a corner'));
        [$x, $y, $z] = [$this->above($i, 1), $this->above($i, 2), $this->above($i, 3)];

        return Solid::extruded(Profile::of(new Loop([[0.0, 0.0], [$x, 0.0], [$x, $y], [0.0, $y]])), [0.0, 0.0, $z])
            ->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], $p));
    }

    private function above(Instance $i, int $attribute): float
    {
        $length = $this->places->coordinate($i->number($attribute) ?? 0.0, $i->number);

        return $length > 0.0 ? $length : throw $this->places->broken($i->number, "a figure of {$i->class} is missing, 0 or below");
    }

    public function leave(string $class, string $why): void
    {
        $this->leftOut[$class][$why] = ($this->leftOut[$class][$why] ?? 0) + 1;
    }
}
