<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings\Revision;

use Parlay\Core\Geometry\Space;

/**
 * What changed from one revision of a building model to the next. Things are the same by their id; where a writer has given new ones, by
 * type and shape, the nearest two first; then by type, and by class alone, where they stand close together.
 */
final class ModelComparison
{
    /** Nearer than this is the same place, and as large, metres: nobody stakes finer. */
    private const SAME = 5e-4;

    /** Turned by less is not turned, radians: half a millimetre at the end of five metres. */
    private const STRAIGHT = 1e-4;

    /** Of one shape and farther off than this it is another one, metres. */
    private const FARTHEST = 25.0;

    /** Of another shape it is the same one only within this, metres. */
    private const CLOSE = 0.5;

    /** Past so many of one kind, which went where can't be told. */
    private const MOST_PAIRS = 250_000;

    public int $unchanged = 0;

    /** @var list<ThingChange> */
    public array $changes = [];

    /** @var array<int, int> instances before, to instances after, of things that got new ids */
    public array $renamed = [];

    /**
     * @param  iterable<Standing>  $before
     * @param  iterable<Standing>  $after
     */
    public static function between(iterable $before, iterable $after): self
    {
        $comparison = new self;
        $old = [];
        foreach ($before as $thing) {
            $old[$thing->guid][] = $thing;
        }
        $new = [];
        foreach ($after as $thing) {
            $known = $thing->guid === '' || ! isset($old[$thing->guid]) ? null : array_shift($old[$thing->guid]);
            if ($known === null) {
                $new[] = $thing;
            } else {
                $comparison->compare($known, $thing);
            }
        }
        $left = array_merge(...array_values($old));
        [$left, $new] = $comparison->pair($left, $new, static fn (Standing $s): string => "$s->class\n$s->type\n$s->shape", self::FARTHEST);
        [$left, $new] = $comparison->pair($left, $new, static fn (Standing $s): string => "$s->class\n$s->type", self::CLOSE);
        // One that grew is of another type now.
        [$left, $new] = $comparison->pair($left, $new, static fn (Standing $s): string => $s->class, self::CLOSE);
        foreach ($left as $thing) {
            $comparison->changes[] = new ThingChange($thing, null);
        }
        foreach ($new as $thing) {
            $comparison->changes[] = new ThingChange(null, $thing);
        }

        return $comparison;
    }

    private function compare(Standing $before, Standing $after): void
    {
        $moved = Space::length(Space::way($before->middle(), $after->middle()));
        $turned = $after->turnedFrom($before);
        $resized = max(array_map(static fn (float $p, float $q): float => abs($p - $q), $before->size(), $after->size())) > self::SAME;
        $change = new ThingChange(
            $before, $after, $moved > self::SAME ? $moved : 0.0, $turned > self::STRAIGHT ? $turned : 0.0, $resized, $before->topology !== $after->topology,
        );
        if ($change->moved > 0.0 || $change->turned > 0.0 || $change->resized || $change->reshaped) {
            $this->changes[] = $change;
        } else {
            $this->unchanged++;
        }
    }

    /**
     * @param  list<Standing>  $old
     * @param  list<Standing>  $new
     * @param  \Closure(Standing): string  $form  that both must have alike
     * @return array{list<Standing>, list<Standing>} those that found no partner
     */
    private function pair(array $old, array $new, \Closure $form, float $farthest): array
    {
        $groups = [];
        foreach ([$old, $new] as $side => $things) {
            foreach ($things as $thing) {
                $groups[$form($thing)][$side][] = $thing;
            }
        }
        [$left, $more] = [[], []];
        foreach ($groups as $group) {
            [$p, $q] = $this->nearest($group[0] ?? [], $group[1] ?? [], $farthest);
            array_push($left, ...$p);
            array_push($more, ...$q);
        }

        return [$left, $more];
    }

    /**
     * @param  list<Standing>  $old
     * @param  list<Standing>  $new
     * @return array{list<Standing>, list<Standing>}
     */
    private function nearest(array $old, array $new, float $farthest): array
    {
        if ($old === [] || count($old) * count($new) > self::MOST_PAIRS) {
            return [$old, $new];
        }
        $pairs = [];
        $middles = array_map(static fn (Standing $s): array => $s->middle(), $new);
        foreach ($old as $i => $p) {
            $at = $p->middle();
            foreach ($middles as $k => $q) {
                $apart = Space::length(Space::way($at, $q));
                if ($apart <= $farthest) {
                    $pairs[] = [$apart, $i, $k];
                }
            }
        }
        usort($pairs, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($pairs as [, $i, $k]) {
            if (isset($old[$i], $new[$k])) {
                $this->compare($old[$i], $new[$k]);
                $this->renamed[$old[$i]->number] = $new[$k]->number;
                unset($old[$i], $new[$k]);
            }
        }

        return [array_values($old), array_values($new)];
    }
}
