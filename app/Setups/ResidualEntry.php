<?php

declare(strict_types=1);

namespace App\Setups;

use Parlay\Core\ListOf;
use Parlay\Core\Setups\ObservedResidual;
use Parlay\Core\Setups\SightResidual;

final readonly class ResidualEntry
{
    /**
     * checked: how well the others check it, 0 to 1. detectable: smallest error that would show, metres. moves: how far the station moves without it.
     * north, east: how far from its mark the sight found it, metres; null in setups that were accepted before this was kept.
     *
     * @param  list<ObservedEntry>  $observed
     */
    public function __construct(
        public string $name,
        public bool $used,
        public ?float $direction,
        public ?float $across,
        public ?float $distance,
        public ?float $height,
        public ?float $checked = null,
        public ?float $detectable = null,
        public ?float $normalised = null,
        public ?float $moves = null,
        #[ListOf(ObservedEntry::class)]
        public array $observed = [],
        public ?float $north = null,
        public ?float $east = null,
    ) {}

    public static function of(SightResidual $r): self
    {
        return new self(
            $r->name, $r->isUsed(), $r->direction, $r->across, $r->distance, $r->height, $r->checked, $r->detectable, $r->normalised, $r->moves,
            array_map(static fn (ObservedResidual $o) => new ObservedEntry($o->kind, $o->residual, $o->deviation, $o->redundancy, $o->normalised, $o->detectable), $r->observed), $r->found[0] ?? null, $r->found[1] ?? null,
        );
    }
}
