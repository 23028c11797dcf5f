<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Curved;

/** A surface of which each place has two figures, u and v, and each pair of them a place (ISO 10303-42: parametric surfaces). */
interface CurvedSurface
{
    /** @return array{float, float, float} metres */
    public function at(float $u, float $v): array;

    /**
     * Of the place of the surface that is nearest.
     *
     * @param  array{float, float, float}  $place
     * @return array{float, float}
     */
    public function nearest(array $place): array;

    /** @return array{float|null, float|null} after how much of u, and of v, it comes back to where it was; null where it does not */
    public function periods(): array;

    /** @return array{float|null, float|null} values of v, the lower and the upper, at which all of u is one place; null where there is none */
    public function poles(): array;

    /** @return array{bool, bool} whether u, and v, counts corners of a line: between two whole numbers the surface is straight that way */
    public function corners(): array;
}
