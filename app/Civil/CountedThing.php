<?php

declare(strict_types=1);

namespace App\Civil;

/** Something that a file holds and that is not taken where it was dropped, with where it goes. */
final readonly class CountedThing
{
    public function __construct(public string $what, public int $count, public string $goes) {}

    /**
     * @param  array<string, int>  $counts  by the format's name of it
     * @return list<self>
     */
    public static function of(array $counts): array
    {
        $words = [
            'RawObservation' => ['survey observations', 'Parlay measures its own; these stay in the file.'],
            'ReducedObservation' => ['reduced observations', 'Parlay measures its own; these stay in the file.'],
            'InstrumentSetup' => ['instrument setups', 'Setups are made under Set up.'],
            'Parcel' => ['parcels', 'Not read. Ask for their lines as plan features, or as a drawing.'],
            'PipeNetwork' => ['pipe networks', 'Not read. Ask for their lines as alignments, or as a drawing.'],
            'Roadway' => ['roadways', 'Not read. Their alignments, profiles and sections are.'],
            'GradeSurface' => ['grade models', 'Not read. Ask for a surface of triangles, or cross-sections.'],
            'Monument' => ['monuments', 'Their points are among the points.'],
        ];
        $own = [];
        foreach (array_intersect_key($words, $counts) as $name => [$what, $goes]) {
            $own[] = new self($what, $counts[$name], $goes);
        }

        return $own;
    }
}
