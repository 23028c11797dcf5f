<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;

/** Solids that are cut, joined or intersected with others. */
final readonly class IfcCuts
{
    private const HALF_SPACES = ['IFCHALFSPACESOLID', 'IFCBOXEDHALFSPACE', 'IFCPOLYGONALBOUNDEDHALFSPACE'];

    /** How far half of all space reaches beyond what is cut by it, metres. */
    private const MARGIN = 1.0;

    public function __construct(private StepFile $file, private IfcPlaces $places, private IfcCurves $curves, private IfcShapes $shapes) {}

    /**
     * A plate with a thousand holes is a thousand cuts, each of what the one before left: from the innermost outward, and not within one another.
     *
     * @throws BrokenInstance
     */
    public function solid(Instance $i, int $depth): Solid
    {
        $chain = [];
        for ($at = $i; str_starts_with($at->class, 'IFCBOOLEAN') && ! $this->shapes->isKept($at->number); $at = $this->file->get($first)) {
            if (isset($chain[$at->number])) {
                throw $this->places->broken($at->number, 'solids are cut with one another in a circle');
            }
            $chain[$at->number] = $at;
            $first = $at->reference(1) ?? throw $this->places->broken($at->number, 'nothing to cut');
        }
        $solid = $this->shapes->solid($at->number, $depth + 1);
        $holes = [];
        foreach (array_reverse($chain) as $cut) {
            $hole = $this->holeOf($cut, $depth);
            if ($hole !== null) {
                $holes[] = $hole;

                continue;
            }
            $solid = $this->cut($cut, $this->withoutAll($i, $solid, $holes), $depth);
            $holes = [];
        }

        return $this->withoutAll($i, $solid, $holes);
    }

    /** What is taken away, where that is a solid of its own and not half of all space. */
    private function holeOf(Instance $cut, int $depth): ?Solid
    {
        $second = $cut->reference(2);
        if ($cut->word(0) !== 'DIFFERENCE' || $second === null || in_array($this->file->classOf($second), self::HALF_SPACES, true)) {
            return null;
        }

        return $this->shapes->solid($second, $depth + 1);
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
            $left = Booleans::withoutAll($solid, $holes);
        } catch (TooManyFaces) {
            $this->shapes->leave($i->class, 'of more faces than are cut with one another: drawn uncut');

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
            $this->shapes->leave($i->class, 'of more faces than are cut with one another: drawn uncut');

            return $first;
        }

        return $left ?? throw $this->places->broken($i->number, 'nothing is left of it');
    }

    /** What cuts, as a solid: of half of all space as much as matters. */
    private function tool(Instance $i, Solid $cut, int $depth): Solid
    {
        if (! in_array($i->class, self::HALF_SPACES, true)) {
            return $this->shapes->solid($i->number, $depth + 1);
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
}
