<?php

declare(strict_types=1);

namespace Parlay\Core\Formats\Ifc;

use Parlay\Core\Buildings\Booleans;
use Parlay\Core\Buildings\Face;
use Parlay\Core\Buildings\FaceMerging;
use Parlay\Core\Buildings\Facet;
use Parlay\Core\Buildings\Solid;
use Parlay\Core\Buildings\TooManyFaces;
use Parlay\Core\Formats\Step\BrokenInstance;
use Parlay\Core\Formats\Step\Instance;
use Parlay\Core\Formats\Step\StepFile;

/** Shapes that the file gives by their faces and corners alone. */
final readonly class IfcFaceSets
{
    /** Faces of so many triangles are put together again; more is a shape drawn for looks, and stays as it is. */
    private const MOST_MERGED = 20_000;

    private const MOST_CORNERS = 300_000;

    public function __construct(private StepFile $file, private IfcPlaces $places, private IfcCurves $curves) {}

    /**
     * Faces by loops of corners.
     *
     * @param  list<int>  $shells
     *
     * @throws BrokenInstance
     */
    public function shells(array $shells, bool $closed): Solid
    {
        $corners = $number = $faces = [];
        foreach ($shells as $shell) {
            foreach ($this->file->get($shell)->references(0) as $face) {
                $loops = [];
                $bounds = $this->file->get($face);
                if ($bounds->class !== 'IFCFACE' && $bounds->class !== 'IFCFACESURFACE') {
                    throw $this->places->broken($face, "{$bounds->class} is a face Parlay does not read");
                }
                foreach ($bounds->references(0) as $bound) {
                    $b = $this->file->get($bound);
                    $polygon = $this->file->get($b->reference(0) ?? throw $this->places->broken($bound, 'a face without a bound'));
                    if ($polygon->class !== 'IFCPOLYLOOP') {
                        throw $this->places->broken($polygon->number, "{$polygon->class} is a bound of a face Parlay does not read");
                    }
                    $around = $polygon->references(0);
                    // Refused before its places are read: a million of them take seconds.
                    if (count($around) > self::MOST_CORNERS) {
                        throw $this->places->broken($shell, 'a shape of more than '.self::MOST_CORNERS.' corners');
                    }
                    $loop = [];
                    foreach ($around as $point) {
                        if (! isset($number[$point])) {
                            $number[$point] = count($corners);
                            $corners[] = $this->places->point($point);
                        }
                        $loop[] = $number[$point];
                    }
                    if (count($corners) > self::MOST_CORNERS) {
                        throw $this->places->broken($shell, 'a shape of more than '.self::MOST_CORNERS.' corners');
                    }
                    $loop = $b->word(1) === 'F' ? array_reverse($loop) : $loop;
                    if (count($loop) >= 3) {
                        $b->class === 'IFCFACEOUTERBOUND' ? array_unshift($loops, $loop) : $loops[] = $loop;
                    }
                }
                if ($loops !== []) {
                    $faces[] = new Face($loops[0], array_slice($loops, 1));
                }
            }
        }

        return $this->merged(new Solid($corners, $faces, [], $closed));
    }

    /** @throws BrokenInstance */
    public function tessellated(Instance $i): Solid
    {
        $corners = $this->curves->pointList($i->reference(0) ?? throw $this->places->broken($i->number, 'faces without corners'));
        if (count($corners) > self::MOST_CORNERS) {
            throw $this->places->broken($i->number, 'a shape of more than '.self::MOST_CORNERS.' corners');
        }
        $polygonal = $i->class === 'IFCPOLYGONALFACESET';
        $through = array_map(static fn (float $n): int => (int) $n, $i->numbers($polygonal ? 3 : 4));
        $loop = function (array $numbers) use ($through, $corners, $i): array {
            $at = [];
            foreach (Instance::floats($numbers) as $n) {
                $k = ($through === [] ? (int) $n : $through[(int) $n - 1] ?? 0) - 1;
                $at[] = isset($corners[$k]) ? $k : throw $this->places->broken($i->number, "it speaks of corner $n of ".count($corners));
            }

            return $at;
        };
        $faces = [];
        if ($polygonal) {
            foreach ($i->references(2) as $number) {
                $face = $this->file->get($number);
                $holes = array_map(static fn (mixed $h): array => $loop(is_array($h) ? $h : []), $face->class === 'IFCINDEXEDPOLYGONALFACEWITHVOIDS' ? $face->list(1) : []);
                $faces[] = new Face($loop($face->list(0)), $holes);
            }
        } else {
            foreach ($i->list(3) as $triangle) {
                $faces[] = new Face($loop(is_array($triangle) ? $triangle : []));
            }
        }

        return $this->merged(new Solid($corners, $faces, [], $i->word($polygonal ? 1 : 2) === 'T'));
    }

    /** What a writer has cut into triangles is touched as the faces it was. */
    private function merged(Solid $solid): Solid
    {
        if (count($solid->faces) > self::MOST_MERGED) {
            return $solid;
        }
        try {
            return $this->putTogether($solid);
        } catch (TooManyFaces) {
            return $solid;
        }
    }

    /** @throws TooManyFaces */
    private function putTogether(Solid $solid): Solid
    {
        $facets = [];
        foreach ($solid->faces as $face) {
            if ($face->holes === [] && count($face->outline) > 3) {
                $facet = Facet::of(array_map(static fn (int $k): array => $solid->corners[$k], $face->outline), null);
                $facets[] = $facet;
            } else {
                array_push($facets, ...Booleans::facets(new Solid($solid->corners, [$face])));
            }
        }
        $facets = array_values(array_filter($facets, static fn (?Facet $f) => $f !== null));

        return FaceMerging::of($facets, [], $solid->closed);
    }
}
