<?php

declare(strict_types=1);

namespace Parlay\Core\Points\Findings;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Similarity;
use Parlay\Core\Points\PointRow;
use Parlay\Core\Units\LengthUnit;

/** What can be wrong with a list as a whole, held against the project: exchanged columns, another unit, another grid. */
final readonly class WholeList
{
    /** Same names within this are the same marks, metres. */
    private const AGREES = 0.05;

    /** Units differ visibly where they move a point by more than this, metres. */
    private const SHOWS = 0.005;

    /** @param  list<Untestable>  $untestable */
    private function __construct(
        public ?Finding $finding,
        public array $untestable = [],
    ) {}

    /** @param  non-empty-list<PointRow>  $rows */
    public static function suspect(array $rows, LengthUnit $unit, Surroundings $around): self
    {
        $common = self::common($rows, $around);
        if (count($common) >= 2) {
            return self::byNames($common, $unit, $around);
        }
        $bySpots = self::bySpots($rows, $unit, $around);

        return $bySpots ?? self::byPlace($rows, $unit, $around);
    }

    /**
     * Rows whose names the project knows.
     *
     * @param  list<PointRow>  $rows
     * @return list<array{Position, Position}> as read, as known
     */
    private static function common(array $rows, Surroundings $around): array
    {
        $pairs = [];
        foreach ($rows as $row) {
            if (isset($around->named[$row->name])) {
                $pairs[] = [$row->position, $around->named[$row->name]];
            }
        }

        return $pairs;
    }

    /** @param  non-empty-list<array{Position, Position}>  $common */
    private static function byNames(array $common, LengthUnit $unit, Surroundings $around): self
    {
        $off = static fn (callable $as): float => self::median(array_map(static fn (array $p): float => $as($p[0])->distanceTo($p[1]), $common));
        $asRead = $off(static fn (Position $p) => $p);
        $readings = self::readings($unit);
        $best = [INF, null];
        foreach ($readings as $reading) {
            $d = $off($reading[0]);
            if ($d < $best[0]) {
                $best = [$d, $reading];
            }
        }
        if ($best[1] !== null && $best[0] < self::AGREES && $best[0] < 0.3 * $asRead && $asRead - $best[0] > self::SHOWS) {
            return new self(new Finding(
                $best[1][1], new Evidence(Ground::Names, count: count($common), away: $asRead, within: $best[0], readIn: $best[1][2]), [], $best[1][3],
            ));
        }
        if ($asRead < self::AGREES) {
            return new self(null, self::feet($common, $unit, $asRead));
        }
        $fit = Similarity::of($common, false);
        $rest = $fit === null ? INF : $off($fit->apply(...));
        if ($fit !== null && count($common) >= 3 && $asRead > 1.0 && $rest < self::AGREES) {
            $turn = $fit->rotation() > M_PI ? $fit->rotation() - 2 * M_PI : $fit->rotation();

            return new self(new Finding(
                FindingKind::OtherGrid, new Evidence(Ground::NamesTurned, count: count($common), away: $asRead, within: $rest, turn: $turn), [],
            ));
        }

        return new self(null);
    }

    /**
     * @param  list<array{Position, Position}>  $common
     * @return list<Untestable>
     */
    private static function feet(array $common, LengthUnit $unit, float $asRead): array
    {
        if (! in_array($unit, [LengthUnit::Foot, LengthUnit::UsFoot], true)) {
            return [];
        }
        $moves = max([0.0, ...array_map(static fn (array $p): float => 2e-6 * hypot($p[0]->northing, $p[0]->easting), $common)]);

        return $moves < self::SHOWS
            ? [Untestable::whichFeet($moves)]
            : [];
    }

    /**
     * No names in common, but places drawn in the designs: at least three must fall together in one reading and not as read.
     *
     * @param  list<PointRow>  $rows
     */
    private static function bySpots(array $rows, LengthUnit $unit, Surroundings $around): ?self
    {
        if (count($around->spots) < 3) {
            return null;
        }
        $squares = [];
        foreach ($around->spots as $s) {
            $squares[round($s->northing / 0.01).' '.round($s->easting / 0.01)] = true;
        }
        $hits = static function (callable $as) use ($rows, $squares): int {
            $count = 0;
            foreach (array_slice($rows, 0, 2000) as $r) {
                $p = $as($r->position);
                $count += isset($squares[round($p->northing / 0.01).' '.round($p->easting / 0.01)]) ? 1 : 0;
            }

            return $count;
        };
        $asRead = $hits(static fn (Position $p) => $p);
        foreach (self::readings($unit) as [$as, $kind, $readIn, $mend]) {
            $count = $hits($as);
            if ($count >= 3 && $count >= 4 * $asRead + 3) {
                return new self(new Finding(
                    $kind, new Evidence(Ground::DrawnPlaces, count: $count, asRead: $asRead, readIn: $readIn), [], $mend,
                ));
            }
        }

        return $asRead >= 3 ? new self(null) : null;
    }

    /**
     * Nothing falls together: only where the list lies as a whole can tell.
     *
     * @param  non-empty-list<PointRow>  $rows
     */
    private static function byPlace(array $rows, LengthUnit $unit, Surroundings $around): self
    {
        [$west, $south, $east, $north] = $around->extent ?? [0.0, 0.0, 0.0, 0.0];
        $reach = max($east - $west, $north - $south, 100.0);
        $inside = static function (callable $as, float $margin) use ($rows, $west, $south, $east, $north, $reach): float {
            $count = 0;
            foreach ($rows as $r) {
                $p = $as($r->position);
                $count += $p->easting > $west - $margin * $reach
                    && $p->easting < $east + $margin * $reach
                    && $p->northing > $south - $margin * $reach
                    && $p->northing < $north + $margin * $reach ? 1 : 0;
            }

            return $count / count($rows);
        };
        $away = self::median(array_map(static fn (PointRow $r) => hypot(
            max($west - $r->position->easting, $r->position->easting - $east, 0.0),
            max($south - $r->position->northing, $r->position->northing - $north, 0.0),
        ), $rows));
        if ($inside(static fn (Position $p) => $p, 3.0) >= 0.5) {
            return new self(null, [Untestable::that(UntestableKind::SmallDifferences)]);
        }
        foreach (self::readings($unit) as [$as, $kind, $readIn, $mend]) {
            if ($inside($as, 0.5) >= 0.75) {
                return new self(new Finding($kind, new Evidence(Ground::Extent, away: $away, readIn: $readIn), [], $mend));
            }
        }
        if ($away > 10 * $reach) {
            return new self(new Finding(FindingKind::OtherGrid, new Evidence(Ground::FarOff, away: $away), []));
        }

        return new self(null, [Untestable::that(UntestableKind::Beside)]);
    }

    /**
     * Other ways to read the list.
     *
     * @return list<array{callable(Position): Position, FindingKind, LengthUnit|null, Mend}> the unit it is read in; null for the exchange
     */
    private static function readings(LengthUnit $unit): array
    {
        $readings = [[
            static fn (Position $p) => new Position($p->easting, $p->northing, $p->elevation), FindingKind::Exchanged, null,
            Mend::exchangeColumns(),
        ]];
        foreach ([
            LengthUnit::Millimetre, LengthUnit::Metre, LengthUnit::Foot, LengthUnit::UsFoot, LengthUnit::Centimetre, LengthUnit::Inch,
        ] as $other) {
            if ($other !== $unit) {
                $factor = $other->metres() / $unit->metres();
                $readings[] = [
                    static fn (Position $p) => new Position($p->northing * $factor, $p->easting * $factor, $p->elevation),
                    FindingKind::Unit, $other, Mend::readIn($other),
                ];
            }
        }

        return $readings;
    }

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }
}
