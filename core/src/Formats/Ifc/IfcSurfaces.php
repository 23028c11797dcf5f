<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Curved\Ball;
use Parlay\Core\Buildings\Curved\CurvedSurface;
use Parlay\Core\Buildings\Curved\Drawn;
use Parlay\Core\Buildings\Curved\SplineSurface;
use Parlay\Core\Buildings\Curved\Turned;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\Reference;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Curved surfaces of the file that faces lie on. */
final readonly class IfcSurfaces
{
    private IfcSplines $splines;

    public function __construct(private StepFile $file, private IfcPlaces $places, private IfcCurves $curves)
    {
        $this->splines = new IfcSplines($places);
    }

    /** @throws BrokenInstance where Parlay does not read it, or its figures make none */
    public function of(Instance $surface): CurvedSurface
    {
        return match ($surface->class) {
            'IFCSPHERICALSURFACE' => new Ball($this->frame($surface, 0), $this->places->above($surface, 1)),
            'IFCTOROIDALSURFACE' => new Ball($this->frame($surface, 0), $this->places->above($surface, 2), $this->places->above($surface, 1)),
            'IFCSURFACEOFREVOLUTION' => $this->turned($surface),
            'IFCSURFACEOFLINEAREXTRUSION' => $this->drawn($surface),
            'IFCBSPLINESURFACEWITHKNOTS', 'IFCRATIONALBSPLINESURFACEWITHKNOTS' => $this->spline($surface),
            default => throw $this->places->broken($surface->number, "{$surface->class} is a surface Parlay does not read"),
        };
    }

    private function turned(Instance $surface): Turned
    {
        $axis = $this->file->get($surface->reference(2) ?? throw $this->places->broken($surface->number, 'turned about no axis'));
        $at = $this->places->point($axis->reference(0) ?? throw $this->places->broken($axis->number, 'an axis without a place'));
        $z = $this->places->direction($axis->reference(1), [0.0, 0.0, 1.0]);
        $x = Space::unit(Space::cross(abs($z[2]) < 0.9 ? [0.0, 0.0, 1.0] : [1.0, 0.0, 0.0], $z)) ?? [1.0, 0.0, 0.0];
        $position = $this->position($surface);

        return new Turned($position->after(Frame::ofAxes($x, Space::cross($z, $x), $z, $at)), $this->line($surface, $position));
    }

    private function drawn(Instance $surface): Drawn
    {
        $position = $this->position($surface);
        $along = $position->vector(...$this->places->direction($surface->reference(2), [0.0, 0.0, 1.0]));

        return new Drawn($this->line($surface, $position), $along);
    }

    /** @return non-empty-list<array{float, float, float}> the line that is turned or drawn, where it stands */
    private function line(Instance $surface, Frame $position): array
    {
        $profile = $this->file->get($surface->reference(0) ?? throw $this->places->broken($surface->number, 'a surface made from no line'));
        $curve = $profile->reference(2) ?? throw $this->places->broken($profile->number, 'a profile that is no line of its own');
        $places = array_map(static fn (array $p): array => $position->point(...$p), $this->curves->trace($curve)->places);

        return count($places) > 1 ? $places : throw $this->places->broken($surface->number, 'a surface made from one place');
    }

    private function spline(Instance $surface): SplineSurface
    {
        $points = [];
        foreach ($surface->list(2) as $row) {
            $points[] = array_map(
                fn (mixed $p): array => $this->places->point($p instanceof Reference ? $p->number : throw $this->places->broken($surface->number, 'a point of it is none')),
                is_array($row) ? array_values($row) : [],
            );
        }
        $weights = array_map(static fn (mixed $row): array => is_array($row) ? Instance::floats(array_values($row)) : [], $surface->list(12));

        return SplineSurface::of(
            (int) ($surface->number(0) ?? 0.0), (int) ($surface->number(1) ?? 0.0), $points, $weights,
            $this->splines->knots($surface, $surface->numbers(7), $surface->numbers(9)), $this->splines->knots($surface, $surface->numbers(8), $surface->numbers(10)),
        ) ?? throw $this->places->broken($surface->number, 'its knots, points and weights make no surface');
    }

    private function position(Instance $surface): Frame
    {
        return $surface->reference(1) === null ? Frame::none() : $this->frame($surface, 1);
    }

    private function frame(Instance $surface, int $attribute): Frame
    {
        return $this->places->axes($surface->reference($attribute) ?? throw $this->places->broken($surface->number, 'a surface without a place'));
    }
}
