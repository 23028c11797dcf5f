<?php

declare(strict_types=1);

namespace Parlay\Core\Points;

use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Units\Angle;

/** In which order points are taken: for their names, or for staking them. */
enum Order: string
{
    case AsListed = 'asListed';
    case ByName = 'byName';
    case WestToEast = 'westToEast';
    case NorthToSouth = 'northToSouth';
    /** along a line from one place to another */
    case AlongLine = 'alongLine';
    /** about their middle, clockwise, from the first listed */
    case Clockwise = 'clockwise';
    /** from the first listed, each time the nearest that is left */
    case NearestNext = 'nearestNext';

    /**
     * @param  list<Position>  $places
     * @param  list<string>  $names  as many, for ByName
     * @param  array{Position, Position}|null  $line  for AlongLine
     * @return list<int> the numbers of the places, in order
     */
    public function of(array $places, array $names = [], ?array $line = null): array
    {
        $numbers = array_keys($places);
        if (count($places) < 2) {
            return $numbers;
        }

        return match ($this) {
            self::AsListed => $numbers,
            self::ByName => self::sorted($numbers, static fn (int $a, int $b) => strnatcasecmp($names[$a] ?? '', $names[$b] ?? '')),
            self::WestToEast => self::by($places, static fn (Position $p) => [self::step($p->easting), self::step($p->northing)]),
            self::NorthToSouth => self::by($places, static fn (Position $p) => [-self::step($p->northing), self::step($p->easting)]),
            self::AlongLine => self::along($places, $line),
            self::Clockwise => self::clockwise($places),
            self::NearestNext => NearestNext::of($places, 0),
        };
    }

    /**
     * @param  list<Position>  $places
     * @param  array{Position, Position}|null  $line
     * @return list<int>
     */
    private static function along(array $places, ?array $line): array
    {
        if ($line === null) {
            throw new \DomainException('Which line the order goes along is missing: choose its two ends.');
        }
        $ray = Line::through(...$line);

        return self::by($places, static fn (Position $p) => [self::step($ray->along($p)), self::step($ray->right($p))]);
    }

    /**
     * @param  list<Position>  $places
     * @return list<int>
     */
    private static function clockwise(array $places): array
    {
        $n = count($places);
        $middle = new Position(
            array_sum(array_map(static fn (Position $p) => $p->northing, $places)) / $n,
            array_sum(array_map(static fn (Position $p) => $p->easting, $places)) / $n,
        );
        $first = $middle->azimuthTo($places[0]);

        return self::by(
            $places,
            static fn (Position $p) => [round(Angle::wrap($middle->azimuthTo($p) - $first + 1e-9), 8), $middle->distanceTo($p)],
        );
    }

    /**
     * @param  list<Position>  $places
     * @param  callable(Position): array{float, float}  $key
     * @return list<int>
     */
    private static function by(array $places, callable $key): array
    {
        $keys = array_map($key, $places);

        return self::sorted(array_keys($places), static fn (int $a, int $b) => $keys[$a] <=> $keys[$b]);
    }

    /**
     * @param  list<int>  $numbers
     * @param  callable(int, int): int  $compare
     * @return list<int>
     */
    private static function sorted(array $numbers, callable $compare): array
    {
        usort($numbers, $compare);

        return $numbers;
    }

    /** Places within a millimetre count as level with each other. */
    private static function step(float $metres): float
    {
        return round($metres, 3);
    }
}
