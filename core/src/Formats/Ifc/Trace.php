<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

/** The course of a curve: places one after another, and which of the legs between them are pieces of a circle. */
final readonly class Trace
{
    /**
     * @param  list<array{float, float, float}>  $places  metres
     * @param  array<int, array{float, float, float, float}>  $arcs  by the place a leg begins at: centre and radius
     */
    public function __construct(public array $places, public array $arcs = []) {}

    public function reversed(): self
    {
        $last = count($this->places) - 2;
        $arcs = [];
        foreach ($this->arcs as $leg => $arc) {
            $arcs[$last - $leg] = $arc;
        }

        return new self(array_reverse($this->places), $arcs);
    }

    /**
     * One after the other. Places that stand at one place, to a thousandth of a millimetre, are one.
     *
     * @param  list<self>  $traces
     */
    public static function joined(array $traces): self
    {
        $places = $arcs = [];
        $last = null;
        foreach ($traces as $trace) {
            foreach ($trace->places as $k => $p) {
                if ($last === null || abs($p[0] - $last[0]) >= 1e-6 || abs($p[1] - $last[1]) >= 1e-6 || abs($p[2] - $last[2]) >= 1e-6) {
                    $places[] = $p;
                }
                if (isset($trace->arcs[$k])) {
                    $arcs[count($places) - 1] = $trace->arcs[$k];
                }
                $last = $p;
            }
        }

        return new self($places, $arcs);
    }
}
