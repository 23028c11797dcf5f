<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Points, directions and placements of the file, as frames in metres. */
final class IfcPlaces
{
    /** Placements stand within one another from the element up to the site; more is a circle. */
    private const DEEPEST = 100;

    private const MOST_KEPT = 50_000;

    /** Further out than this is nothing on earth, metres. */
    private const FARTHEST = 1e9;

    /** @var array<int, Frame> by number of the local placement */
    private array $local = [];

    /** @var (\Closure(Instance): Frame)|null reads placements by a grid */
    private ?\Closure $byGrid = null;

    public function __construct(private readonly StepFile $file, private readonly float $metres) {}

    /** @param  \Closure(Instance): Frame  $byGrid */
    public function setGrid(\Closure $byGrid): void
    {
        $this->byGrid = $byGrid;
    }

    /**
     * Metres; a point of the plane lies at z 0.
     *
     * @return array{float, float, float}
     *
     * @throws BrokenInstance
     */
    public function point(int $number): array
    {
        $point = $this->file->get($number);
        if ($point->class !== 'IFCCARTESIANPOINT') {
            throw $this->broken($number, 'a point was expected here');
        }
        $c = $point->numbers(0);
        if (count($c) < 2) {
            throw $this->broken($number, 'a point needs two or three coordinates');
        }

        return [$this->coordinate($c[0], $number), $this->coordinate($c[1], $number), $this->coordinate($c[2] ?? 0.0, $number)];
    }

    /** @throws BrokenInstance where it is none a building could have */
    public function coordinate(float $value, int $of): float
    {
        $metres = $value * $this->metres;

        return abs($metres) < self::FARTHEST ? $metres : throw $this->broken($of, 'a coordinate is no number, or farther out than the earth is wide');
    }

    /**
     * A length of which there has to be some, metres.
     *
     * @throws BrokenInstance
     */
    public function above(Instance $i, int $attribute): float
    {
        $length = $this->coordinate($i->number($attribute) ?? 0.0, $i->number);

        return $length > 0.0 ? $length : throw $this->broken($i->number, "a figure of {$i->class} is missing, 0 or below");
    }

    /**
     * Of length 1.
     *
     * @param  array{float, float, float}  $else  where none is given
     * @return array{float, float, float}
     *
     * @throws BrokenInstance
     */
    public function direction(?int $number, array $else): array
    {
        if ($number === null) {
            return $else;
        }
        $r = $this->file->get($number)->numbers(0);

        return Space::unit([$r[0] ?? 0.0, $r[1] ?? 0.0, $r[2] ?? 0.0]) ?? throw $this->broken($number, 'a direction of no length');
    }

    /**
     * Where something stands in the whole, through all the placements it stands in.
     *
     * @throws BrokenInstance
     */
    public function local(?int $number): Frame
    {
        return $number === null ? Frame::none() : $this->within($number, 0);
    }

    private function within(int $number, int $depth): Frame
    {
        if (isset($this->local[$number])) {
            return $this->local[$number];
        }
        if ($depth > self::DEEPEST) {
            throw $this->broken($number, 'placements stand within one another in a circle, or without end');
        }
        $placement = $this->file->get($number);
        if ($placement->class !== 'IFCLOCALPLACEMENT') {
            return $this->local[$number] = $this->otherPlacement($placement, $depth);
        }
        $own = $placement->reference(1);
        $frame = $own === null ? Frame::none() : $this->axes($own);
        $outer = $placement->reference(0);
        if ($outer !== null) {
            $frame = $this->within($outer, $depth + 1)->after($frame);
        }
        if (count($this->local) >= self::MOST_KEPT) {
            $this->local = array_slice($this->local, 0, self::MOST_KEPT >> 2, true);
        }

        return $this->local[$number] = $frame;
    }

    /**
     * By a grid, or along an alignment: of the latter the place that is written beside it for those who don't know the alignment.
     *
     * @throws BrokenInstance
     */
    private function otherPlacement(Instance $placement, int $depth): Frame
    {
        if ($placement->class === 'IFCGRIDPLACEMENT' && $this->byGrid !== null) {
            return ($this->byGrid)($placement);
        }
        $within = null;
        foreach (array_keys($placement->attributes) as $k) {
            $number = $placement->reference($k);
            $class = $number === null || ! $this->file->has($number) ? '' : $this->file->classOf($number);
            if ($k === 0 && str_ends_with($class, 'PLACEMENT')) {
                $within = $number;
            }
            if ($placement->class === 'IFCLINEARPLACEMENT' && $class === 'IFCAXIS2PLACEMENT3D') {
                $frame = $this->axes((int) $number);

                return $within === null ? $frame : $this->within($within, $depth + 1)->after($frame);
            }
        }
        throw $this->broken($placement->number, "{$placement->class} is a placement Parlay does not read");
    }

    /**
     * IfcAxis2Placement3D or 2D: the axes at right angles by the schema's own functions (IfcBuildAxes, IfcFirstProjAxis).
     *
     * @throws BrokenInstance
     */
    public function axes(int $number): Frame
    {
        $placement = $this->file->get($number);
        $origin = $this->point($placement->reference(0) ?? throw $this->broken($number, 'a placement without a place'));
        if ($placement->class === 'IFCAXIS2PLACEMENT2D') {
            $x = $this->direction($placement->reference(1), [1.0, 0.0, 0.0]);

            return Frame::ofAxes($x, [-$x[1], $x[0], 0.0], [0.0, 0.0, 1.0], $origin);
        }
        if ($placement->class !== 'IFCAXIS2PLACEMENT3D') {
            throw $this->broken($number, 'a placement by axes was expected here');
        }
        $z = $this->direction($placement->reference(1), [0.0, 0.0, 1.0]);
        $x = self::square($this->direction($placement->reference(2), [1.0, 0.0, 0.0]), $z);

        return Frame::ofAxes($x, Space::cross($z, $x), $z, $origin);
    }

    /**
     * IfcCartesianTransformationOperator, in the plane or in space (IfcBaseAxis).
     *
     * @throws BrokenInstance
     */
    public function operator(int $number): Frame
    {
        $o = $this->file->get($number);
        $origin = $this->point($o->reference(2) ?? throw $this->broken($number, 'a transformation without an origin'));
        $one = $this->scale($o, 3, 1.0);
        if (str_contains($o->class, '2D')) {
            $two = str_ends_with($o->class, 'NONUNIFORM') ? $this->scale($o, 4, $one) : $one;
            $x = $this->direction($o->reference(0), [1.0, 0.0, 0.0]);
            $y = [-$x[1], $x[0], 0.0];
            $given = $o->reference(1);
            if ($given !== null) {
                $side = $this->direction($given, $y);
                $y = $side[0] * $y[0] + $side[1] * $y[1] < 0.0 ? [-$y[0], -$y[1], 0.0] : $y;
            }

            return Frame::ofAxes(self::times($x, $one), self::times($y, $two), [0.0, 0.0, 1.0], $origin);
        }
        $uneven = str_ends_with($o->class, 'NONUNIFORM');
        $two = $uneven ? $this->scale($o, 5, $one) : $one;
        $three = $uneven ? $this->scale($o, 6, $one) : $one;
        $z = $this->direction($o->reference(4), [0.0, 0.0, 1.0]);
        $x = self::square($this->direction($o->reference(0), [1.0, 0.0, 0.0]), $z);
        $y = Space::cross($z, $x);
        $given = $o->reference(1);
        if ($given !== null) {
            // What is left of it when its parts along the other two are taken out; it may point either way, and mirrors then.
            $side = $this->direction($given, $y);
            $y = Space::dot($side, $y) < 0.0 ? self::times($y, -1.0) : $y;
        }

        return Frame::ofAxes(self::times($x, $one), self::times($y, $two), self::times($z, $three), $origin);
    }

    public function broken(int $number, string $what): BrokenInstance
    {
        return new BrokenInstance("{$this->file->where($number)}: $what.");
    }

    private function scale(Instance $o, int $attribute, float $else): float
    {
        $scale = $o->number($attribute) ?? $else;

        return abs($scale) > 1e-9 && abs($scale) < 1e9 ? $scale : throw $this->broken($o->number, 'a scale of 0, or without end');
    }

    /**
     * The part of a direction square to another; any such where it lies along it.
     *
     * @param  array{float, float, float}  $x
     * @param  array{float, float, float}  $z
     * @return array{float, float, float}
     */
    private static function square(array $x, array $z): array
    {
        $side = Space::plus($x, $z, -Space::dot($x, $z));
        if (Space::dot($side, $side) > 1e-12) {
            return Space::unit($side) ?? $x;
        }

        return self::square(abs($z[0]) < 0.9 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0], $z);
    }

    /**
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     */
    private static function times(array $v, float $by): array
    {
        return [$by * $v[0], $by * $v[1], $by * $v[2]];
    }
}
