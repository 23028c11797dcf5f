<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** What is drawn through space to make a solid: an outline, and the voids in it. */
final readonly class Profile
{
    /**
     * @param  Loop  $outline  turning to the left
     * @param  list<Loop>  $voids  turning to the right
     */
    private function __construct(public Loop $outline, public array $voids) {}

    /** @param  list<Loop>  $voids */
    public static function of(Loop $outline, array $voids = []): self
    {
        return new self($outline->turning(true), array_map(static fn (Loop $l) => $l->turning(false), $voids));
    }

    /** @param  array{float, float, float, float, float, float}  $m  as for Loop::mapped() */
    public function mapped(array $m): self
    {
        return self::of($this->outline->mapped($m), array_map(static fn (Loop $l) => $l->mapped($m), $this->voids));
    }

    /** Whether each of its lines has as many corners as the other's, so that one can become the other. */
    public function hasCornersAs(self $other): bool
    {
        $counts = static fn (self $p): array => array_map(static fn (Loop $l): int => count($l->corners), [$p->outline, ...$p->voids]);

        return $counts($this) === $counts($other);
    }

    /** Metres². */
    public function area(): float
    {
        return $this->outline->area() + array_sum(array_map(static fn (Loop $l) => $l->area(), $this->voids));
    }
}
