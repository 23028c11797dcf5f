<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

/** A volume as it was worked out, with a second figure beside it. */
final readonly class VolumeFound
{
    /**
     * @param  string  $of  what against what, in words
     * @param  float  $cut  metres³ of the first above the second
     * @param  float  $fill  metres³ of the first below it
     * @param  float  $area  metres² that both have
     * @param  float  $thickness  mean, metres, cut positive
     * @param  float  $gridCut  the same by columns over a grid, of a width in metres
     * @param  list<EndArea>  $sections  end areas, where an alignment was chosen
     * @param  list<float>  $outline  easting and northing in turn, of what it was limited to
     */
    public function __construct(
        public string $of,
        public float $cut,
        public float $fill,
        public float $net,
        public float $area,
        public float $cutArea,
        public float $fillArea,
        public float $thickness,
        public float $deepestCut,
        public float $deepestFill,
        public ?Position $deepestCutAt,
        public ?Position $deepestFillAt,
        public float $gridCut,
        public float $gridFill,
        public float $gridWidth,
        #[ListOf(EndArea::class)]
        public array $sections,
        public ?float $endAreaCut,
        public ?float $endAreaFill,
        #[ListOf('float')]
        public array $outline,
    ) {}
}
