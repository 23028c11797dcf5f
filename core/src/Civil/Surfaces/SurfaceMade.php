<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

/** A surface as it was made of points and lines, with what was strange about them. */
final readonly class SurfaceMade
{
    /** @param  list<MakingRemark>  $remarks */
    public function __construct(public Surface $surface, public array $remarks) {}
}
