<?php

declare(strict_types=1);

namespace Parlay\Core\Buildings;

/** Solids that are cut, joined, or have only their common part left. */
final class Booleans
{
    /** Facets of both; beyond it the time grows with the square. */
    private const MOST_FACETS = 4_000;

    /**
     * Faces that what is taken away does not come near stay as they are.
     *
     * @return Solid|null null where nothing is left
     *
     * @throws TooManyFaces
     */
    public static function difference(Solid $a, Solid $b): ?Solid
    {
        $near = self::near($a, $b);
        $second = array_map(static fn (RoundFace $r) => new RoundFace($r->from, $r->to, $r->radius, ! $r->hollow), $b->round);
        $byFace = array_map(static fn (Face $face): array => self::facetsOf($a, $face), $a->faces);
        [$fa, $fb] = [array_merge([], ...$byFace), self::facets($b)];
        if (count($fa) + count($fb) > self::MOST_FACETS) {
            throw new TooManyFaces(count($fa) + count($fb));
        }
        if ($fa === [] || $fb === []) {
            return $a;
        }
        $facets = array_merge([], ...array_map(static fn (int $k): array => $byFace[$k], $near));
        $left = [...Partition::of($fb)->parts($facets, false, true, false), ...self::turned(Partition::of($fa)->parts($fb, true, false, false), count($a->round))];
        $whole = array_diff_key(array_fill(0, count($a->faces), true), array_fill_keys($near, true));

        return $left === [] && $whole === [] ? null : FaceMerging::of($left, [...$a->round, ...$second], $a->closed && $b->closed, $a, $whole);
    }

    /**
     * What many solids take away from one: those that lie apart at once, for one after another each would go through all that the ones before it left.
     *
     * @param  list<Solid>  $holes
     * @return Solid|null null where nothing is left
     *
     * @throws TooManyFaces
     */
    public static function withoutAll(Solid $solid, array $holes): ?Solid
    {
        [$pierced, $cutting] = Piercing::of($solid, $holes);
        if ($cutting === [] || count($cutting) === count($holes)) {
            return self::cut($pierced, $cutting);
        }
        // What is cut is cut first: faces that have holes already fall into many more pieces.
        $left = self::cut($solid, $cutting);
        if ($left === null) {
            return null;
        }
        $cut = new \SplObjectStorage;
        array_map($cut->attach(...), $cutting);
        [$pierced, $others] = Piercing::of($left, array_values(array_filter($holes, static fn (Solid $hole): bool => ! isset($cut[$hole]))));

        return self::cut($pierced, $others);
    }

    /**
     * @param  list<Solid>  $holes
     *
     * @throws TooManyFaces
     */
    private static function cut(Solid $solid, array $holes): ?Solid
    {
        $groups = [];
        foreach ($holes as $hole) {
            $last = count($groups) - 1;
            if ($last >= 0 && self::isApart($hole, $groups[$last])) {
                $groups[$last][] = $hole;
            } else {
                $groups[] = [$hole];
            }
        }
        $left = $solid;
        foreach ($groups as $group) {
            $left = $left === null ? null : self::difference($left, Solid::together($group));
        }

        return $left;
    }

    /** @param  list<Solid>  $others */
    private static function isApart(Solid $solid, array $others): bool
    {
        $box = $solid->box();
        foreach ($others as $other) {
            $beside = $other->box();
            if ($box !== null && $beside !== null && Box::meet($box, $beside)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<int> faces of a solid that another may cut, or touch */
    private static function near(Solid $a, Solid $b): array
    {
        $box = $b->box();

        return $box === null ? [] : array_keys(array_filter(Box::ofFaces($a), static fn (array $face): bool => Box::meet($face, $box)));
    }

    /** @return Solid|null null where they have nothing in common */
    public static function intersection(Solid $a, Solid $b): ?Solid
    {
        return self::of($a, $b, static fn (array $fa, array $fb, Partition $pa, Partition $pb): array => [
            ...$pb->parts($fa, true, true, false), ...self::renumbered($pa->parts($fb, true, false, false), count($a->round)),
        ]);
    }

    public static function union(Solid $a, Solid $b): ?Solid
    {
        return self::of($a, $b, static fn (array $fa, array $fb, Partition $pa, Partition $pb): array => [
            ...$pb->parts($fa, false, false, true), ...self::renumbered($pa->parts($fb, false, true, true), count($a->round)),
        ]);
    }

    /**
     * @param  \Closure(list<Facet>, list<Facet>, Partition, Partition): list<Facet>  $kept
     *
     * @throws TooManyFaces
     */
    private static function of(Solid $a, Solid $b, \Closure $kept): ?Solid
    {
        [$fa, $fb] = [self::facets($a), self::facets($b)];
        if (count($fa) + count($fb) > self::MOST_FACETS) {
            throw new TooManyFaces(count($fa) + count($fb));
        }
        if ($fa === [] || $fb === []) {
            return $a;
        }
        $facets = $kept($fa, $fb, Partition::of($fa), Partition::of($fb));

        return $facets === [] ? null : FaceMerging::of($facets, [...$a->round, ...$b->round], $a->closed && $b->closed);
    }

    /** @return list<Facet> */
    public static function facets(Solid $s): array
    {
        $facets = [];
        foreach ($s->faces as $face) {
            array_push($facets, ...self::facetsOf($s, $face));
        }

        return $facets;
    }

    /** @return list<Facet> */
    private static function facetsOf(Solid $s, Face $face): array
    {
        $whole = FaceTriangles::isConvex($s->corners, $face)
            ? Facet::inPlane(array_map(static fn (int $i): array => $s->corners[$i], $face->outline), $face->round) : null;
        if ($whole !== null) {
            return [$whole];
        }
        $facets = [];
        $t = FaceTriangles::of($s->corners, $face);
        for ($i = 0, $n = count($t); $i < $n; $i += 3) {
            $facet = Facet::of([$s->corners[$t[$i]], $s->corners[$t[$i + 1]], $s->corners[$t[$i + 2]]], $face->round);
            if ($facet !== null) {
                $facets[] = $facet;
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
