<?php

declare(strict_types=1);

namespace Parlay\Core\Setups\Blunders;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Accuracy;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Units\Angle;

/**
 * Explanations in their order; where the readings can't tell the first from the next, what changes least comes first, and the sight
 * that would decide is named.
 */
final readonly class Ranked
{
    /** Two forecasts are told apart where they differ by this many deviations of a sight. */
    private const TELLS = 4.0;

    /** No sight is asked for that is this much longer than the longest that was taken. */
    private const REACH = 2.0;

    /**
     * @param  array<string, Position>  $control  all control of the project, by name
     * @param  list<ControlSight>  $sights
     */
    public function __construct(
        private array $control,
        private array $sights,
        private Accuracy $accuracy,
    ) {}

    /**
     * @param  list<Explanation>  $found
     * @return list<Explanation>
     */
    public function order(array $found): array
    {
        usort($found, static fn (Explanation $a, Explanation $b) => $a->score() <=> $b->score());
        $level = array_values(array_filter($found, static fn (Explanation $e) => $e->score() < $found[0]->score() + Explanation::LEAD));
        if (count($level) < 2) {
            return $found;
        }
        usort($level, static fn (Explanation $a, Explanation $b) => [$a->assumed, $a->score()] <=> [$b->assumed, $b->score()]);
        $decides = $this->decides($level[0], $level[1]);

        return [...array_map(static fn (Explanation $e) => $e->level($decides), $level), ...array_slice($found, count($level))];
    }

    /** What to measure so that two explanations part. */
    private function decides(Explanation $a, Explanation $b): Decider
    {
        $again = $a->sights[0] ?? $b->sights[0] ?? null;
        if ($a->figure === null || $b->figure === null || array_intersect($a->sights, $b->sights) !== []) {
            return Decider::again($again);
        }
        [$best, $apart] = [null, self::TELLS];
        $reach = self::REACH * max([0.0, ...array_map(static fn (ControlSight $s) => $s->sight->distance, $this->sights)]);
        foreach ($this->control as $name => $place) {
            $differ = $a->figure->station->mark->distanceTo($place) > $reach
                || in_array((string) $name, [...$a->sights, ...$b->sights], true) ? 0.0 : $this->apart($a, $b, $place);
            if ($differ > $apart) {
                [$best, $apart] = [(string) $name, $differ];
            }
        }

        return match (true) {
            $best !== null => Decider::sightTo($best),
            $again !== null => Decider::again($again),
            default => Decider::anotherMark(),
        };
    }

    /** By how many deviations of a sight two explanations foretell a mark apart. */
    private function apart(Explanation $a, Explanation $b, Position $place): float
    {
        [$circle, $zenith, $slope] = self::foretold($a, $place);
        [$circle2, $zenith2, $slope2] = self::foretold($b, $place);
        $far = max($slope, 0.1);

        return max(
            abs(Angle::signed($circle - $circle2)) / $this->accuracy->ofDirection($far),
            abs($slope - $slope2) / $this->accuracy->ofDistance($far),
            $place->elevation === null ? 0.0 : abs($zenith - $zenith2) * $far / $this->accuracy->ofHeight($far),
        );
    }

    /** @return array{float, float, float} circle, zenith angle and slope distance that would be read */
    private static function foretold(Explanation $e, Position $place): array
    {
        $station = $e->figure?->station;
        assert($station !== null);
        ['circle' => $circle, 'zenith' => $zenith] = $station->aimAt($place, 0.0);
        $slope = $station->mark->distanceTo($place) / max(sin($zenith), 1e-3);
        $error = $e->systematic ?? new Systematic;

        return [
            $circle + $error->collimation * Systematic::ofLevel($zenith), $zenith + $error->index,
            $slope * (1 + $error->scale) + $error->constant,
        ];
    }
}
