<?php

declare(strict_types=1);

namespace Parlay\Core\Stakeout;

use Parlay\Core\Geometry\Position;

/** Which design each shot is of, where nobody has said: the nearest within reach. What is not plain is told, and never decided. */
final class Matching
{
    /** Told apart are two designs where one is at least so many times as far as the other. Common practice, no source. */
    private const APART = 2.0;

    /** Designs that are told to choose from. */
    private const MOST = 3;

    /** Two shots of one place, and two designs of one: metres. */
    private const ONE = 1e-4;

    /**
     * @param  array<int|string, Position>  $designs  by their keys
     * @param  float  $reach  how far a shot may lie from its design, metres; more than 0
     */
    private function __construct(private readonly array $designs, private readonly float $reach) {}

    /**
     * @param  array<int|string, Position>  $shots  by their keys
     * @param  array<int|string, Position>  $designs  by their keys
     * @param  float  $reach  how far a shot may lie from its design, metres
     * @return list<ShotMatch> in the order of the shots
     *
     * @throws \DomainException where the reach is none
     */
    public static function nearest(array $shots, array $designs, float $reach): array
    {
        if (! ($reach > 0.0 && is_finite($reach))) {
            throw new \DomainException('A design is looked for within more than nothing.');
        }
        $of = new self($designs, $reach);
        $cells = $of->cells();
        $found = $first = [];
        foreach ($shots as $key => $shot) {
            $found[$key] = $of->candidates($shot, $cells);
            if ($found[$key] !== []) {
                $first[$found[$key][0]['design']][] = $key;
            }
        }

        return array_map(
            static fn (int|string $key): ShotMatch => new ShotMatch($key, array_slice($found[$key], 0, self::MOST), self::doubt($found[$key], $first)), array_keys($shots),
        );
    }

    /** @return array<string, list<int|string>> keys of designs by the square that they lie in, each as wide as the reach */
    private function cells(): array
    {
        $cells = [];
        foreach ($this->designs as $key => $d) {
            $cells[floor($d->northing / $this->reach).' '.floor($d->easting / $this->reach)][] = $key;
        }

        return $cells;
    }

    /**
     * @param  array<string, list<int|string>>  $cells
     * @return list<array{design: int|string, distance: float}>
     */
    private function candidates(Position $shot, array $cells): array
    {
        [$n, $e] = [floor($shot->northing / $this->reach), floor($shot->easting / $this->reach)];
        $near = [];
        for ($i = -1; $i <= 1; $i++) {
            for ($j = -1; $j <= 1; $j++) {
                foreach ($cells[($n + $i).' '.($e + $j)] ?? [] as $key) {
                    $far = self::apart($shot, $this->designs[$key]);
                    if ($far <= $this->reach) {
                        $near[] = ['design' => $key, 'distance' => $far];
                    }
                }
            }
        }
        usort($near, static fn (array $a, array $b): int => $a['distance'] <=> $b['distance']);

        return $near;
    }

    private static function apart(Position $a, Position $b): float
    {
        $high = $a->elevation === null || $b->elevation === null ? 0.0 : $a->elevation - $b->elevation;

        return hypot($a->distanceTo($b), $high);
    }

    /**
     * @param  list<array{design: int|string, distance: float}>  $near
     * @param  array<int|string, list<int|string>>  $first  shots by the design that is nearest to each
     */
    private static function doubt(array $near, array $first): ?MatchDoubt
    {
        return match (true) {
            $near === [] => null,
            isset($near[1]) && $near[1]['distance'] < max(self::APART * $near[0]['distance'], self::ONE) => MatchDoubt::Second,
            count($first[$near[0]['design']] ?? []) > 1 => MatchDoubt::Shared,
            default => null,
        };
    }
}
