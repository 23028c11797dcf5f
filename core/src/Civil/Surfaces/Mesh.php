<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** Triangles by their edges, while they are being made. */
final class Mesh
{
    /**
     * @param  array<int, float>  $x  metres
     * @param  array<int, float>  $y  metres
     * @param  array<int, int>  $corner  of each edge, the place it leaves; three edges to a triangle
     * @param  array<int, int>  $twin  of each edge, the one of the neighbour; -1 on the rim
     */
    public function __construct(public array $x, public array $y, public array $corner, public array $twin) {}
}
