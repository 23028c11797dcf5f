<?php

declare(strict_types=1);

namespace Parlay\Core\Designs;

use Parlay\Core\Units\LengthUnit;

/** What was read from a drawing file, and what was not. */
final readonly class Drawing
{
    /**
     * @param  LengthUnit|null  $declaredUnit  null where the file says none
     * @param  list<DrawingLayer>  $layers  with at least one shape, in the order of first use
     * @param  list<string>  $remarks  what was left out or changed and why, a sentence each
     * @param  array{float, float}|null  $heights  least and greatest elevation met in the file, null where all are 0
     * @param  int  $annotations  dimensions and leaders met, taken or not
     * @param  list<string>  $repairs  what was mended in a damaged file, each with its place
     * @param  list<array{string, float}>  $storeys  of a building model: name, and height in drawing units, from below upward
     * @param  string  $placeWord  what the places of its shapes count: line, or byte
     */
    public function __construct(
        public ?LengthUnit $declaredUnit,
        public string $version,
        public array $layers,
        public array $remarks,
        public ?array $heights,
        public int $annotations = 0,
        public array $repairs = [],
        public string $placeWord = 'line',
        public array $storeys = [],
    ) {}

    /** @return array{float, float, float, float}|null */
    public function extent(): ?array
    {
        $extents = array_filter(array_map(static fn (DrawingLayer $l) => $l->extent(), $this->layers));

        return $extents === [] ? null : [
            min(array_column($extents, 0)), min(array_column($extents, 1)), max(array_column($extents, 2)), max(array_column($extents, 3)),
        ];
    }
}
