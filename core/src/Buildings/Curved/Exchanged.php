<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

/** A surface whose u and v are called the other way round. */
final readonly class Exchanged implements CurvedSurface
{
    public function __construct(private CurvedSurface $surface) {}

    public function at(float $u, float $v): array
    {
        return $this->surface->at($v, $u);
    }

    public function nearest(array $place): array
    {
        [$u, $v] = $this->surface->nearest($place);

        return [$v, $u];
    }

    public function periods(): array
    {
        [$u, $v] = $this->surface->periods();

        return [$v, $u];
    }

    /** What is one place for all of u is none for all of v. */
    public function poles(): array
    {
        return [null, null];
    }

    public function corners(): array
    {
        [$u, $v] = $this->surface->corners();

        return [$v, $u];
    }
}
