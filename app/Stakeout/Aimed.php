<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Stakeout\Models\KeptAim;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\Designed;
use Parlay\Core\Stakeout\Aims\Reach;

/** What a mark was made to besides a prepared point, as the field book keeps it: nothing of it changes with the drawing or the line. */
final readonly class Aimed
{
    /**
     * along: metres from the start of the line, toEnd to its end; right: of it, looking along, negative to the left. parallel: metres to the
     * right of the line that was touched, raised above its heights. azimuth: of the line there, radians. grade: its rise for each metre.
     */
    public function __construct(
        public AimKind $kind,
        public string $name,
        public string $source,
        public ?float $along = null,
        public ?float $toEnd = null,
        public ?float $right = null,
        public ?int $piece = null,
        public ?Reach $reach = null,
        public float $parallel = 0.0,
        public string $parallelName = '',
        public float $raised = 0.0,
        public ?float $azimuth = null,
        public ?float $grade = null,
    ) {}

    public static function at(KeptAim $aim, Designed $designed): self
    {
        $on = $designed->on;
        if ($on === null) {
            return new self(
                $aim->kind, $aim->name, $aim->source,
                along: $aim->kind === AimKind::Place ? (float) $aim->given['along'] : null,
                right: $aim->kind === AimKind::Place ? (float) $aim->given['right'] : null,
            );
        }
        $parallel = $aim->lay()->current();

        return new self(
            kind: $aim->kind,
            name: $aim->name,
            source: $aim->source,
            along: $on->along,
            toEnd: $on->toEnd,
            right: $on->right,
            piece: $on->piece,
            reach: $on->reach,
            parallel: $parallel->right,
            parallelName: $parallel->name,
            raised: $parallel->raised,
            azimuth: $on->azimuth,
            grade: self::gradeAt($aim, $designed),
        );
    }

    /** What is designed at another place close by: a mark that was mended lies centimetres from where it was. */
    public function designedAt(Position $design, Position $found): Position
    {
        if ($this->kind === AimKind::Elevation) {
            return $found->at($design->elevation);
        }
        $tangent = $this->tangent($design);
        if ($tangent === null) {
            return $design;
        }
        $on = $tangent->along($found);

        return $tangent->at($on)->at($design->elevation === null ? null : $design->elevation + $on * ($this->grade ?? 0.0));
    }

    /** The same said of a mark that was mended. */
    public function moved(?Position $design, Position $found): self
    {
        $tangent = $design === null ? null : $this->tangent($design);
        if ($tangent === null || $this->along === null || $this->toEnd === null) {
            return $this;
        }
        $on = $tangent->along($found);

        return new self(...[
            'along' => $this->along + $on, 'toEnd' => $this->toEnd - $on, 'right' => $tangent->right($found),
        ] + get_object_vars($this));
    }

    /** The line where it was staked; null where what was staked is no line. */
    private function tangent(Position $design): ?Line
    {
        return $this->kind === AimKind::Line && $this->azimuth !== null ? new Line($design->at(null), $this->azimuth) : null;
    }

    private static function gradeAt(KeptAim $aim, Designed $designed): ?float
    {
        $ahead = $designed->on === null ? null : $aim->aim()->designedAt($designed->place->along($designed->on->azimuth, 0.1))->place->elevation;

        return $ahead === null || $designed->place->elevation === null ? null : ($ahead - $designed->place->elevation) / 0.1;
    }
}
