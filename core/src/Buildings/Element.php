<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

use Parlay\Core\Geometry\Frame;

/** One thing of a building model: a column, a plate, an anchor. */
final readonly class Element
{
    /**
     * @param  int  $number  of its instance in the file
     * @param  string  $id  that outlives revisions, as the file says it
     * @param  string  $class  as the open standard names it, without its prefix: Column
     * @param  string|null  $typeName  of the type it is one of
     * @param  int|null  $storey  number of the storey it stands in
     * @param  int|null  $partOf  number of the element it is a part of
     * @param  Frame  $place  where it stands in the model, metres
     * @param  list<array{Solid, Frame}>  $shape  each solid with its frame within the element
     * @param  list<string>  $layers
     * @param  string|null  $fault  why it has no shape, or not its own
     */
    public function __construct(
        public int $number,
        public string $id,
        public string $class,
        public string $name,
        public ?int $type,
        public ?string $typeName,
        public string $tag,
        public ?int $storey,
        public ?int $partOf,
        public Frame $place,
        public array $shape,
        public array $layers,
        public ?string $fault,
    ) {}

    /**
     * How far it reaches along the axes of a frame, all its solids together.
     *
     * @param  Frame  $frame  from the element's own coordinates
     * @return array{array{float, float, float}, array{float, float, float}}|null the smallest and the largest of each coordinate
     */
    public function reach(Frame $frame): ?array
    {
        [$low, $high] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($this->shape as [$solid, $own]) {
            $whole = $frame->after($own);
            foreach ($solid->corners as [$x, $y, $z]) {
                [$x, $y, $z] = $whole->point($x, $y, $z);
                $low = [min($low[0], $x), min($low[1], $y), min($low[2], $z)];
                $high = [max($high[0], $x), max($high[1], $y), max($high[2], $z)];
            }
        }

        return $low[0] === INF ? null : [$low, $high];
    }

    /** Metres³, of all that is closed. */
    public function volume(): float
    {
        $volume = 0.0;
        foreach ($this->shape as [$solid, $frame]) {
            $volume += $solid->closed ? $solid->volume() * abs($frame->determinant()) : 0.0;
        }

        return $volume;
    }
}
