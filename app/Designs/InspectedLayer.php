<?php

declare(strict_types=1);

namespace App\Designs;

use Parlay\Core\Designs\DrawingLayer;
use Parlay\Core\Formats\Dxf\Colours;
use Parlay\Core\ListOf;

final readonly class InspectedLayer
{
    /**
     * @param  list<KindCount>  $kinds
     * @param  list<float>  $extent  drawing units: west, south, east, north
     */
    public function __construct(
        public string $name,
        public string $colour,
        public int $count,
        #[ListOf(KindCount::class)]
        public array $kinds,
        #[ListOf('float')]
        public array $extent,
        public bool $off,
        public bool $frozen,
        public bool $locked,
    ) {}

    public static function of(DrawingLayer $l): self
    {
        $kinds = $l->kinds();

        return new self(
            $l->name, Colours::hex($l->rgb), $l->count,
            array_map(static fn (string $k, int $n) => new KindCount($k, $n), array_keys($kinds), array_values($kinds)),
            $l->extent() ?? [], $l->off, $l->frozen, $l->locked,
        );
    }
}
