<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Alignments\AlignmentDrawing;
use Parlay\Core\Civil\Alignments\MainPoint;
use Parlay\Core\Civil\Alignments\StationEquation;
use Parlay\Core\Geometry\Position;
use Parlay\Core\ListOf;

final readonly class AlignmentEntry
{
    /**
     * @param  float  $from  first and last station, metres
     * @param  list<float>  $extent  west, south, east, north
     * @param  list<float>  $line  easting and northing in turn, by chords within 2 mm
     * @param  list<ElementEntry>  $elements
     * @param  list<StationMark>  $marks  stations at the interval of the project, main points and equations
     * @param  list<StationEquation>  $equations
     * @param  list<HeightLine>  $profiles
     * @param  list<ShapeEntry>  $shapes
     * @param  list<string>  $remarks
     * @param  AlignmentGiven|null  $given  as it was typed, where it was made here
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $description,
        public string $source,
        public float $length,
        public float $from,
        public float $to,
        public bool $visible,
        public int $version,
        #[ListOf('float')]
        public array $extent,
        #[ListOf('float')]
        public array $line,
        #[ListOf(ElementEntry::class)]
        public array $elements,
        #[ListOf(StationMark::class)]
        public array $marks,
        #[ListOf(StationEquation::class)]
        public array $equations,
        #[ListOf(HeightLine::class)]
        public array $profiles,
        #[ListOf(ShapeEntry::class)]
        public array $shapes,
        #[ListOf('string')]
        public array $remarks,
        public ?AlignmentGiven $given,
    ) {}

    public static function of(CivilAlignment $row, CivilChoices $choices): self
    {
        $alignment = $row->alignment();

        return new self(
            id: $row->id,
            name: $row->name,
            description: $row->description,
            source: $row->source,
            length: $row->length,
            from: $alignment->stationing->start,
            to: $alignment->stationing->stationAt($alignment->length),
            visible: $row->visible,
            version: $row->version,
            extent: $row->extent,
            line: self::flat(AlignmentDrawing::chords($alignment)),
            elements: array_map(ElementEntry::of(...), $alignment->elements, array_slice($alignment->begins, 0, -1)),
            marks: self::marks($alignment, $choices),
            equations: $alignment->stationing->equations,
            profiles: array_map(static fn (array $p) => HeightLine::of($p), $row->profiles),
            shapes: array_map(static fn (array $s) => ShapeEntry::of($s), $row->shapes),
            remarks: $row->remarks,
            given: AlignmentGiven::kept($row->given),
        );
    }

    /**
     * @param  list<Position>  $places
     * @return list<float>
     */
    public static function flat(array $places): array
    {
        $flat = [];
        foreach ($places as $p) {
            $flat[] = $p->easting;
            $flat[] = $p->northing;
        }

        return $flat;
    }

    /** @return list<StationMark> */
    public static function marks(Alignment $alignment, CivilChoices $choices): array
    {
        $marks = [];
        foreach (AlignmentDrawing::stations($alignment, $choices->interval) as $along) {
            $marks[] = StationMark::of($alignment, $along, '');
        }
        foreach (MainPoint::of($alignment) as $point) {
            $marks[] = StationMark::of($alignment, $point->along, $choices->nameOf($point->kind));
        }
        foreach ($alignment->stationing->equations as $equation) {
            $marks[] = StationMark::of($alignment, $equation->at, '=', $equation->back);
        }

        return $marks;
    }
}
