<?php

declare(strict_types=1);

namespace Parlay\Core\Civil\Surfaces;

use Parlay\Core\Geometry\Position;

/** A straight edge that the triangles must have, and whose height counts where two of them say another one. */
final readonly class MakingPiece
{
    /** It cuts, and has the heights of what it lies on; none beyond. */
    public const CUT = 0;

    /** An outline with heights of its own. */
    public const OUTLINE = 1;

    /** A breakline, or the rim of points. */
    public const GROUND = 2;

    public function __construct(public Position $from, public Position $to, public int $means) {}

    /**
     * @param  list<Breakline>  $lines
     * @param  float  $same  ends nearer than this make no piece, metres
     * @return list<self>
     */
    public static function along(array $lines, int $means, float $same): array
    {
        $pieces = [];
        foreach ($lines as $line) {
            $from = null;
            foreach ($line->places as $to) {
                if ($from !== null && $from->distanceTo($to) > $same) {
                    $pieces[] = new self($from, $to, $means);
                    $from = $to;
                }
                $from ??= $to;
            }
        }

        return $pieces;
    }

    /**
     * @param  list<self>  $pieces
     * @return list<Position>
     */
    public static function ends(array $pieces): array
    {
        $ends = [];
        foreach ($pieces as $piece) {
            array_push($ends, $piece->from, $piece->to);
        }

        return $ends;
    }

    /** Metres, a part of the way along; NAN where it has none. */
    public function heightAt(float $part): float
    {
        return $this->from->elevation === null || $this->to->elevation === null ? NAN
            : $this->from->elevation + $part * ($this->to->elevation - $this->from->elevation);
    }
}
