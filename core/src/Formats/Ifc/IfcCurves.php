<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Loop;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\Reference;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Formats\Step\Typed;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Curves of the file. Arcs become pieces, and remember what they are pieces of. */
final readonly class IfcCurves
{
    private const DEEPEST = 20;

    private const MOST_PLACES = 300_000;

    private const MOST_CORNERS = 20_000;

    /** Curves that are said in space and on a surface: in space they are told first. */
    private const ON_SURFACE = ['IFCSURFACECURVE', 'IFCINTERSECTIONCURVE', 'IFCSEAMCURVE'];

    private IfcSplines $splines;

    public function __construct(private StepFile $file, private IfcPlaces $places, private IfcUnits $units)
    {
        $this->splines = new IfcSplines($places);
    }

    /** Radians. */
    public function angle(float $value): float
    {
        return $value * $this->units->angle;
    }

    /**
     * A closed curve of a plane.
     *
     * @throws BrokenInstance
     */
    public function loop(int $number): Loop
    {
        $trace = $this->trace($number);
        $places = $trace->places;
        $last = count($places) - 1;
        // A closed curve comes back to where it began.
        if ($last > 0 && abs($places[0][0] - $places[$last][0]) < 1e-6 && abs($places[0][1] - $places[$last][1]) < 1e-6) {
            array_pop($places);
        }
        if (count($places) < 3 || count($places) > self::MOST_CORNERS) {
            throw $this->places->broken($number, count($places) < 3 ? 'an outline needs three corners' : 'an outline of more than '.self::MOST_CORNERS.' corners');
        }

        return new Loop(
            array_map(static fn (array $p): array => [$p[0], $p[1]], $places),
            array_map(static fn (array $a): array => [$a[0], $a[1], $a[3]], $trace->arcs),
        );
    }

    /** @throws BrokenInstance where Parlay does not read it, or it is no curve */
    public function trace(int $number, int $depth = 0): Trace
    {
        if ($depth > self::DEEPEST) {
            throw $this->places->broken($number, 'curves stand within one another in a circle');
        }
        $curve = $this->file->get($number);

        return match ($curve->class) {
            'IFCPOLYLINE' => $this->polyline($curve->references(0)),
            'IFCCOMPOSITECURVE', 'IFC2DCOMPOSITECURVE', 'IFCBOUNDARYCURVE', 'IFCOUTERBOUNDARYCURVE' => $this->composite($curve, $depth),
            'IFCTRIMMEDCURVE' => $this->trimmed($curve),
            'IFCINDEXEDPOLYCURVE' => $this->indexed($curve),
            'IFCCIRCLE', 'IFCELLIPSE' => $this->part($curve, 0.0, 2 * M_PI),
            'IFCBSPLINECURVE', 'IFCBSPLINECURVEWITHKNOTS', 'IFCRATIONALBSPLINECURVEWITHKNOTS', 'IFCBEZIERCURVE', 'IFCRATIONALBEZIERCURVE' => new Trace($this->splines->curve($curve)->chords()),
            'IFCSURFACECURVE', 'IFCINTERSECTIONCURVE', 'IFCSEAMCURVE' => $this->trace($curve->reference(0) ?? throw $this->places->broken($number, 'a curve on a surface, and not which'), $depth + 1),
            default => throw $this->places->broken($number, "{$curve->class} is a curve Parlay does not read"),
        };
    }

    /**
     * What lies between two values of a curve's own parameter; all of it where neither is said.
     *
     * @return Trace|null null where Parlay does not know how it is counted along such a curve, or it is not as long
     *
     * @throws BrokenInstance
     */
    public function partOf(int $number, ?float $from, ?float $to): ?Trace
    {
        $curve = $this->file->get($number);
        if ($curve->class === 'IFCLINE') {
            return $to === null ? throw $this->places->broken($number, 'a line without an end') : new Trace([$this->onLine($curve, $from ?? 0.0), $this->onLine($curve, $to)]);
        }
        if ($from === null && $to === null) {
            return $this->trace($number);
        }
        if ($curve->class === 'IFCCIRCLE' || $curve->class === 'IFCELLIPSE') {
            $begin = $this->angle($from ?? 0.0);

            return $this->part($curve, $begin, $to === null ? 2 * M_PI - $begin : $this->angle($to) - $begin);
        }
        $trace = $this->trace($number);
        // Along lines alone it is counted from place to place.
        $straight = $curve->class === 'IFCPOLYLINE' || ($curve->class === 'IFCINDEXEDPOLYCURVE' && $trace->arcs === []);

        return $straight ? $trace->part($from ?? 0.0, $to ?? count($trace->places) - 1.0) : null;
    }

    /**
     * Along a circle, an ellipse or a curve of lines, from one place on it to another.
     *
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to  where it is the same place, all the way round
     * @return list<array{float, float, float}>
     *
     * @throws BrokenInstance
     */
    public function between(Instance $curve, array $from, array $to, bool $onward): array
    {
        if (in_array($curve->class, self::ON_SURFACE, true)) {
            $in = $this->file->get($curve->reference(0) ?? throw $this->places->broken($curve->number, 'a curve on a surface, and not which'));

            return $in->class === 'IFCLINE' ? [$from, $to] : $this->between($in, $from, $to, $onward);
        }
        if ($this->isSpline($curve) && Space::length(Space::way($from, $to)) > 1e-6) {
            $spline = $this->splines->curve($curve);

            return $onward ? $this->splines->between($spline, $from, $to) : array_reverse($this->splines->between($spline, $to, $from));
        }
        if ($curve->class !== 'IFCCIRCLE' && $curve->class !== 'IFCELLIPSE') {
            $places = $this->trace($curve->number)->places;

            return $onward ? $places : array_reverse($places);
        }
        $begin = $this->onRound($curve, $from);
        $places = $this->part($curve, $begin, $this->sweep($begin, $this->onRound($curve, $to), $onward))->places;
        $places[0] = $from;
        $places[count($places) - 1] = $to;

        return $places;
    }

    private function isSpline(Instance $curve): bool
    {
        return str_contains($curve->class, 'BSPLINE') || str_contains($curve->class, 'BEZIER');
    }

    /** From one angle on to another, a whole turn where they are the same. */
    private function sweep(float $from, float $to, bool $onward): float
    {
        $sweep = fmod($to - $from, 2 * M_PI);
        if ($onward) {
            return $sweep <= 1e-9 ? $sweep + 2 * M_PI : $sweep;
        }

        return $sweep >= -1e-9 ? $sweep - 2 * M_PI : $sweep;
    }

    /** @param  list<int>  $points */
    private function polyline(array $points): Trace
    {
        return Trace::joined([new Trace(array_map($this->places->point(...), $points))]);
    }

    private function composite(Instance $curve, int $depth): Trace
    {
        $parts = [];
        $places = 0;
        foreach ($curve->references(0) as $number) {
            $segment = $this->file->get($number);
            $part = $this->trace($segment->reference(2) ?? throw $this->places->broken($number, 'a segment without a curve'), $depth + 1);
            $parts[] = $segment->word(1) === 'F' ? $part->reversed() : $part;
            $places += count($part->places);
            if ($places > self::MOST_PLACES) {
                throw $this->places->broken($curve->number, 'a curve of more than '.self::MOST_PLACES.' places');
            }
        }

        return Trace::joined($parts);
    }

    private function trimmed(Instance $curve): Trace
    {
        $basis = $this->file->get($curve->reference(0) ?? throw $this->places->broken($curve->number, 'a part of no curve'));
        $cartesian = $curve->word(4) === 'CARTESIAN';
        [$from, $to] = [$this->trim($curve, 1, $cartesian), $this->trim($curve, 2, $cartesian)];
        $onward = $curve->word(3) !== 'F';
        if ($basis->class === 'IFCLINE') {
            return new Trace([$this->onLine($basis, $from), $this->onLine($basis, $to)]);
        }
        if ($this->isSpline($basis)) {
            $places = $this->splines->between($this->splines->curve($basis), $from, $to);

            return new Trace($onward ? $places : array_reverse($places));
        }
        if ($basis->class !== 'IFCCIRCLE' && $basis->class !== 'IFCELLIPSE') {
            throw $this->places->broken($basis->number, "{$basis->class} is a curve Parlay does not read");
        }
        $begin = $this->onRound($basis, $from);

        return $this->part($basis, $begin, $this->sweep($begin, $this->onRound($basis, $to), $onward));
    }

    /** @return float|array{float, float, float} along the curve, or a place on it */
    private function trim(Instance $curve, int $attribute, bool $cartesian): float|array
    {
        $along = $place = null;
        foreach ($curve->list($attribute) as $v) {
            if ($v instanceof Reference) {
                $place = $this->places->point($v->number);
            } elseif ($v instanceof Typed) {
                $along = Instance::floats($v->values)[0] ?? null;
            }
        }

        return ($cartesian ? $place ?? $along : $along ?? $place) ?? throw $this->places->broken($curve->number, 'it is not said where this part of a curve begins or ends');
    }

    /**
     * @param  float|array{float, float, float}  $at
     * @return array{float, float, float}
     */
    private function onLine(Instance $line, float|array $at): array
    {
        if (is_array($at)) {
            return $at;
        }
        $p = $this->places->point($line->reference(0) ?? throw $this->places->broken($line->number, 'a line without a place'));
        $vector = $this->file->get($line->reference(1) ?? throw $this->places->broken($line->number, 'a line without a direction'));
        $d = $this->places->direction($vector->reference(0), [1.0, 0.0, 0.0]);
        $by = $this->places->coordinate($at * ($vector->number(1) ?? 1.0), $line->number);

        return [$p[0] + $by * $d[0], $p[1] + $by * $d[1], $p[2] + $by * $d[2]];
    }

    /** @param  float|array{float, float, float}  $at */
    private function onRound(Instance $curve, float|array $at): float
    {
        if (! is_array($at)) {
            return $at * $this->units->angle;
        }
        $f = $this->frame($curve);
        [$dx, $dy, $dz] = [$at[0] - $f->x, $at[1] - $f->y, $at[2] - $f->z];
        [$a, $b] = $this->radii($curve);

        return atan2(($dx * $f->b + $dy * $f->e + $dz * $f->h) / $b, ($dx * $f->a + $dy * $f->d + $dz * $f->g) / $a);
    }

    private function part(Instance $curve, float $from, float $sweep): Trace
    {
        $f = $this->frame($curve);
        [$a, $b] = $this->radii($curve);
        $pieces = max(1, (int) ceil(abs($sweep) / (2 * M_PI) * Loop::PIECES - 1e-6));
        $places = $arcs = [];
        for ($k = 0; $k <= $pieces; $k++) {
            $t = $from + $sweep * $k / $pieces;
            $places[] = $f->point($a * cos($t), $b * sin($t), 0.0);
            if ($k < $pieces && $a === $b) {
                $arcs[$k] = [$f->x, $f->y, $f->z, $a];
            }
        }

        return new Trace($places, $arcs);
    }

    private function frame(Instance $curve): Frame
    {
        return $this->places->axes($curve->reference(0) ?? throw $this->places->broken($curve->number, 'a circle without a place'));
    }

    /** @return array{float, float} */
    private function radii(Instance $curve): array
    {
        $a = $this->places->coordinate($curve->number(1) ?? 0.0, $curve->number);
        $b = $curve->class === 'IFCCIRCLE' ? $a : $this->places->coordinate($curve->number(2) ?? 0.0, $curve->number);

        return $a > 0.0 && $b > 0.0 ? [$a, $b] : throw $this->places->broken($curve->number, 'a radius of 0, or below');
    }

    private function indexed(Instance $curve): Trace
    {
        $points = $this->pointList($curve->reference(0) ?? throw $this->places->broken($curve->number, 'a curve without places'));
        $segments = $curve->list(1);
        if ($segments === []) {
            return Trace::joined([new Trace($points)]);
        }
        $parts = [];
        foreach ($segments as $segment) {
            $numbers = $segment instanceof Typed && is_array($segment->values[0] ?? null) ? Instance::floats($segment->values[0]) : [];
            $at = array_map(fn (float $n): array => $points[(int) $n - 1] ?? throw $this->places->broken($curve->number, "it speaks of place $n of ".count($points)), $numbers);
            $arc = $segment instanceof Typed && $segment->type === 'IFCARCINDEX' && count($at) === 3 ? self::through($at[0], $at[1], $at[2]) : null;
            $parts[] = $arc ?? new Trace($at);
        }

        return Trace::joined($parts);
    }

    /**
     * @return list<array{float, float, float}> metres
     *
     * @throws BrokenInstance
     */
    public function pointList(int $number): array
    {
        $places = [];
        $list = $this->file->get($number)->list(0);
        if (count($list) > self::MOST_PLACES) {
            throw $this->places->broken($number, 'a list of more than '.self::MOST_PLACES.' places');
        }
        foreach ($list as $c) {
            $c = is_array($c) ? Instance::floats($c) : [];
            if (count($c) < 2) {
                throw $this->places->broken($number, 'a place in this list has no two coordinates');
            }
            $places[] = [$this->places->coordinate($c[0], $number), $this->places->coordinate($c[1], $number), $this->places->coordinate($c[2] ?? 0.0, $number)];
        }

        return $places;
    }

    /**
     * The arc over a second place to a third; null where the three lie in a line.
     *
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     */
    private static function through(array $a, array $b, array $c): ?Trace
    {
        $u = Space::way($a, $b);
        $v = Space::way($a, $c);
        $n = Space::cross($u, $v);
        [$nn, $uu, $vv] = [Space::dot($n, $n), Space::dot($u, $u), Space::dot($v, $v)];
        if ($nn <= 1e-12 * $uu * $vv || $nn === 0.0) {
            return null;
        }
        $to = Space::plus(Space::plus([0.0, 0.0, 0.0], Space::cross($v, $n), $uu / (2 * $nn)), Space::cross($n, $u), $vv / (2 * $nn));
        $radius = Space::length($to);
        $centre = Space::plus($a, $to);
        $x = [-$to[0] / $radius, -$to[1] / $radius, -$to[2] / $radius];
        $length = sqrt($nn);
        $y = Space::cross([$n[0] / $length, $n[1] / $length, $n[2] / $length], $x);
        $end = Space::way($centre, $c);
        $sweep = atan2(Space::dot($end, $y), Space::dot($end, $x));
        $sweep += $sweep <= 0.0 ? 2 * M_PI : 0.0;
        $pieces = max(2, (int) ceil($sweep / (2 * M_PI) * Loop::PIECES - 1e-6));
        $places = $arcs = [];
        for ($k = 0; $k <= $pieces; $k++) {
            [$cos, $sin] = [$radius * cos($sweep * $k / $pieces), $radius * sin($sweep * $k / $pieces)];
            $places[] = Space::plus(Space::plus($centre, $x, $cos), $y, $sin);
            if ($k < $pieces) {
                $arcs[$k] = [$centre[0], $centre[1], $centre[2], $radius];
            }
        }
        $places[$pieces] = $c;

        return new Trace($places, $arcs);
    }
}
