<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Roads;

/**
 * A road by sections at stations. Between two of them corners that belong together are joined straight: those with one code, or where codes
 * do not tell, those with one number from the left. Where neither holds, heights are taken at one offset in both.
 */
final readonly class CrossSections implements RoadShape
{
    private const SLACK = 1e-6;

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
            if ($right >= $a->right - self::SLACK && $right <= $b->right + self::SLACK && $b->right > $a->right) {
                $slope = ($b->elevation - $a->elevation) / ($b->right - $a->right);

                return new OnSection($a->elevation + ($right - $a->right) * $slope, self::partOf($a, $b), $slope);
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
        if ($count === 0 || $along < $this->sections[0]->along - self::SLACK || $along > $this->sections[$count - 1]->along + self::SLACK) {
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
        $mix = static fn (SectionPoint $p, SectionPoint $q): SectionPoint => new SectionPoint(
            $p->right + $share * ($q->right - $p->right), $p->elevation + $share * ($q->elevation - $p->elevation), $p->code,
        );
        $codesA = self::byCode($a);
        $codesB = self::byCode($b);
        if ($codesA !== null && $codesB !== null && count($common = array_intersect_key($codesA, $codesB)) > 1) {
            $mixed = array_map(static fn (SectionPoint $p) => $mix($p, $codesB[$p->code]), array_values($common));
            usort($mixed, static fn (SectionPoint $p, SectionPoint $q) => $p->right <=> $q->right);

            return $mixed;
        }
        if (count($a) === count($b)) {
            return array_map($mix, $a, $b);
        }

        return self::atOneOffset($a, $b, $share);
    }

    /**
     * @param  list<SectionPoint>  $points
     * @return array<string, SectionPoint>|null null where a code is missing or stands twice
     */
    private static function byCode(array $points): ?array
    {
        $codes = [];
        foreach ($points as $p) {
            if ($p->code === '' || isset($codes[$p->code])) {
                return null;
            }
            $codes[$p->code] = $p;
        }

        return $codes;
    }

    /**
     * @param  list<SectionPoint>  $a
     * @param  list<SectionPoint>  $b
     * @return list<SectionPoint>
     */
    private static function atOneOffset(array $a, array $b, float $share): array
    {
        $stops = array_unique(array_map(static fn (SectionPoint $p) => $p->right, [...$a, ...$b]));
        sort($stops);
        $points = [];
        foreach ($stops as $right) {
            [$p, $q] = [self::heightIn($a, $right), self::heightIn($b, $right)];
            if ($p !== null && $q !== null) {
                $points[] = new SectionPoint($right, $p + $share * ($q - $p));
            }
        }

        return $points;
    }

    /** @param  list<SectionPoint>  $points */
    private static function heightIn(array $points, float $right): ?float
    {
        for ($i = 1; $i < count($points); $i++) {
            [$p, $q] = [$points[$i - 1], $points[$i]];
            if ($right >= $p->right && $right <= $q->right) {
                return $q->right === $p->right ? $p->elevation : $p->elevation + ($q->elevation - $p->elevation) * ($right - $p->right) / ($q->right - $p->right);
            }
        }

        return null;
    }
}
