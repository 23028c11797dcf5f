<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Loop;
use Parlay\Core\Geometry\Space;

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
     * With an arc of one radius at each corner between its ends; null where one does not fit.
     *
     * @param  float  $radius  metres
     */
    public function rounded(float $radius): ?self
    {
        $parts = [];
        $last = count($this->places) - 1;
        $used = 0.0;
        for ($k = 1; $k < $last; $k++) {
            [$a, $b, $c] = [$this->places[$k - 1], $this->places[$k], $this->places[$k + 1]];
            [$in, $out] = [Space::unit(Space::way($a, $b)), Space::unit(Space::way($b, $c))];
            if ($in === null || $out === null) {
                continue;
            }
            $turn = atan2(Space::length(Space::cross($in, $out)), Space::dot($in, $out));
            $tangent = $radius * tan($turn / 2);
            if ($turn < 1e-9) {
                continue;
            }
            if ($used + $tangent > Space::length(Space::way($a, $b)) + 1e-9 || $tangent > Space::length(Space::way($b, $c)) + 1e-9) {
                return null;
            }
            // The middle of the arc lies on the line that halves the corner.
            $halving = Space::unit(Space::way($in, $out)) ?? $out;
            $centre = Space::plus($b, $halving, $radius / cos($turn / 2));
            $begin = Space::plus($b, $in, -$tangent);
            $from = Space::unit(Space::way($centre, $begin)) ?? $in;
            $pieces = max(1, (int) ceil($turn / (2 * M_PI) * Loop::PIECES - 1e-6));
            $places = $arcs = [];
            for ($i = 0; $i <= $pieces; $i++) {
                $places[] = Space::plus(Space::plus($centre, $from, $radius * cos($turn * $i / $pieces)), $in, $radius * sin($turn * $i / $pieces));
                $arcs[$i] = [$centre[0], $centre[1], $centre[2], $radius];
            }
            unset($arcs[$pieces]);
            $parts[] = new self($places, $arcs);
            $used = $tangent;
        }

        return self::joined([new self([$this->places[0]]), ...$parts, new self([$this->places[$last]])]);
    }

    /**
     * From one place of it to another, counted from 0 at its first and 1 on at each that follows.
     *
     * @return self|null null where it does not reach so far
     */
    public function part(float $from, float $to): ?self
    {
        $last = count($this->places) - 1;
        if ($from < -1e-9 || $to > $last + 1e-9 || $to <= $from) {
            return null;
        }
        $at = function (float $t) use ($last): array {
            $k = max(0, min($last - 1, (int) floor($t)));

            return Space::plus($this->places[$k], Space::way($this->places[$k], $this->places[$k + 1]), min(1.0, $t - $k));
        };
        $between = [];
        for ($k = (int) floor($from) + 1; $k < $to; $k++) {
            $between[] = $this->places[$k];
        }

        return self::joined([new self([$at(max(0.0, $from)), ...$between, $at($to)])]);
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
