<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Sweeps;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;

/** What profiles leave behind: drawn straight, turned about an axis, led along a line, or stretched from one to the next. */
final readonly class IfcSweeps
{
    /** @param  \Closure(string, string): void  $leave  takes the class of what was not drawn as it is, and why */
    public function __construct(
        private StepFile $file,
        private IfcPlaces $places,
        private IfcCurves $curves,
        private IfcProfiles $profiles,
        private \Closure $leave,
    ) {}

    /**
     * Null where it is no sweep.
     *
     * @throws BrokenInstance
     */
    public function solid(Instance $i): ?Solid
    {
        return match ($i->class) {
            'IFCEXTRUDEDAREASOLID', 'IFCEXTRUDEDAREASOLIDTAPERED' => $this->positioned($i, $this->extruded($i, $i->reference(4))),
            'IFCREVOLVEDAREASOLID' => $this->positioned($i, $this->revolved($i)),
            'IFCREVOLVEDAREASOLIDTAPERED' => $this->positioned($i, $this->revolvedTapering($i)),
            'IFCSWEPTDISKSOLID', 'IFCSWEPTDISKSOLIDPOLYGONAL' => $this->pipe($i),
            'IFCFIXEDREFERENCESWEPTAREASOLID', 'IFCDIRECTRIXDERIVEDREFERENCESWEPTAREASOLID' => $this->positioned(
                $i, $this->led($i, $this->places->direction($i->reference(5), [0.0, 0.0, 1.0])),
            ),
            'IFCSURFACECURVESWEPTAREASOLID' => $this->positioned($i, $this->led($i, $this->normal($i))),
            'IFCSECTIONEDSPINE' => $this->stretched($i),
            default => null,
        };
    }

    private function positioned(Instance $i, Solid $solid): Solid
    {
        $position = $i->reference(1);

        return $position === null ? $solid : $solid->moved($this->places->axes($position));
    }

    /** In the coordinates of its profile. */
    public function extruded(Instance $i, ?int $end): Solid
    {
        $depth = $this->places->above($i, 3);
        $d = $this->places->direction($i->reference(2), [0.0, 0.0, 1.0]);
        if (abs($d[2]) < 1e-9) {
            throw $this->places->broken($i->number, 'a profile drawn along its own plane has no inside');
        }
        $along = [$depth * $d[0], $depth * $d[1], $depth * $d[2]];
        $profiles = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'an extrusion without a profile'));
        $ends = $end === null ? null : $this->profiles->of($end);

        return Solid::together(array_map(function (Profile $p, int $k) use ($along, $ends, $i): Solid {
            $e = $ends[$k] ?? null;

            return Solid::extruded($p, $along, $e === null || $e->hasCornersAs($p) ? $e : throw $this->places->broken($i->number, 'the profiles at both ends have not as many corners'));
        }, $profiles, array_keys($profiles)));
    }

    /** In the coordinates of its profile. */
    private function revolved(Instance $i): Solid
    {
        [$on, $along, $angle] = $this->turn($i);
        $profiles = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'nothing to turn'));

        return Solid::together(array_map(static fn (Profile $p): Solid => Sweeps::revolved($p, $on, $along, $angle), $profiles));
    }

    /** From one profile to another of as many corners. */
    private function revolvedTapering(Instance $i): Solid
    {
        [$on, $along, $angle] = $this->turn($i);
        $from = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'nothing to turn'));
        $to = $this->profiles->of($i->reference(4) ?? throw $this->places->broken($i->number, 'no profile at its end'));

        return Solid::together(array_map(function (?Profile $p, ?Profile $end) use ($i, $on, $along, $angle): Solid {
            if ($p === null || $end === null || ! $p->hasCornersAs($end)) {
                throw $this->places->broken($i->number, 'the profiles at both ends have not as many corners');
            }

            return Sweeps::revolved($p, $on, $along, $angle, $end);
        }, $from, $to));
    }

    /**
     * @return array{array{float, float}, array{float, float}, float} a place of the axis, its direction and the angle
     *
     * @throws BrokenInstance
     */
    private function turn(Instance $i): array
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

        return [[$on[0], $on[1]], [$along[0], $along[1]], $angle];
    }

    private function pipe(Instance $i): Solid
    {
        $way = $this->way($i, 0, 3, 4);
        $inner = $i->number(2) === null ? null : $this->places->coordinate($i->number(2), $i->number);
        $bend = $i->class === 'IFCSWEPTDISKSOLIDPOLYGONAL' && $i->number(5) !== null ? $this->places->coordinate($i->number(5), $i->number) : 0.0;
        if ($bend > 0.0) {
            $way = $way->rounded($bend) ?? throw $this->places->broken($i->number, 'a bend of its radius does not fit between its corners');
        }

        return Sweeps::pipe($way->places, $this->places->above($i, 1), $inner) ?? throw $this->places->broken($i->number, 'a line of one place');
    }

    /** The line something is led along, or that part of it that is said by its own parameters. */
    private function way(Instance $i, int $line, int $begin, int $end): Trace
    {
        $number = $i->reference($line) ?? throw $this->places->broken($i->number, 'led along no line');
        $part = $this->curves->partOf($number, $i->number($begin), $i->number($end));
        if ($part === null) {
            ($this->leave)($i->class, 'drawn along the whole of its line, and not along a part of it');
        }

        return $part ?? $this->curves->trace($number);
    }

    /**
     * A profile square to a line all along it, its x axis toward a direction that stays.
     *
     * @param  array{float, float, float}  $reference
     */
    private function led(Instance $i, array $reference): Solid
    {
        $way = $this->way($i, 2, 3, 4)->places;
        $profiles = $this->profiles->of($i->reference(0) ?? throw $this->places->broken($i->number, 'led along a line without a profile'));

        return Solid::together(array_map(fn (Profile $p): Solid => Sweeps::led($p, $way, $reference)
            ?? throw $this->places->broken($i->number, 'its line is one place, or runs along the direction that is to stay square to it'), $profiles));
    }

    /**
     * Of the plane a line lies on: the x axis of the profile shows along it.
     *
     * @return array{float, float, float}
     */
    private function normal(Instance $i): array
    {
        $surface = $this->file->get($i->reference(5) ?? throw $this->places->broken($i->number, 'led along a surface that is not said'));
        if ($surface->class !== 'IFCPLANE') {
            throw $this->places->broken($i->number, "a profile led along {$surface->class}, which Parlay does not read");
        }

        return $this->places->axes($surface->reference(0) ?? throw $this->places->broken($surface->number, 'a plane without a place'))->vector(0.0, 0.0, 1.0);
    }

    /** From each profile straight to the next, each where it is said to stand. */
    private function stretched(Instance $i): Solid
    {
        $frames = array_map($this->places->axes(...), $i->references(2));
        $profiles = array_map(fn (int $p): Profile => $this->profiles->of($p)[0], $i->references(1));
        if ($profiles === [] || $frames === [] || count($frames) !== count($profiles) || count($frames) < 2) {
            throw $this->places->broken($i->number, 'it does not say where each of its profiles stands');
        }
        foreach ($profiles as $p) {
            if (! $p->hasCornersAs($profiles[0])) {
                throw $this->places->broken($i->number, 'its profiles have not all as many corners');
            }
        }

        return Sweeps::between($profiles, $frames);
    }
}
