<?php

declare(strict_types=1);

namespace App\Civil;

use App\Cogo\GivenPolyline;
use Parlay\Core\ListOf;

/** A surface that is made of points and lines, or of the faces of a drawing. */
final readonly class SurfaceToMake
{
    /**
     * pointIds: with their elevations. layerIds: points and lines of drawings, lines as breaklines. faces: those of these layers, as they
     * are, instead. outline: what lies outside does not belong to it. longestEdge: metres; longer edges at the rim are taken away.
     *
     * @param  list<int>  $pointIds
     * @param  list<int>  $layerIds
     */
    public function __construct(
        public string $name,
        public SurfaceKind $kind,
        #[ListOf('int')]
        public array $pointIds = [],
        #[ListOf('int')]
        public array $layerIds = [],
        public bool $faces = false,
        public ?GivenPolyline $outline = null,
        public ?float $longestEdge = null,
    ) {}
}
