<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Alignments;

use Parlay\Core\Geometry\Position;

/** An alignment as a plan draws it: by chords, with its stations. */
final class AlignmentDrawing
{
    /** A chord stands off its arc by no more, metres. */
    private const SAG = 0.002;

    /** Who stands so near to a station stands on it, metres. */
    private const HERE = 0.01;

    private const MOST_CHORDS = 200;

    private const MOST_STATIONS = 5000;

    private const MOST_PARTS = 2000;

    /** @return list<Position> */
    public static function chords(Alignment $alignment): array
    {
        $places = [$alignment->elements[0]->start];
        foreach ($alignment->elements as $element) {
            $bend = max(abs($element->from), abs($element->to));
            $chord = $bend === 0.0 ? INF : sqrt(8 * self::SAG / $bend);
            $parts = (int) min(self::MOST_CHORDS, max(1, ceil($element->length / $chord)));
            if ($places[count($places) - 1]->distanceTo($element->start) > 1e-6) {
                $places[] = $element->start;
            }
            for ($i = 1; $i <= $parts; $i++) {
                $places[] = $element->at($element->length * $i / $parts);
            }
        }

        return $places;
    }

    /** The next place with a round station, in the order of the way, or the one before; its end where there is none. Metres from the start. */
    public static function nextStation(Alignment $alignment, float $interval, float $along, bool $onward): float
    {
        $beyond = array_filter(
            self::stations($alignment, $interval), static fn (float $at) => $onward ? $at > $along + self::HERE : $at < $along - self::HERE,
        );

        return $onward ? min([$alignment->length, ...$beyond]) : max([0.0, ...$beyond]);
    }

    /**
     * @return list<float> metres from the start, of its ends and of what divides it into so many parts
     *
     * @throws NoAlignment
     */
    public static function divided(Alignment $alignment, int $parts): array
    {
        if ($parts < 1 || $parts > self::MOST_PARTS) {
            throw NoAlignment::because('The number of parts lies between 1 and '.number_format(self::MOST_PARTS).'.');
        }

        return array_map(static fn (int $i): float => $alignment->length * $i / $parts, range(0, $parts));
    }

    /**
     * Places with a round station.
     *
     * @param  float  $interval  metres between stations
     * @return list<float> metres from the start
     */
    public static function stations(Alignment $alignment, float $interval): array
    {
        $stationing = $alignment->stationing;
        $stops = [0.0, ...array_map(static fn (StationEquation $q) => $q->at, $stationing->equations), $alignment->length];
        $places = [];
        for ($region = 1; $region < count($stops); $region++) {
            [$from, $to] = [max(0.0, $stops[$region - 1]), min($alignment->length, $stops[$region])];
            $first = ceil(($from + $stationing->placeIn($region, 0.0) * -1 - 1e-9) / $interval) * $interval;
            for ($i = 0; ; $i++) {
                $place = $stationing->placeIn($region, $first + $i * $interval);
                // Where an equation stands the count is already the next one's.
                if ($place > ($region < count($stops) - 1 ? $to - 1e-9 : $to + 1e-9) || count($places) >= self::MOST_STATIONS) {
                    break;
                }
                $places[] = max(0.0, min($alignment->length, $place));
            }
        }

        return $places;
    }
}
