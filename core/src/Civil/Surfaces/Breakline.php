<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** A line that edges of triangles must follow: a kerb, the crest of a bank. */
final readonly class Breakline
{
    /** @param  list<Position>  $places  with elevations */
    public function __construct(public array $places, public string $name = '') {}
}
