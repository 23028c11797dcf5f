<?php

declare(strict_types=1);

namespace Parlay\Simulator;

use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;

/** How things really are on site. Parlay is never told; only the drawer and the tests look. */
final class World
{
    /** @var array<string, Position> where the marks on the ground really are */
    public array $marks = [];

    public string $site = '';

    public Tripod $tripod;

    public Pole $pole;

    public Atmosphere $air;

    public bool $blocked = false;

    /** The next reading on purpose is booked as if on the other face. */
    public bool $wrongFace = false;

    /** The tape is held from the mark to the notch, and read off as if it stood straight. */
    public bool $tapeSlanted = false;

    public float $battery = 0.82;

    public Noise $noise;

    /** What the red dot can hit. Not in worlds that an earlier version put away. */
    public ?Surfaces $surfaces = null;

    public function __construct(public readonly int $seed = 1)
    {
        $this->noise = new Noise($seed);
        $this->tripod = new Tripod(new Position(0.0, 0.0, 0.0), circleZero: 1.0);
        $this->pole = new Pole(new Position(20.0, 5.0, 0.0));
        $this->air = new Atmosphere(1009.0, 18.0);
    }

    /**
     * Marks the ground near where a control list says, not exactly there, and stands the tripod somewhere among the marks.
     *
     * @param  array<string, Position>  $control
     * @param  float  $plan  how far the marks lie from their coordinates in northing and in easting, metres: about as exactly as a pole
     *     is held over them
     * @param  float  $up  and from their elevations
     */
    public static function plant(string $site, array $control, int $seed, float $plan = 0.0015, float $up = 0.001): self
    {
        $world = new self($seed);
        $world->site = $site;
        $level = self::meanElevation($control);
        foreach ($control as $name => $p) {
            $world->marks[(string) $name] = new Position(
                $p->northing + $world->noise->normal($plan),
                $p->easting + $world->noise->normal($plan),
                ($p->elevation ?? $level) + $world->noise->normal($up),
            );
        }
        if ($world->marks === []) {
            return $world;
        }
        $count = count($world->marks);
        $middle = new Position(
            array_sum(array_map(static fn (Position $p) => $p->northing, $world->marks)) / $count + $world->noise->between(-6, 6),
            array_sum(array_map(static fn (Position $p) => $p->easting, $world->marks)) / $count + $world->noise->between(-6, 6),
            $level,
        );
        $world->tripod = new Tripod($middle, round($world->noise->between(1.5, 1.7), 3), $world->noise->between(0, 2 * M_PI));
        $world->pole = new Pole($middle->along($world->noise->between(0, 2 * M_PI), 12.0, $level));

        return $world;
    }

    /** Plumbs the tripod over a mark, or frees it to stand on a place; the circle's zero is wherever it happens to be. */
    public function standTripod(?string $mark, ?Position $place, float $height): void
    {
        $foot = $mark !== null
            ? ($this->marks[$mark] ?? throw new \InvalidArgumentException("There is no mark “{$mark}” on this site."))
            : $place;
        $this->tripod = new Tripod($foot ?? $this->tripod->foot, $height, $this->noise->between(0, 2 * M_PI), 0.0, $mark);
    }

    /**
     * A light knock shifts and turns the instrument within its compensator's range, so that only a check shot finds it; a hard one tips
     * it off level.
     */
    public function knock(bool $hard): void
    {
        $t = $this->tripod;
        $foot = $t->foot->along($this->noise->between(0, 2 * M_PI), $hard ? 0.02 : 0.006, $t->foot->elevation - 0.002);
        $this->tripod = new Tripod(
            $foot, $t->height, $t->circleZero + deg2rad($hard ? 0.5 : 0.025), $hard ? deg2rad(0.4) : deg2rad(0.01), null,
        );
    }

    /** Somebody drove over it: the mark no longer is where the list has it. */
    public function moveMark(string $mark, float $north, float $east, float $up): void
    {
        $p = $this->marks[$mark] ?? throw new \InvalidArgumentException("There is no mark “{$mark}” on this site.");
        $this->marks[$mark] = new Position($p->northing + $north, $p->easting + $east, $p->elevation + $up);
    }

    /** The paint on the ground has each other’s name. */
    public function swapMarks(string $a, string $b): void
    {
        $p = $this->marks[$a] ?? throw new \InvalidArgumentException("There is no mark “{$a}” on this site.");
        $this->marks[$a] = $this->marks[$b] ?? throw new \InvalidArgumentException("There is no mark “{$b}” on this site.");
        $this->marks[$b] = $p;
    }

    public function advance(float $seconds): void
    {
        $this->pole->walk($seconds);
    }

    /** @param  array<string, Position>  $control */
    private static function meanElevation(array $control): float
    {
        $known = array_filter(array_map(static fn (Position $p) => $p->elevation, $control), static fn (?float $z) => $z !== null);

        return $known === [] ? 0.0 : array_sum($known) / count($known);
    }
}
