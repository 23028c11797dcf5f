<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/**
 * A road by sections at stations. Between two of them corners that belong together are joined straight: those with one code, or where codes do not tell, those
 * with one number from the left, or both ends and the axis. A corner that only one of the two has runs out on the other: between two that both have it tapers to
 * the same part of the way between them, beyond the last that both have it tapers to that one; where both go on beyond it, their ends are joined.
 */
final readonly class CrossSections implements RoadShape
{
    private const SLACK = 1e-6;

    /** So far before the first section and beyond the last those still hold: nobody holds a pole to the millimetre, metres. */
    private const END = 0.01;

    /** @var list<CrossSection> by station */
    public array $sections;

    /** @param  list<CrossSection>  $sections */
    public function __construct(array $sections, public string $name = '')
    {
        $sections = array_values(array_filter($sections, static fn (CrossSection $s) => count($s->points) > 1));
        usort($sections, static fn (CrossSection $a, CrossSection $b) => $a->along <=> $b->along);
        $this->sections = $sections;
    }

    public function heightAt(float $along, float $right, ?float $axis, ?float $ground = null): ?OnSection
    {
        $points = $this->section($along, $axis);
        for ($i = 1; $i < count($points); $i++) {
            [$a, $b] = [$points[$i - 1], $points[$i]];
            if ($right >= $a->offset - self::SLACK && $right <= $b->offset + self::SLACK && $b->offset > $a->offset) {
                $slope = ($b->elevation - $a->elevation) / ($b->offset - $a->offset);

                return new OnSection($a->elevation + ($right - $a->offset) * $slope, self::partOf($a, $b), $slope);
            }
        }

        return null;
    }

    private static function partOf(SectionPoint $a, SectionPoint $b): string
    {
        return $a->code === '' && $b->code === '' ? '' : "{$a->code} to {$b->code}";
    }

    public function section(float $along, ?float $axis): array
    {
        $count = count($this->sections);
        if ($count === 0 || $along < $this->sections[0]->along - self::END || $along > $this->sections[$count - 1]->along + self::END) {
            return [];
        }
        for ($i = 0; $i < $count - 1 && $this->sections[$i + 1]->along < $along;) {
            $i++;
        }
        if ($i === $count - 1) {
            return $this->sections[$i]->points;
        }
        [$before, $after] = [$this->sections[$i], $this->sections[$i + 1]];
        $way = $after->along - $before->along;
        $share = $way <= 0.0 ? 0.0 : max(0.0, min(1.0, ($along - $before->along) / $way));

        return $share === 0.0 ? $before->points : ($share === 1.0 ? $after->points : self::between($before->points, $after->points, $share));
    }

    /**
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return list<SectionPoint>
     */
    private static function between(array $a, array $b, float $share): array
    {
        $joined = self::joined($a, $b);
        $points = self::beyond(array_slice($a, 0, $joined[0][0]), array_slice($b, 0, $joined[0][1]), $a[$joined[0][0]], $b[$joined[0][1]], $share);
        foreach ($joined as $k => [$i, $j]) {
            $points[] = self::mixed($a[$i], $b[$j], $share);
            if (isset($joined[$k + 1])) {
                [$nextI, $nextJ] = $joined[$k + 1];
                $points = [...$points, ...self::inGap(array_slice($a, $i, $nextI - $i + 1), array_slice($b, $j, $nextJ - $j + 1), $share)];
            }
        }
        [$i, $j] = $joined[count($joined) - 1];

        return [...$points, ...self::beyond(array_slice($a, $i + 1), array_slice($b, $j + 1), $a[$i], $b[$j], $share)];
    }

    private static function mixed(SectionPoint $p, SectionPoint $q, float $share, ?string $code = null): SectionPoint
    {
        return new SectionPoint(
            $p->offset + $share * ($q->offset - $p->offset), $p->elevation + $share * ($q->elevation - $p->elevation), $code ?? ($p->code !== '' ? $p->code : $q->code),
        );
    }

    /**
     * Corners that only one of both has between two that both have, those included.
     *
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return list<SectionPoint>
     */
    private static function inGap(array $a, array $b, float $share): array
    {
        $found = [];
        foreach ([[$a, $b, $share], [$b, $a, 1 - $share]] as [$own, $other, $to]) {
            for ($k = 1; $k < count($own) - 1; $k++) {
                $part = self::partOfWay($own, $k);
                $found[] = [$part, self::mixed($own[$k], self::at($other, $part), $to, $own[$k]->code)];
            }
        }
        usort($found, static fn (array $p, array $q) => $p[0] <=> $q[0]);

        return array_column($found, 1);
    }

    /** @param  list<SectionPoint>  $line */
    private static function partOfWay(array $line, int $k): float
    {
        $last = count($line) - 1;
        $width = $line[$last]->offset - $line[0]->offset;

        return $width > 0.0 ? ($line[$k]->offset - $line[0]->offset) / $width : $k / $last;
    }

    /** @param  list<SectionPoint>  $line */
    private static function at(array $line, float $part): SectionPoint
    {
        for ($k = 1, $last = count($line) - 1; $k <= $last; $k++) {
            [$from, $to] = [self::partOfWay($line, $k - 1), self::partOfWay($line, $k)];
            if ($part <= $to || $k === $last) {
                return self::mixed($line[$k - 1], $line[$k], $to > $from ? ($part - $from) / ($to - $from) : 1.0);
            }
        }

        return $line[0];
    }

    /**
     * Corners beyond the last that both have: of one section alone, for otherwise their ends are joined.
     *
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return list<SectionPoint>
     */
    private static function beyond(array $a, array $b, SectionPoint $lastA, SectionPoint $lastB, float $share): array
    {
        return $b === []
            ? array_map(static fn (SectionPoint $p) => self::mixed($p, $lastB, $share, $p->code), $a)
            : array_map(static fn (SectionPoint $p) => self::mixed($lastA, $p, $share, $p->code), $b);
    }

    /**
     * Corners that belong together, by their numbers.
     *
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return non-empty-list<array{int, int}> growing in both
     */
    private static function joined(array $a, array $b): array
    {
        $joined = self::byCode($a, $b);
        [$lastA, $lastB] = [count($a) - 1, count($b) - 1];
        if (count($joined) < 2 && $lastA === $lastB) {
            $joined = array_map(static fn (int $i) => [$i, $i], range(0, $lastA));
        } elseif ($joined === []) {
            [$axisA, $axisB] = [self::onAxis($a), self::onAxis($b)];
            $joined = $axisA === null || $axisB === null ? [[0, 0], [$lastA, $lastB]] : [[$axisA, $axisB]];
        }
        if ($joined[0][0] > 0 && $joined[0][1] > 0) {
            array_unshift($joined, [0, 0]);
        }
        [$i, $j] = $joined[count($joined) - 1];
        if ($i < $lastA && $j < $lastB) {
            $joined[] = [$lastA, $lastB];
        }

        return $joined;
    }

    /** @param  list<SectionPoint>  $points */
    private static function onAxis(array $points): ?int
    {
        foreach ($points as $i => $p) {
            if (abs($p->offset) <= self::SLACK) {
                return $i;
            }
        }

        return null;
    }

    /**
     * One code that stands equally often in both belongs together from the left; what would cross another pair is left out.
     *
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return list<array{int, int}>
     */
    private static function byCode(array $a, array $b): array
    {
        [$inA, $inB] = [self::places($a), self::places($b)];
        $pairs = [];
        foreach ($inA as $code => $places) {
            if (count($places) === count($inB[$code] ?? [])) {
                foreach ($places as $k => $i) {
                    $pairs[$i] = $inB[$code][$k];
                }
            }
        }
        ksort($pairs);
        $joined = [];
        $reached = -1;
        foreach ($pairs as $i => $j) {
            if ($j > $reached) {
                $joined[] = [$i, $j];
                $reached = $j;
            }
        }

        return $joined;
    }

    /**
     * @param  list<SectionPoint>  $points
     * @return array<string, list<int>> numbers of corners by their code
     */
    private static function places(array $points): array
    {
        $places = [];
        foreach ($points as $i => $p) {
            if ($p->code !== '') {
                $places["~{$p->code}"][] = $i;
            }
        }

        return $places;
    }
}
