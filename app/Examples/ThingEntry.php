<?php

declare(strict_types=1);

namespace App\Examples;

use Parlay\Core\Buildings\Example\AxisHold;
use Parlay\Core\ListOf;

/** A thing of a building model, with the spots it offers. */
final readonly class ThingEntry
{
    /**
     * assembly: what it is a part of. topology: of what its faces and axes are counted in. fault: why it has no shape, or not its own. noSpots: why it offers none. face, axis: of what was touched.
     *
     * @param  list<string>  $layers
     * @param  list<ElementProperty>  $properties
     * @param  list<OfferedSpot>  $spots  those nearest to where it was touched
     * @param  list<LikenessCount>  $alike
     */
    public function __construct(
        public int $number,
        public string $guid,
        public string $topology,
        public string $class,
        public string $type,
        public string $name,
        public string $tag,
        public string $storey,
        public string $assembly,
        public bool $mirrored,
        public ?string $fault,
        public ?string $noSpots,
        #[ListOf('string')]
        public array $layers,
        #[ListOf(ElementProperty::class)]
        public array $properties,
        #[ListOf(OfferedSpot::class)]
        public array $spots,
        #[ListOf(LikenessCount::class)]
        public array $alike,
        public ?TouchedFace $face,
        public ?AxisHold $axis,
    ) {}
}
