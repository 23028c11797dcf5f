<?php

declare(strict_types=1);

namespace Parlay\Core\Geometry;

use Parlay\Core\Units\Angle;

/** Straight pieces and arcs one after another, measured along from the beginning. */
final readonly class Polyline
{
    /** Ends nearer than this join, metres. */
    public const JOINS = 1e-3;

    private const MOST_POINTS = 20_000;

    /** @param  non-empty-list<Leg>  $legs  each beginning where the one before ends */
    private function __construct(public array $legs) {}

    /**
     * Pieces in the order chosen, each turned round where needed.
     *
     * @param  list<Leg>  $pieces
     * @throws NoConstruction where there is none, or they don't join
     */
    public static function of(array $pieces): self
    {
        $pieces = array_values(array_filter($pieces, static fn (Leg $l) => $l->length() > 0.0));
        if ($pieces === []) {
            throw NoConstruction::onePlace();
        }
        if (count($pieces) > 1) {
            $gap = static fn (Position $p, Leg $l): float => min($p->distanceTo($l->from), $p->distanceTo($l->to));
            if ($gap($pieces[0]->to, $pieces[1]) > self::JOINS && $gap($pieces[0]->from, $pieces[1]) <= self::JOINS) {
                $pieces[0] = $pieces[0]->reversed();
            }
        }
        $legs = [$pieces[0]];
        foreach (array_slice($pieces, 1) as $piece) {
            $end = $legs[count($legs) - 1]->to;
            $piece = $end->distanceTo($piece->from) <= $end->distanceTo($piece->to) ? $piece : $piece->reversed();
            if ($end->distanceTo($piece->from) > self::JOINS) {
                throw NoConstruction::broken($end->distanceTo($piece->from));
            }
            $legs[] = $piece;
        }

        return new self($legs);
    }

    /**
     * Straight from place to place.
     *
     * @param  list<Position>  $places
     * @throws NoConstruction
     */
    public static function through(array $places, bool $closed = false): self
    {
        if (count($places) < 2) {
            throw NoConstruction::tooFew('A line', 2, count($places));
        }
        $legs = [];
        foreach ($closed ? [...$places, $places[0]] : $places as $i => $p) {
            if ($i > 0 && $places[$i - 1]->distanceTo($p) > 0.0) {
                $legs[] = new Leg($places[$i - 1], $p);
            }
        }

        return $legs === [] ? throw NoConstruction::onePlace() : new self($legs);
    }

    /** Along it, metres. */
    public function length(): float
    {
        return array_sum(array_map(static fn (Leg $l) => $l->length(), $this->legs));
    }

    /** Whether it ends where it begins. */
    public function isClosed(): bool
    {
        return count($this->legs) > 1 && $this->legs[0]->from->distanceTo($this->last()->to) <= self::JOINS;
    }

    /**
     * The same line from the end that was touched: of a closed one, from the nearer end of the piece that was touched, and along that piece; of an open one, from
     * its end that is nearer along it.
     */
    public function beginningNear(Position $touched): self
    {
        [$along] = $this->foot($touched);
        if (! $this->isClosed()) {
            return $along <= $this->length() / 2 ? $this : $this->reversed();
        }
        foreach ($this->legs as $i => $leg) {
            if ($along <= $leg->length() || $i === count($this->legs) - 1) {
                return $along <= $leg->length() / 2
                    ? $this->from($i)
                    : $this->from(($i + 1) % count($this->legs))->reversed();
            }
            $along -= $leg->length();
        }

        return $this;
    }

    /** A closed line, begun at another of its pieces. */
    private function from(int $piece): self
    {
        $legs = [...array_slice($this->legs, $piece), ...array_slice($this->legs, 0, $piece)];

        return new self($legs === [] ? $this->legs : $legs);
    }

    /** From its end to its beginning. */
    public function reversed(): self
    {
        return new self(array_map(static fn (Leg $l) => $l->reversed(), array_reverse($this->legs)));
    }

    /** @return list<Position> beginning, where pieces join, end; a closed chain's beginning only once */
    public function corners(): array
    {
        $corners = [$this->legs[0]->from, ...array_map(static fn (Leg $l) => $l->to, $this->legs)];

        return $this->isClosed() ? array_slice($corners, 0, -1) : $corners;
    }

    /** The place so far along and so far to the right; beyond the ends straight on. */
    public function at(float $distance, float $right = 0.0): Position
    {
        [$leg, $along] = $this->legAt($distance);

        return $leg->at($along, $right);
    }

    /**
     * The same line long enough for a place so far along, its last piece, or its first, going on as it ends: an arc as an arc.
     *
     * @return array{self, float} the line, and how far along it the place is then
     *
     * @throws NoConstruction
     */
    public function reaching(float $distance): array
    {
        $legs = $this->legs;
        $over = $distance - $this->length();
        if ($over > 0.0) {
            $legs[] = array_pop($legs)->prolonged($over);
        } elseif ($distance < 0.0) {
            array_unshift($legs, array_shift($legs)->reversed()->prolonged(-$distance)->reversed());
        }

        return [self::of($legs), max(0.0, $distance)];
    }

    /** @param  float  $distance  metres along it; the direction in which it runs there, radians */
    public function azimuthAt(float $distance): float
    {
        [$leg, $along] = $this->legAt($distance);

        return $leg->azimuthAt($along);
    }

    /**
     * The nearest foot of a perpendicular from a place; at a corner that looks at it, the corner; beyond the ends on the line prolonged.
     *
     * @return array{float, float} distance along and offset to the right
     */
    public function foot(Position $p): array
    {
        $best = $this->beyond($p);
        $start = 0.0;
        foreach ($this->legs as $i => $leg) {
            $foot = $leg->foot($p);
            if ($foot !== null && abs($foot[1]) < abs($best[1])) {
                $best = [$start + $foot[0], $foot[1]];
            }
            $away = $leg->from->distanceTo($p);
            if ($i > 0 && $away < abs($best[1])) {
                $best = [$start, self::sideOfCorner($this->legs[$i - 1], $leg, $p) * $away];
            }
            $start += $leg->length();
        }

        return $best;
    }

    /** 1 right, -1 left. Whoever sees the corner itself stands outside the turn, whichever way it looks on. */
    public static function sideOfCorner(Leg $before, Leg $after, Position $p): int
    {
        $turn = Angle::signed($after->azimuthAt(0.0) - $before->azimuthAt($before->length()));
        if (abs($turn) < 1e-6) {
            return (new Line($after->from, $after->azimuthAt(0.0)))->right($p) < 0 ? -1 : 1;
        }

        return $turn > 0 ? -1 : 1;
    }

    /**
     * Joined where the prolonged neighbours meet; where they don't, by a straight piece.
     *
     * @throws NoConstruction where an arc would vanish, or a piece be turned round
     */
    public function parallel(float $right): self
    {
        $legs = array_map(static fn (Leg $l) => $l->parallel($right), $this->legs);
        $count = count($legs);
        $joins = [];
        for ($i = 0; $i < ($this->isClosed() ? $count : $count - 1); $i++) {
            $joins[$i] = Joint::of($legs[$i], $legs[($i + 1) % $count]);
        }
        $made = [];
        foreach ($legs as $i => $leg) {
            $from = $joins[$i === 0 ? $count - 1 : $i - 1] ?? null;
            $to = $joins[$i] ?? null;
            $made[] = $piece = Joint::between($leg, $from ?? $leg->from, $to ?? $leg->to);
            self::refuseSwallowed($leg, $piece, $this->legs[$i], $i);
            if (array_key_exists($i, $joins) && $to === null) {
                $made[] = new Leg($leg->to, $legs[($i + 1) % $count]->from);
            }
        }

        return new self($made);
    }

    /** A piece that its neighbours' parallels cut off behind its own beginning is no piece of a parallel. */
    private static function refuseSwallowed(Leg $leg, Leg $cut, Leg $own, int $i): void
    {
        $turned = $leg->isStraight()
            ? cos($cut->from->azimuthTo($cut->to) - $leg->azimuthAt(0.0)) < 0.0 && $cut->length() > self::JOINS
            : $cut->sweep * $leg->sweep < 0.0;
        if ($turned) {
            throw NoConstruction::swallowed($i + 1, $own->length());
        }
    }

    /**
     * In equal parts, with both ends (a closed chain's once).
     *
     * @return list<Position>
     * @throws NoConstruction
     */
    public function divided(int $parts, float $right = 0.0): array
    {
        return array_map(fn (float $s): Position => $this->at($s, $right), $this->divisions($parts));
    }

    /**
     * @return list<float> distances along it at which it is divided into so many parts, with its ends; a closed one begins where it ends
     * @throws NoConstruction
     */
    public function divisions(int $parts): array
    {
        if ($parts < 1 || $parts > self::MOST_POINTS) {
            throw NoConstruction::outOfRange('The number of parts', 'between 1 and '.number_format(self::MOST_POINTS));
        }

        return array_map(fn (int $i): float => $this->length() * $i / $parts, range(0, $parts - ($this->isClosed() ? 1 : 0)));
    }

    /** @return list<float> distances along it of its ends, and of where its pieces meet; a closed one begins where it ends */
    public function mainStations(): array
    {
        $stations = [0.0];
        foreach ($this->legs as $leg) {
            $stations[] = end($stations) + $leg->length();
        }

        return $this->isClosed() ? array_slice($stations, 0, -1) : $stations;
    }

    /**
     * Every so many metres from the beginning, with the ends, and the corners where wished; none twice.
     *
     * @return list<array{float, Position}> distance along, place
     * @throws NoConstruction
     */
    public function every(float $interval, bool $corners, float $right = 0.0, float $first = 0.0): array
    {
        if ($interval <= 0.0) {
            throw NoConstruction::notPositive('The interval');
        }
        $length = $this->length();
        if ($length / $interval > self::MOST_POINTS) {
            throw NoConstruction::tooMany(self::MOST_POINTS);
        }
        $stations = $this->isClosed() ? [0.0] : [0.0, $length];
        for ($i = 0; ($s = $first + $i * $interval) < $length; $i++) {
            $stations[] = $s;
        }
        if ($corners) {
            $sum = 0.0;
            foreach (array_slice($this->legs, 0, -1) as $leg) {
                $stations[] = $sum += $leg->length();
            }
        }
        sort($stations);
        $kept = [];
        foreach ($stations as $s) {
            // An interval that ends within a hair of a corner is that corner.
            if ($kept === [] || $s - end($kept)[0] > 1e-6) {
                $kept[] = [$s, $this->at($s, $right)];
            }
        }

        return $kept;
    }

    /**
     * How much the direction turns where a piece meets the next, (-π, π], to the right positive.
     *
     * @return list<float>
     */
    public function deflections(): array
    {
        $turns = [];
        $count = count($this->legs);
        for ($i = 1; $i < $count + ($this->isClosed() ? 1 : 0); $i++) {
            $before = $this->legs[$i - 1];
            $turns[] = Angle::signed($this->legs[$i % $count]->azimuthAt(0.0) - $before->azimuthAt($before->length()));
        }

        return $turns;
    }

    /**
     * Beyond the ends only: the foot on the prolonged first or last piece, or the ends themselves.
     *
     * @return array{float, float}
     */
    private function beyond(Position $p): array
    {
        $length = $this->length();
        $start = new Line($this->legs[0]->from, $this->legs[0]->azimuthAt(0.0));
        $end = new Line($this->last()->to, $this->last()->azimuthAt($this->last()->length()));
        $choices = [
            [0.0, $start->from->distanceTo($p) * ($this->isClosed() ? self::sideOfCorner($this->last(), $this->legs[0], $p) : ($start->right($p) < 0 ? -1 : 1))],
            ...($this->isClosed() ? [] : [[$length, $end->from->distanceTo($p) * ($end->right($p) < 0 ? -1 : 1)]]),
        ];
        if (! $this->isClosed()) {
            if ($start->along($p) < 0) {
                $choices[] = [$start->along($p), $start->right($p)];
            }
            if ($end->along($p) > 0) {
                $choices[] = [$length + $end->along($p), $end->right($p)];
            }
        }
        usort($choices, static fn (array $a, array $b) => abs($a[1]) <=> abs($b[1]));

        return $choices[0];
    }

    /** @return array{Leg, float} the piece there and how far along it */
    private function legAt(float $distance): array
    {
        foreach ($this->legs as $leg) {
            if ($distance < $leg->length() || $leg === $this->last()) {
                return [$leg, $distance];
            }
            $distance -= $leg->length();
        }
        throw new \LogicException('A chain has at least one piece.');
    }

    private function last(): Leg
    {
        return $this->legs[count($this->legs) - 1];
    }
}
