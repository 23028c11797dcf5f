<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Roads\RoadTemplate;
use Parlay\Core\ListOf;

/** A profile, or a template, that is typed for an alignment. */
final readonly class AlignmentHeights
{
    /**
     * number: which of its profiles or shapes is changed, from 0; a new one where null. vertices: of a profile. template: what lies across.
     *
     * @param  list<TypedVertex>  $vertices
     */
    public function __construct(
        public int $seen,
        public string $name,
        public ?int $number = null,
        #[ListOf(TypedVertex::class)]
        public array $vertices = [],
        public ?RoadTemplate $template = null,
    ) {}
}
