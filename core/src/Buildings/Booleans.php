<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Solids that are cut, joined, or have only their common part left. */
final class Booleans
{
    /** Facets of both; beyond it the time grows with the square. */
    private const MOST_FACETS = 4_000;

    /** @return Solid|null null where nothing is left */
    public static function difference(Solid $a, Solid $b): ?Solid
    {
        return self::of($a, $b, static fn (array $fa, array $fb, Partition $pa, Partition $pb): array => [
            ...$pb->parts($fa, false, true, false), ...self::turned($pa->parts($fb, true, false, false), count($a->round)),
        ], true);
    }

    /** @return Solid|null null where they have nothing in common */
    public static function intersection(Solid $a, Solid $b): ?Solid
    {
        return self::of($a, $b, static fn (array $fa, array $fb, Partition $pa, Partition $pb): array => [
            ...$pb->parts($fa, true, true, false), ...self::renumbered($pa->parts($fb, true, false, false), count($a->round)),
        ], false);
    }

    public static function union(Solid $a, Solid $b): ?Solid
    {
        return self::of($a, $b, static fn (array $fa, array $fb, Partition $pa, Partition $pb): array => [
            ...$pb->parts($fa, false, false, true), ...self::renumbered($pa->parts($fb, false, true, true), count($a->round)),
        ], false);
    }

    /**
     * @param  \Closure(list<Facet>, list<Facet>, Partition, Partition): list<Facet>  $kept
     *
     * @throws TooManyFaces
     */
    private static function of(Solid $a, Solid $b, \Closure $kept, bool $turnsSecond): ?Solid
    {
        [$fa, $fb] = [self::facets($a), self::facets($b)];
        if (count($fa) + count($fb) > self::MOST_FACETS) {
            throw new TooManyFaces(count($fa) + count($fb));
        }
        if ($fa === [] || $fb === []) {
            return $a;
        }
        $facets = $kept($fa, $fb, Partition::of($fa), Partition::of($fb));
        $second = $turnsSecond
            ? array_map(static fn (RoundFace $r) => new RoundFace($r->from, $r->to, $r->radius, ! $r->hollow), $b->round) : $b->round;

        return $facets === [] ? null : FaceMerging::of($facets, [...$a->round, ...$second], $a->closed && $b->closed);
    }

    /** @return list<Facet> */
    public static function facets(Solid $s): array
    {
        $facets = [];
        foreach ($s->faces as $face) {
            $t = FaceTriangles::of($s->corners, $face);
            for ($i = 0, $n = count($t); $i < $n; $i += 3) {
                $facet = Facet::of([$s->corners[$t[$i]], $s->corners[$t[$i + 1]], $s->corners[$t[$i + 2]]], $face->round);
                if ($facet !== null) {
                    $facets[] = $facet;
                }
            }
        }

        return $facets;
    }

    /**
     * @param  list<Facet>  $facets
     * @return list<Facet>
     */
    private static function turned(array $facets, int $rounds): array
    {
        return array_map(static fn (Facet $f) => $f->turned($rounds), $facets);
    }

    /**
     * @param  list<Facet>  $facets
     * @return list<Facet>
     */
    private static function renumbered(array $facets, int $rounds): array
    {
        return array_map(static fn (Facet $f) => $f->numbered($rounds), $facets);
    }
}
