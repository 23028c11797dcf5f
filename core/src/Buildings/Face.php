<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** A face of a solid: its outline and the holes in it, by the numbers of corners of the solid. From outside its outline turns to the left. */
final readonly class Face
{
    /**
     * @param  list<int>  $outline
     * @param  list<list<int>>  $holes
     * @param  int|null  $round  which round face of the solid it is a piece of; below 0 a piece of a face that curves otherwise, the same number for all of
     *                           that face; null where it is plane
     */
    public function __construct(public array $outline, public array $holes = [], public ?int $round = null) {}

    /** Seen from the other side. */
    public function turned(): self
    {
        return new self(array_reverse($this->outline), array_map(static fn (array $h): array => array_reverse($h), $this->holes), $this->round);
    }

    /** Its corners and its round face counted from other numbers on. */
    public function shifted(int $corners, int $rounds): self
    {
        /**
         * @param  list<int>  $loop
         * @return list<int>
         */
        $by = static function (array $loop) use ($corners): array {
            $moved = [];
            foreach ($loop as $i) {
                $moved[] = $i + $corners;
            }

            return $moved;
        };

        return new self($by($this->outline), array_map($by, $this->holes), $this->round === null || $this->round < 0 ? $this->round : $this->round + $rounds);
    }
}
