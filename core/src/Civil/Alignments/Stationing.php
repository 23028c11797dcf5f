<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\ListOf;

/**
 * How the way along an alignment is counted: from a first station, and anew after each equation. Where stations overlap, two places have
 * one figure, and the region says which; where they jump ahead, some figures are at no place.
 */
final readonly class Stationing
{
    /** @var list<StationEquation> in the order met */
    #[ListOf(StationEquation::class)]
    public array $equations;

    /**
     * @param  float  $start  station of the start, metres
     * @param  list<StationEquation>  $equations
     */
    public function __construct(public float $start = 0.0, array $equations = [])
    {
        usort($equations, static fn (StationEquation $a, StationEquation $b) => $a->at <=> $b->at);
        $this->equations = $equations;
    }

    /** How many regions. */
    public function regions(): int
    {
        return count($this->equations) + 1;
    }

    /** Which region a place lies in, from 1. */
    public function regionAt(float $along): int
    {
        $region = 1;
        foreach ($this->equations as $equation) {
            $region += $along >= $equation->at ? 1 : 0;
        }

        return $region;
    }

    /** What is written at a place, metres. */
    public function stationAt(float $along): float
    {
        $region = $this->regionAt($along);

        return $region === 1 ? $this->start + $along : $this->before($region)->ahead + $along - $this->before($region)->at;
    }

    /**
     * The places that have a station, one for each region that does.
     *
     * @return list<float> metres from the start; none where it falls into a gap
     */
    public function placesOf(float $station, float $length): array
    {
        $places = [];
        for ($region = 1; $region <= $this->regions(); $region++) {
            $place = $this->placeIn($region, $station);
            $from = $region === 1 ? -INF : $this->before($region)->at;
            $to = $region === $this->regions() ? INF : $this->equations[$region - 1]->at;
            if ($place >= $from - 1e-9 && $place < $to - 1e-9) {
                $places[] = $place;
            }
        }

        // Beyond the ends only where nothing else has it.
        $inside = array_values(array_filter($places, static fn (float $p) => $p >= -1e-9 && $p <= $length + 1e-9));

        return $inside === [] ? $places : $inside;
    }

    /** The equation that a region begins with. */
    private function before(int $region): StationEquation
    {
        return $this->equations[$region - 2] ?? throw new \LogicException('The first region begins with none.');
    }

    /** The place that a station would have by the count of a region. */
    public function placeIn(int $region, float $station): float
    {
        return $region === 1 ? $station - $this->start : $this->before($region)->at + $station - $this->before($region)->ahead;
    }
}
