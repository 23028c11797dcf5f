<?php

declare(strict_types=1);

namespace App\Civil;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\ListOf;

/** An alignment that is being typed, as it would be drawn. */
final readonly class AlignmentDrawn
{
    /**
     * @param  list<float>  $line  easting and northing in turn
     * @param  list<ElementEntry>  $elements
     * @param  list<StationMark>  $marks
     */
    public function __construct(
        public float $length,
        #[ListOf('float')]
        public array $line,
        #[ListOf(ElementEntry::class)]
        public array $elements,
        #[ListOf(StationMark::class)]
        public array $marks,
    ) {}

    public static function of(Alignment $alignment, CivilChoices $choices): self
    {
        return new self(
            $alignment->length, AlignmentEntry::flat(AlignmentDrawing::chords($alignment)),
            array_map(ElementEntry::of(...), $alignment->elements, array_slice($alignment->begins, 0, -1)), AlignmentEntry::marks($alignment, $choices),
        );
    }
}
