<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\GridAxis;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;
use Parlay\Core\Geometry\Frame;
use Parlay\Core\Geometry\Space;

/** Grids of the file: their axes, and what is placed by them. */
final readonly class IfcGrids
{
    public function __construct(
        private StepFile $file,
        private IfcPlaces $places,
        private IfcCurves $curves,
        private IfcStructure $structure,
    ) {}

    /** @return list<GridAxis> those that can be read */
    public function axes(): array
    {
        $axes = [];
        foreach ($this->file->of('IFCGRID') as $number) {
            try {
                $grid = $this->file->get($number);
                $frame = $this->places->local($grid->reference(5));
                foreach ([...$grid->references(7), ...$grid->references(8), ...$grid->references(9)] as $axis) {
                    $a = $this->file->get($axis);
                    $trace = $this->curves->trace($a->reference(1) ?? throw $this->places->broken($axis, 'an axis without a course'));
                    $axes[] = new GridAxis(
                        $grid->text(2) ?? '', $a->text(0) ?? '', array_map(static fn (array $p): array => $frame->point(...$p), $trace->places),
                    );
                }
            } catch (BrokenInstance $e) {
                $this->structure->faults[] = $e->getMessage();
            }
        }

        return $axes;
    }

    /**
     * At the crossing of two axes of a grid, or beside it (IfcVirtualGridIntersection): its x axis along the first of both, or toward where it is said.
     *
     * @throws BrokenInstance
     */
    public function place(Instance $placement): Frame
    {
        $crossings = [];
        $toward = null;
        foreach (array_keys($placement->attributes) as $k) {
            $number = $placement->reference($k);
            $class = $number === null ? '' : $this->file->classOf($number);
            if ($class === 'IFCVIRTUALGRIDINTERSECTION') {
                $crossings[] = (int) $number;
            } elseif ($class === 'IFCDIRECTION') {
                $toward = $this->places->direction($number, [1.0, 0.0, 0.0]);
            }
        }
        [$at, $along, $frame] = $this->crossing($crossings[0] ?? throw $this->places->broken($placement->number, 'it names no crossing of a grid'));
        if (isset($crossings[1])) {
            [$other] = $this->crossing($crossings[1]);
            $along = [$other[0] - $at[0], $other[1] - $at[1], 0.0];
        }
        $x = Space::unit($toward ?? $along) ?? [1.0, 0.0, 0.0];

        return $frame->after(Frame::ofAxes($x, [-$x[1], $x[0], 0.0], [0.0, 0.0, 1.0], $at));
    }

    /**
     * @return array{array{float, float, float}, array{float, float, float}, Frame} where two axes cross, beside them as far as is said, how the first of them runs, and the grid's frame
     *
     * @throws BrokenInstance
     */
    private function crossing(int $number): array
    {
        $c = $this->file->get($number);
        [$one, $two] = [...$c->references(0), null, null];
        if ($one === null || $two === null) {
            throw $this->places->broken($number, 'a crossing of fewer than two axes');
        }
        $off = $c->numbers(1);
        [$p, $u] = $this->straightAxis($one, ($off[0] ?? 0.0));
        [$q, $v] = $this->straightAxis($two, ($off[1] ?? 0.0));
        $sine = $u[0] * $v[1] - $u[1] * $v[0];
        if (abs($sine) < 1e-9) {
            throw $this->places->broken($number, 'its axes run alike and do not cross');
        }
        $t = (($q[0] - $p[0]) * $v[1] - ($q[1] - $p[1]) * $v[0]) / $sine;
        $up = isset($off[2]) ? $this->places->coordinate($off[2], $number) : 0.0;

        return [[$p[0] + $t * $u[0], $p[1] + $t * $u[1], $up], [$u[0], $u[1], 0.0], $this->gridOf($one)];
    }

    /**
     * @param  float  $off  to its left, in the file's unit
     * @return array{array{float, float}, array{float, float}} a place on it and its direction
     *
     * @throws BrokenInstance
     */
    private function straightAxis(int $axis, float $off): array
    {
        $a = $this->file->get($axis);
        $places = $this->curves->trace($a->reference(1) ?? throw $this->places->broken($axis, 'an axis without a course'))->places;
        if (count($places) !== 2) {
            throw $this->places->broken($axis, 'a placement by an axis that is not straight, which Parlay does not read');
        }
        [$from, $to] = $a->word(2) === 'F' ? [$places[1], $places[0]] : [$places[0], $places[1]];
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        if ($length <= 0.0) {
            throw $this->places->broken($axis, 'an axis of no length');
        }
        $u = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        $by = $this->places->coordinate($off, $axis);

        return [[$from[0] - $by * $u[1], $from[1] + $by * $u[0]], $u];
    }

    private function gridOf(int $axis): Frame
    {
        foreach ($this->file->of('IFCGRID') as $number) {
            $grid = $this->file->get($number);
            if (in_array($axis, [...$grid->references(7), ...$grid->references(8), ...$grid->references(9)], true)) {
                return $this->places->local($grid->reference(5));
            }
        }

        return Frame::none();
    }
}
