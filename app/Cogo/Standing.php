<?php

declare(strict_types=1);

namespace App\Cogo;

use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use Parlay\Core\Geometry\Position;

/** Stakeout points by their place, to see what stands somewhere already. */
final class Standing
{
    /** Nearer than this in plan and height is the same place, metres. */
    private const SAME = 1e-3;

    /** @param  array<string, list<array{Position, string}>>  $cells */
    private function __construct(private array $cells) {}

    public static function in(Project $project): self
    {
        $cells = [];
        foreach (StakeoutPoint::of($project)->toBase()->get(['name', 'northing', 'easting', 'elevation']) as $row) {
            $p = new Position((float) $row->northing, (float) $row->easting, $row->elevation === null ? null : (float) $row->elevation);
            $cells[self::cell($p, 0, 0)][] = [$p, (string) $row->name];
        }

        return new self($cells);
    }

    /** The name of the point that stands there; one with another elevation is another point. */
    public function at(Position $p): ?string
    {
        foreach ([0, -1, 1] as $n) {
            foreach ([0, -1, 1] as $e) {
                foreach ($this->cells[self::cell($p, $n, $e)] ?? [] as [$there, $name]) {
                    if ($there->distanceTo($p) < self::SAME
                        && ($there->elevation === null) === ($p->elevation === null)
                        && abs(($there->elevation ?? 0.0) - ($p->elevation ?? 0.0)) < self::SAME) {
                        return $name;
                    }
                }
            }
        }

        return null;
    }

    public function add(Position $p, string $name): void
    {
        $this->cells[self::cell($p, 0, 0)][] = [$p, $name];
    }

    private static function cell(Position $p, int $north, int $east): string
    {
        return (floor($p->northing / self::SAME) + $north).' '.(floor($p->easting / self::SAME) + $east);
    }
}
