<?php

declare(strict_types=1);

namespace Parlay\Core\Cogo;

use Parlay\Core\Geometry\NoConstruction;

/**
 * A triangle from three of its six parts, side a opposite angle A and so on. Law of cosines and law of sines; two triangles where two sides
 * and an angle opposite one of them leave both.
 */
final readonly class Triangle
{
    /** Of a sine from figures as they are typed and kept. */
    private const ROUNDING = 1e-12;

    /**
     * @param  array{float, float, float}  $sides  metres
     * @param  array{float, float, float}  $angles  radians
     */
    private function __construct(
        public array $sides,
        public array $angles,
    ) {}

    /**
     * @param  array{?float, ?float, ?float}  $sides
     * @param  array{?float, ?float, ?float}  $angles
     * @return non-empty-list<self>
     * @throws NoConstruction
     */
    public static function solve(array $sides, array $angles): array
    {
        [$s, $a] = [array_keys(self::given($sides)), array_keys(self::given($angles))];
        foreach ([...self::given($sides), ...self::given($angles)] as $part) {
            if ($part <= 0.0) {
                throw NoConstruction::notPositive('Each part of a triangle');
            }
        }
        if (count($s) + count($a) !== 3 || $s === []) {
            throw NoConstruction::contradiction('Give exactly three parts of the triangle, at least one of them a side.');
        }
        if (array_sum(self::given($angles)) >= M_PI) {
            throw NoConstruction::contradiction('The angles of a triangle make half a turn together; these make that or more.');
        }

        return match (count($s)) {
            3 => [self::fromSides((float) $sides[0], (float) $sides[1], (float) $sides[2])],
            2 => self::fromTwoSides($sides, $angles, $s, $a[0]),
            default => [self::fromOneSide($sides, $angles, $s[0])],
        };
    }

    /** Square metres. */
    public function area(): float
    {
        return $this->sides[0] * $this->sides[1] * sin($this->angles[2]) / 2;
    }

    /** @return list<Quantity> */
    public function figures(): array
    {
        $figures = [];
        foreach (['a', 'b', 'c'] as $i => $word) {
            $figures[] = Quantity::length("side $word", $this->sides[$i]);
        }
        foreach (['A', 'B', 'C'] as $i => $word) {
            $figures[] = Quantity::angle("angle $word", $this->angles[$i]);
        }

        return [...$figures, new Quantity('area', QuantityKind::Area, $this->area())];
    }

    /**
     * @param  array<int, ?float>  $parts
     * @return array<int, float>
     */
    private static function given(array $parts): array
    {
        return array_filter($parts, static fn (?float $v) => $v !== null);
    }

    private static function fromSides(float $a, float $b, float $c): self
    {
        $excess = 2 * max($a, $b, $c) - $a - $b - $c;
        if ($excess >= 0.0) {
            throw NoConstruction::contradiction('The longest side is as long as the other two together, or longer: they don’t close.');
        }
        // Half-angle tangents keep their digits in flat triangles, where the law of cosines loses them.
        $half = ($a + $b + $c) / 2;
        $angle = static fn (float $opposite, float $x, float $y): float => 2 * atan2(
            sqrt(($half - $x) * ($half - $y)), sqrt($half * ($half - $opposite)),
        );

        return new self([$a, $b, $c], [$angle($a, $b, $c), $angle($b, $c, $a), $angle($c, $a, $b)]);
    }

    /**
     * @param  array{?float, ?float, ?float}  $sides
     * @param  array{?float, ?float, ?float}  $angles
     * @param  list<int>  $s
     * @return non-empty-list<self>
     */
    private static function fromTwoSides(array $sides, array $angles, array $s, int $angle): array
    {
        [$p, $q] = [(float) $sides[$s[0]], (float) $sides[$s[1]]];
        $theta = (float) $angles[$angle];
        if (! in_array($angle, $s, true)) {
            // The angle lies between both sides.
            $sides[$angle] = sqrt(($p - $q) ** 2 + 4 * $p * $q * sin($theta / 2) ** 2);

            return [self::fromSides((float) $sides[0], (float) $sides[1], (float) $sides[2])];
        }
        [$opposite, $other, $otherAt] = $angle === $s[0] ? [$p, $q, $s[1]] : [$q, $p, $s[0]];
        $sine = $other * sin($theta) / $opposite;
        if ($sine > 1.0 + self::ROUNDING) {
            throw NoConstruction::contradiction('The side opposite the angle is too short to reach the other side.');
        }
        $found = [];
        // A right angle is one triangle, whichever side of 1 its sine was rounded to.
        $seconds = $sine >= 1.0 - self::ROUNDING ? [M_PI_2] : [asin($sine), M_PI - asin($sine)];
        foreach ($seconds as $second) {
            if ($theta + $second < M_PI - 1e-12) {
                $both = static fn (int $i): ?float => $i === $otherAt ? $second : $angles[$i];
                $found[] = self::fromOneSide([$angle => $opposite] + [null, null, null], [$both(0), $both(1), $both(2)], $angle);
            }
        }

        return $found === [] ? throw NoConstruction::contradiction('The side opposite the angle is too short for a triangle.') : $found;
    }

    /**
     * @param  array<int, ?float>  $sides
     * @param  array{?float, ?float, ?float}  $angles  two of them
     */
    private static function fromOneSide(array $sides, array $angles, int $side): self
    {
        $rest = M_PI - array_sum(self::given($angles));
        $all = array_map(static fn (?float $a): float => $a ?? $rest, $angles);
        $by = $sides[$side] / sin($all[$side]);

        return new self([$by * sin($all[0]), $by * sin($all[1]), $by * sin($all[2])], [$all[0], $all[1], $all[2]]);
    }
}
