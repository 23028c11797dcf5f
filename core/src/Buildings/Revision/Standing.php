<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Revision;

use Parlay\Core\Geometry\Frame;

/** A thing of a model as one revision has it: who it is, of which shape, where and how large. */
final readonly class Standing
{
    /**
     * @param  int  $number  of its instance in the file
     * @param  string  $guid  its id, that should outlive revisions
     * @param  string  $shape  the same of things of the same shape
     * @param  string  $topology  the same of things made of as many faces in the same order
     * @param  Frame  $place  from its own axes to the site, metres
     * @param  array{float, float, float}  $low  how far it reaches along its own axes
     * @param  array{float, float, float}  $high
     */
    public function __construct(
        public int $number,
        public string $guid,
        public string $name,
        public string $class,
        public string $type,
        public string $shape,
        public string $topology,
        public Frame $place,
        public array $low,
        public array $high,
    ) {}

    /** @return array{float, float, float} of all it reaches, on the site */
    public function middle(): array
    {
        return $this->place->point(
            ($this->low[0] + $this->high[0]) / 2, ($this->low[1] + $this->high[1]) / 2, ($this->low[2] + $this->high[2]) / 2,
        );
    }

    /** @return array{float, float, float} true ones, along its own axes, metres */
    public function size(): array
    {
        [$x, $y, $z] = $this->lengths();

        return [$x * ($this->high[0] - $this->low[0]), $y * ($this->high[1] - $this->low[1]), $z * ($this->high[2] - $this->low[2])];
    }

    /**
     * How far it is turned against another, about whichever axis; radians. What is mirrored is turned by as much as its longest axis.
     */
    public function turnedFrom(self $other): float
    {
        [$p, $q] = [$this->axes(), $other->axes()];
        $trace = 0.0;
        foreach ($p as $k => $axis) {
            $trace += $axis[0] * $q[$k][0] + $axis[1] * $q[$k][1] + $axis[2] * $q[$k][2];
        }

        return acos(max(-1.0, min(1.0, ($trace - 1.0) / 2)));
    }

    /** @return array{float, float, float} */
    private function lengths(): array
    {
        $f = $this->place;

        return [sqrt($f->a ** 2 + $f->d ** 2 + $f->g ** 2), sqrt($f->b ** 2 + $f->e ** 2 + $f->h ** 2), sqrt($f->c ** 2 + $f->f ** 2 + $f->i ** 2)];
    }

    /** @return list<array{float, float, float}> its axes on the site, of length 1 */
    private function axes(): array
    {
        $f = $this->place;
        $lengths = array_map(static fn (float $l): float => max($l, 1e-12), $this->lengths());

        return [
            [$f->a / $lengths[0], $f->d / $lengths[0], $f->g / $lengths[0]], [$f->b / $lengths[1], $f->e / $lengths[1], $f->h / $lengths[1]],
            [$f->c / $lengths[2], $f->f / $lengths[2], $f->i / $lengths[2]],
        ];
    }
}
