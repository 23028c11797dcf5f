<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Geometry\Affine;
use Parlay\Core\Geometry\NoConstruction;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Similarity;

/** One set of points fitted to another: what it takes, what is left at each pair, and a pair that doesn't belong. */
final readonly class PointFit
{
    /** A pair is named where the fit without it is so many times better, and its own misfit is more than a measurement's. */
    private const TIMES = 4.0;

    private const MISFIT = 2e-3;

    /**
     * @param  list<float>  $residuals  horizontal distance left at each pair, used or not, metres
     * @param  int|null  $outlier  number of the pair that spoils the fit
     * @param  float|null  $scale  null where it differs with the direction
     * @param  float|null  $rotation  clockwise
     */
    private function __construct(
        public Affine $transform,
        public array $residuals,
        public float $deviation,
        public ?int $outlier,
        public ?float $scale,
        public ?float $rotation,
    ) {}

    /**
     * @param  list<array{Position, Position}>  $pairs  from and to
     * @param  list<bool>  $used  as many
     * @throws NoConstruction where too few are used
     */
    public static function of(array $pairs, array $used, FitKind $kind): self
    {
        $chosen = array_keys(array_filter($used));
        if (count($chosen) < $kind->least()) {
            throw NoConstruction::contradiction(sprintf(
                '%s needs at least %d pairs; %d %s used.', ucfirst($kind->words()), $kind->least(), count($chosen),
                count($chosen) === 1 ? 'is' : 'are',
            ));
        }
        $transform = self::fitted($pairs, $chosen, $kind)
            ?? throw NoConstruction::contradiction('The places to be fitted are all one, or lie on one line.');
        $residuals = self::residuals($pairs, $transform);
        $free = 2 * count($chosen) - $kind->unknowns();
        $similar = $kind === FitKind::Affine ? null : new Similarity($transform->a, $transform->c);

        return new self(
            $transform, $residuals, self::deviation($residuals, $chosen, $free), self::outlier($pairs, $chosen, $kind, $residuals),
            $similar?->scale(), $similar?->rotation(),
        );
    }

    /**
     * @param  list<array{Position, Position}>  $pairs
     * @param  list<int>  $chosen
     */
    private static function fitted(array $pairs, array $chosen, FitKind $kind): ?Affine
    {
        $used = array_map(static fn (int $i) => $pairs[$i], $chosen);
        if ($kind === FitKind::Affine) {
            return Affine::of($used);
        }
        $similarity = $used === [] ? null : Similarity::of($used, $kind === FitKind::WithScale);

        return $similarity === null ? null : Affine::ofSimilarity($similarity);
    }

    /**
     * @param  list<array{Position, Position}>  $pairs
     * @return list<float>
     */
    private static function residuals(array $pairs, Affine $transform): array
    {
        return array_map(static fn (array $p) => $transform->apply($p[0])->distanceTo($p[1]), $pairs);
    }

    /**
     * @param  list<float>  $residuals
     * @param  list<int>  $chosen
     */
    private static function deviation(array $residuals, array $chosen, int $free): float
    {
        return $free <= 0 ? 0.0 : sqrt(array_sum(array_map(static fn (int $i) => $residuals[$i] ** 2, $chosen)) / $free);
    }

    /**
     * @param  list<array{Position, Position}>  $pairs
     * @param  list<int>  $chosen
     * @param  list<float>  $residuals
     */
    private static function outlier(array $pairs, array $chosen, FitKind $kind, array $residuals): ?int
    {
        // With none to spare after leaving one out, every fit is perfect and nothing can be told.
        $free = 2 * (count($chosen) - 1) - $kind->unknowns();
        if ($free <= 0) {
            return null;
        }
        $all = self::deviation($residuals, $chosen, $free + 2);
        $best = null;
        $least = INF;
        foreach ($chosen as $i) {
            $others = array_values(array_diff($chosen, [$i]));
            $without = self::fitted($pairs, $others, $kind);
            if ($without !== null) {
                $left = self::residuals($pairs, $without);
                $deviation = self::deviation($left, $others, $free);
                if ($deviation < $least && $left[$i] > self::MISFIT) {
                    [$best, $least] = [$i, $deviation];
                }
            }
        }

        return $best !== null && $all > self::TIMES * $least ? $best : null;
    }
}
