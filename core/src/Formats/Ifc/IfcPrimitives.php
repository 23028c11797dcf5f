<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Loop;
use Parlay\Core\Buildings\Profile;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\Sweeps;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Geometry\Frame;

/** Solids that a few figures tell (IfcCsgPrimitive3D), and boxes. Their roots stand in the middle of what is round, and at a corner of what is not. */
final readonly class IfcPrimitives
{
    public function __construct(private IfcPlaces $places) {}

    /** @throws BrokenInstance where a figure is missing, or it is none of them */
    public function solid(Instance $i): Solid
    {
        if ($i->class === 'IFCBOUNDINGBOX') {
            $corner = $this->places->point($i->reference(0) ?? throw $this->places->broken($i->number, 'a box without a corner'));

            return $this->block($i)->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], $corner));
        }
        $solid = match ($i->class) {
            'IFCBLOCK' => $this->block($i),
            'IFCRIGHTCIRCULARCYLINDER' => Solid::extruded(Profile::of(Loop::circle(0.0, 0.0, $this->places->above($i, 2))), [0.0, 0.0, $this->places->above($i, 1)]),
            'IFCRIGHTCIRCULARCONE' => self::turned(Profile::of(new Loop([[0.0, 0.0], [$this->places->above($i, 2), 0.0], [0.0, $this->places->above($i, 1)]]))),
            'IFCSPHERE' => $this->sphere($i),
            'IFCRECTANGULARPYRAMID' => $this->pyramid($i),
            default => throw $this->places->broken($i->number, "{$i->class} is a shape Parlay does not read"),
        };

        return $solid->moved($this->places->axes($i->reference(0) ?? throw $this->places->broken($i->number, 'a solid without a place')));
    }

    private function block(Instance $i): Solid
    {
        return Solid::extruded(Profile::of(self::rectangle($this->places->above($i, 1), $this->places->above($i, 2))), [0.0, 0.0, $this->places->above($i, 3)]);
    }

    private function pyramid(Instance $i): Solid
    {
        [$x, $y] = [$this->places->above($i, 1), $this->places->above($i, 2)];

        return Sweeps::pointed(self::rectangle($x, $y), [$x / 2, $y / 2, $this->places->above($i, 3)]);
    }

    private function sphere(Instance $i): Solid
    {
        $radius = $this->places->above($i, 1);
        $half = intdiv(Loop::PIECES, 2);
        $corners = $arcs = [];
        for ($k = 0; $k <= $half; $k++) {
            $t = -M_PI / 2 + M_PI * $k / $half;
            $corners[] = [$k === 0 || $k === $half ? 0.0 : $radius * cos($t), $radius * sin($t)];
            $k < $half && $arcs[$k] = [0.0, 0.0, $radius];
        }

        return self::turned(Profile::of(new Loop($corners, $arcs)));
    }

    /** About the y axis of its profile, which then stands upright. */
    private static function turned(Profile $profile): Solid
    {
        return Sweeps::revolved($profile, [0.0, 0.0], [0.0, 1.0], 2 * M_PI)
            ->moved(Frame::ofAxes([1.0, 0.0, 0.0], [0.0, 0.0, 1.0], [0.0, -1.0, 0.0], [0.0, 0.0, 0.0]));
    }

    private static function rectangle(float $x, float $y): Loop
    {
        return new Loop([[0.0, 0.0], [$x, 0.0], [$x, $y], [0.0, $y]]);
    }
}
