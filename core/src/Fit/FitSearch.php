<?php

declare(strict_types=1);

namespace Parlay\Core\Fit;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Similarity;
use Parlay\Core\Units\LengthUnit;

/**
 * Tries a drawing against the control: as it is, in other units, with northing and easting exchanged, shifted and turned.
 *
 * Shifts and turns are found from pairs of control points at a distance that two spots of the drawing have as well; every one is then
 * tried on all control, so a regular grid gives each of the ways in which it fits.
 */
final class FitSearch
{
    /** A spot falls on control within this, metres. */
    public const REACH = 0.02;

    private const MOST_CONTROL = 60;

    private const PAIRS = 10;

    private const MOST_TRIES = 20_000;

    private const MOST_FITS = 8;

    /** @var list<Mark> */
    private readonly array $control;

    /** @var list<ControlFit> */
    private array $fits = [];

    /**
     * @param  list<Mark>  $control
     * @param  list<Spot>  $spots
     */
    private function __construct(array $control, private readonly array $spots)
    {
        $this->control = array_slice($control, 0, self::MOST_CONTROL);
    }

    /**
     * @param  list<Mark>  $control
     * @param  list<Spot>  $spots
     * @return list<ControlFit> the best first; those that fit equally well are all there, up to eight
     */
    public static function of(array $control, array $spots): array
    {
        $search = new self($control, $spots);
        foreach (LengthUnit::cases() as $unit) {
            $search->asDrawn($unit);
        }
        if ($search->fits === []) {
            foreach (LengthUnit::cases() as $unit) {
                $search->turned($unit);
            }
        }

        return $search->best();
    }

    private function asDrawn(LengthUnit $unit): void
    {
        $index = new SpotIndex($this->spots, self::REACH / $unit->metres());
        foreach ([false, true] as $exchanged) {
            $this->keep($unit, $exchanged, new Similarity, $index, 2);
        }
    }

    private function turned(LengthUnit $unit): void
    {
        $u = $unit->metres();
        // Feet and US feet differ by two millionths: on one site only place tells them apart, not distance.
        if (count($this->control) < 2 || count($this->spots) < 2 || $unit === LengthUnit::UsFoot) {
            return;
        }
        $index = new SpotIndex($this->spots, self::REACH / $u);
        $tries = 0;
        $wanted = $this->distances($u);
        foreach ($this->spots as $i => $p) {
            for ($k = $i + 1, $n = count($this->spots); $k < $n; $k++) {
                $q = $this->spots[$k];
                $d = hypot($q->x - $p->x, $q->y - $p->y) * $u;
                foreach ($wanted[(int) round($d / self::REACH)] ?? [] as [$m, $o]) {
                    if (++$tries > self::MOST_TRIES) {
                        return;
                    }
                    $this->tryPair($unit, $index, $m, $o, $p, $q);
                    $this->tryPair($unit, $index, $m, $o, $q, $p);
                }
            }
        }
    }

    /**
     * The longest distances between control points, by their length in steps of the reach, a step to each side.
     *
     * @return array<int, list<array{Mark, Mark}>>
     */
    private function distances(float $u): array
    {
        $longest = $this->span() * $u * 1.01;
        $pairs = [];
        foreach ($this->control as $i => $m) {
            foreach (array_slice($this->control, $i + 1) as $o) {
                $d = $m->at->distanceTo($o->at);
                if ($d <= $longest && $d > 20 * self::REACH) {
                    $pairs[] = [$d, $m, $o];
                }
            }
        }
        usort($pairs, static fn (array $a, array $b) => $b[0] <=> $a[0]);
        $steps = [];
        foreach (array_slice($pairs, 0, self::PAIRS) as [$d, $m, $o]) {
            foreach ([-1, 0, 1] as $aside) {
                $steps[(int) round($d / self::REACH) + $aside][] = [$m, $o];
            }
        }

        return $steps;
    }

    private function tryPair(LengthUnit $unit, SpotIndex $index, Mark $m, Mark $o, Spot $p, Spot $q): void
    {
        $u = $unit->metres();
        $placement = Similarity::of(
            [[new Position($p->y * $u, $p->x * $u), $m->at], [new Position($q->y * $u, $q->x * $u), $o->at]], false,
        );
        if ($placement !== null) {
            $this->keep($unit, false, $placement, $index, 3, true);
        }
    }

    /** Takes note of a fit, refined over all that fall together. */
    private function keep(
        LengthUnit $unit,
        bool $exchanged,
        Similarity $placement,
        SpotIndex $index,
        int $least,
        bool $refine = false,
    ): void {
        $matches = $this->matches($unit, $exchanged, $placement, $index);
        if (count($matches) < $least && ! ($refine && count($matches) === 2)) {
            return;
        }
        if ($refine) {
            $u = $unit->metres();
            assert($matches !== []);
            $placement = Similarity::of(
                array_map(static fn (ControlMatch $c) => [new Position($c->spot->y * $u, $c->spot->x * $u), $c->mark->at], $matches),
                false,
            ) ?? $placement;
            $matches = $this->matches($unit, $exchanged, $placement, $index);
        }
        $fit = new ControlFit($unit, $exchanged, $placement, $matches, $this->chance(count($matches), $unit, $refine));
        if (! $fit->holds()) {
            return;
        }
        foreach ($this->fits as $i => $other) {
            if ($other->unit === $unit && $other->exchanged === $exchanged && $this->alike($other->placement, $placement, $unit)) {
                $this->fits[$i] = count($other->matches) < count($matches) ? $fit : $other;

                return;
            }
        }
        $this->fits[] = $fit;
    }

    /** Two placements that put the drawing in the same place, as far as the reach can tell. */
    private function alike(Similarity $p, Similarity $q, LengthUnit $unit): bool
    {
        foreach ([$this->spots[0], $this->spots[count($this->spots) - 1]] as $spot) {
            $at = new Position($spot->y * $unit->metres(), $spot->x * $unit->metres());
            if ($p->apply($at)->distanceTo($q->apply($at)) > 5 * self::REACH) {
                return false;
            }
        }

        return true;
    }

    /** @return list<ControlMatch> */
    private function matches(LengthUnit $unit, bool $exchanged, Similarity $placement, SpotIndex $index): array
    {
        $u = $unit->metres();
        $scale = $placement->scale() ** 2;
        [$a, $b] = [$placement->a / $scale, -$placement->b / $scale];
        $matches = [];
        foreach ($this->control as $mark) {
            [$e, $n] = [$mark->at->easting - $placement->dx, $mark->at->northing - $placement->dy];
            [$x, $y] = [($a * $e - $b * $n) / $u, ($b * $e + $a * $n) / $u];
            $label = Spots::plain($mark->name);
            $spot = $exchanged ? $index->near($y, $x, $label) : $index->near($x, $y, $label);
            if ($spot !== null) {
                $at = $placement->apply(
                    $exchanged ? new Position($spot->x * $u, $spot->y * $u) : new Position($spot->y * $u, $spot->x * $u),
                );
                [$dn, $de] = [$at->northing - $mark->at->northing, $at->easting - $mark->at->easting];
                $matches[] = new ControlMatch($mark, $spot, hypot($dn, $de), $dn, $de, $spot->label !== '' && $spot->label === $label);
            }
        }

        return $matches;
    }

    /** How many fits with so many matches would come about if the spots lay anywhere: a rough count, to warn of fits that mean nothing. */
    private function chance(int $matches, LengthUnit $unit, bool $turned): float
    {
        $span = max($this->span() * $unit->metres(), 1.0);
        $hit = min(1.0, count($this->spots) * M_PI * self::REACH ** 2 / $span ** 2);
        $free = max(0, $matches - ($turned ? 2 : 0));
        $ways = 1.0;
        for ($i = 0; $i < $free; $i++) {
            $ways *= (count($this->control) - $i) / ($i + 1);
        }

        return ($turned ? count($this->spots) ** 2 : 2 * count(LengthUnit::cases())) * $ways * $hit ** $free;
    }

    /** Width of the spots, drawing units. */
    private function span(): float
    {
        $x = array_map(static fn (Spot $s) => $s->x, $this->spots);
        $y = array_map(static fn (Spot $s) => $s->y, $this->spots);

        return $x === [] || $y === [] ? 0.0 : hypot(max($x) - min($x), max($y) - min($y));
    }

    /** @return list<ControlFit> */
    private function best(): array
    {
        $fits = $this->fits;
        // Texts all stand as far beside their marks, and so fit as well: the marks are meant.
        $strength = static fn (ControlFit $f): array => [
            $f->named(), count($f->matches), count(array_filter($f->matches, static fn (ControlMatch $m) => $m->spot->what !== 'text')),
        ];
        usort($fits, static fn (ControlFit $a, ControlFit $b) => [
            ...$strength($b), $b->asDrawn(), $a->rms(),
        ] <=> [...$strength($a), $a->asDrawn(), $b->rms()]);

        // What fits worse than the best is no second answer.
        return array_slice(
            array_values(array_filter($fits, static fn (ControlFit $f) => $strength($f) === $strength($fits[0]))), 0, self::MOST_FITS,
        );
    }
}
