<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Volumes;

use Parlay\Core\Civil\Alignments\Alignment;
use Parlay\Core\Civil\Surfaces\AlongSurface;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Civil\Surfaces\Outline;
use Parlay\Core\Civil\Surfaces\Surface;
use Parlay\Core\Civil\Surfaces\SurfaceIndex;

/** A part of an alignment, from one place along it to another, between two offsets: where volumes by end areas are asked for. */
final readonly class StationRange
{
    public const MOST_SECTIONS = 1000;

    /** A side is followed by chords so long, metres; in so many at most. */
    private const CHORD = 2.0;

    private const MOST_CHORDS = 5000;

    private const JOINT = 1e-6;

    /** Shorter or narrower, there is no ground to speak of; metres. */
    private const LEAST = 0.1;

    public float $from;

    public float $to;

    /**
     * @param  float  $from  metres along; what lies beyond the alignment does not count
     * @param  float  $left  offset of one side, metres to the right of it, negative to the left
     * @param  float  $right  of the other
     *
     * @throws NoSurface
     */
    public function __construct(public Alignment $alignment, float $from, float $to, public float $left, public float $right)
    {
        $this->from = max(0.0, $from);
        $this->to = min($alignment->length, $to);
        if ($this->to - $this->from < self::LEAST || $right - $left < self::LEAST) {
            throw NoSurface::noStationRange();
        }
    }

    public function outline(): Outline
    {
        $steps = (int) max(1, min(self::MOST_CHORDS, ceil(($this->to - $this->from) / self::CHORD)));
        $along = array_map(fn (int $i): float => $this->from + ($this->to - $this->from) * $i / $steps, range(0, $steps));

        return new Outline([
            ...array_map(fn (float $a) => $this->alignment->at($a, $this->left), $along),
            ...array_map(fn (float $a) => $this->alignment->at($a, $this->right), array_reverse($along)),
        ]);
    }

    /**
     * What lies above the other, and below it, in sections square to the alignment: at its beginning, at each interval from there, at its end.
     *
     * @param  Surface|float  $against  another surface, or an elevation
     * @return list<array{float, float, float}> metres along, and areas of cut and fill there, metres²
     *
     * @throws NoSurface where the interval gives none, or too many
     */
    public function sections(Surface $first, Surface|float $against, float $interval): array
    {
        if (is_nan($interval) || $interval <= 0.0 || ($this->to - $this->from) / $interval > self::MOST_SECTIONS) {
            throw NoSurface::tooManySections(self::MOST_SECTIONS);
        }
        $index = new SurfaceIndex($first);
        $other = $against instanceof Surface ? new SurfaceIndex($against) : null;

        return array_map(function (float $along) use ($index, $other, $against): array {
            [$left, $right] = [$this->alignment->at($along, $this->left), $this->alignment->at($along, $this->right)];
            $runs = $other === null
                ? [[[0.0, (float) $against], [$left->distanceTo($right), (float) $against]]]
                : AlongSurface::of($other, $left, $right);

            return [$along, ...EndAreas::areas(AlongSurface::of($index, $left, $right), $runs)];
        }, $this->stations($interval));
    }

    /** @return list<float> metres along: from the beginning at each interval, and the end; one that falls on the end but for a rounding is the end */
    private function stations(float $interval): array
    {
        $whole = (int) ceil(($this->to - $this->from - self::JOINT) / $interval);

        return [...array_map(fn (int $i): float => $this->from + $i * $interval, range(0, max(0, $whole - 1))), $this->to];
    }
}
