<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Civil\CivilAims;
use App\Civil\CivilHeights;
use App\Stakeout\Models\KeptAim;
use Parlay\Core\Formerly;
use Parlay\Core\Geometry\Line;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Geometry\Space;
use Parlay\Core\ListOf;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\AxisAim;
use Parlay\Core\Stakeout\Aims\Designed;
use Parlay\Core\Stakeout\Aims\DesignSlope;
use Parlay\Core\Stakeout\Aims\FaceAim;
use Parlay\Core\Stakeout\Aims\Reach;

/** What a mark was made to besides a prepared point, as the field book keeps it: nothing of it changes with the drawing or the line. */
final readonly class Aimed
{
    /**
     * along: metres from the start of the line, toEnd to its end; offset: of it, looking along, negative to the left. parallel: metres to the
     * right of the line that was touched, verticalOffset above its heights. azimuth: of the line there, radians. grade: its rise for each metre.
     * station: of an alignment, metres as it is counted there, in which region; axisOffset: metres right of its axis; element: which one, from
     * 1; part: lane, shoulder or slope. surface: that heights came from, verticalOffset metres above it. toNorth, toEast: rise of the design there for each
     * metre, where only heights count. before: metres in front of a face, square to it, negative behind, or off an axis; way: the normal of the face outward, or the
     * direction of the axis, east, north and up; thing: the id of the thing they belong to. axisAzimuth: of an alignment there, where only its grade is staked; radians.
     *
     * @param  list<float>  $way
     */
    public function __construct(
        public AimKind $kind,
        public string $name,
        public string $source,
        public ?float $along = null,
        public ?float $toEnd = null,
        #[Formerly('right')]
        public ?float $offset = null,
        public ?int $piece = null,
        public ?Reach $reach = null,
        public float $parallel = 0.0,
        public string $parallelName = '',
        #[Formerly('raised')]
        public float $verticalOffset = 0.0,
        public ?float $azimuth = null,
        public ?float $grade = null,
        public ?float $station = null,
        public ?int $region = null,
        #[Formerly('axisRight')]
        public ?float $axisOffset = null,
        public ?int $element = null,
        public string $part = '',
        public string $surface = '',
        public ?float $toNorth = null,
        public ?float $toEast = null,
        public ?float $before = null,
        #[ListOf('float')]
        public array $way = [],
        public string $thing = '',
        public ?float $axisAzimuth = null,
    ) {}

    public static function at(KeptAim $aim, Designed $designed): self
    {
        $on = $designed->on;
        if ($aim->kind->isCivil()) {
            return self::civil($aim, $designed);
        }
        if ($aim->kind->isOfModel()) {
            return self::ofModel($aim, $designed);
        }
        if ($on === null) {
            return new self(
                $aim->kind, $aim->name, $aim->source,
                along: $aim->kind === AimKind::Place ? (float) $aim->given['along'] : null,
                offset: $aim->kind === AimKind::Place ? (float) $aim->given['right'] : null,
            );
        }
        $parallel = $aim->lay()->current();

        return new self(
            kind: $aim->kind,
            name: $aim->name,
            source: $aim->source,
            along: $on->along,
            toEnd: $on->toEnd,
            offset: $on->offset,
            piece: $on->piece,
            reach: $on->reach,
            parallel: $parallel->offset,
            parallelName: $parallel->name,
            verticalOffset: $parallel->verticalOffset,
            azimuth: $on->azimuth,
            grade: DesignSlope::toward($aim->aim(), $designed, $on->azimuth),
        );
    }

    private static function ofModel(KeptAim $aim, Designed $designed): self
    {
        $lay = $aim->partLay();
        $way = $lay->normal;
        if ($way === []) {
            [$from, $to] = $lay->places();
            $way = Space::unit(Space::way($from, $to)) ?? [0.0, 0.0, 1.0];
        }

        return new self(
            kind: $aim->kind, name: $aim->name, source: $aim->source, before: $designed->face?->before, way: $way, thing: (string) ($aim->given['part']['guid'] ?? ''),
        );
    }

    private static function civil(KeptAim $aim, Designed $designed): self
    {
        $lay = $aim->civilLay();
        [$on, $station] = [$designed->on, $designed->station];
        [$toNorth, $toEast] = $on === null
            ? [DesignSlope::toward($aim->aim(), $designed, 0.0), DesignSlope::toward($aim->aim(), $designed, M_PI_2)]
            : [null, null];

        return new self(
            kind: $aim->kind,
            name: $aim->name,
            source: $aim->source,
            along: $station?->along,
            toEnd: $on?->toEnd,
            offset: $on === null ? $station?->offset : $on->offset,
            piece: $on?->piece,
            reach: $on?->reach,
            parallel: $lay->offset,
            verticalOffset: $lay->verticalOffset,
            azimuth: $on?->azimuth,
            grade: $on === null ? null : DesignSlope::toward($aim->aim(), $designed, $on->azimuth),
            station: $station?->station,
            region: $station?->region,
            axisOffset: $station?->offset,
            element: $station?->element,
            part: (string) $station?->part,
            surface: $lay->surfaceId === null || ($lay->alignmentId !== null && $lay->heights !== CivilHeights::Surface) ? '' : CivilAims::surfaceName($lay->surfaceId),
            toNorth: $toNorth,
            toEast: $toEast,
            axisAzimuth: $on === null ? $station?->azimuth : null,
        );
    }

    /** What is designed at another place close by: a mark that was mended lies centimetres from where it was. */
    public function designedAt(Position $design, Position $found): Position
    {
        if ($this->kind === AimKind::Elevation) {
            return $found->at($design->elevation);
        }
        if ($this->toNorth !== null && $this->toEast !== null) {
            return DesignSlope::at($design, $this->toNorth, $this->toEast, $found);
        }
        if ($this->kind->isOfModel()) {
            return $this->part($design)?->designedAt($found)->place ?? $design;
        }
        $tangent = $this->tangent($design);
        if ($tangent === null) {
            return $this->kind->isCivil() ? $found->at($design->elevation) : $design;
        }
        $on = $tangent->along($found);

        return $tangent->at($on)->at($design->elevation === null ? null : $design->elevation + $on * ($this->grade ?? 0.0));
    }

    /** The same said of a mark that was mended. */
    public function moved(?Position $design, Position $found): self
    {
        if ($design !== null && $this->kind->isOfModel()) {
            return new self(...['before' => $this->part($design)?->designedAt($found)->face?->before] + get_object_vars($this));
        }
        $tangent = $design === null ? null : $this->tangent($design);
        if ($tangent === null && $design !== null) {
            return $this->movedBeside($design, $found);
        }
        if ($tangent === null || $this->along === null || $this->toEnd === null) {
            return $this;
        }
        $on = $tangent->along($found);

        return new self(...[
            'along' => $this->along + $on, 'toEnd' => $this->toEnd - $on, 'offset' => $tangent->right($found),
            // Counted as it is counted there.
            'station' => $this->station === null ? null : $this->station + $on,
            'axisOffset' => $this->axisOffset === null ? null : $this->parallel + $tangent->right($found),
        ] + get_object_vars($this));
    }

    /** The same of a grade: wherever one stands beside the axis. */
    private function movedBeside(Position $design, Position $found): self
    {
        if ($this->along === null || $this->axisAzimuth === null) {
            return $this;
        }
        $axis = new Line($design->at(null), $this->axisAzimuth);
        [$on, $right] = [$axis->along($found), $axis->right($found)];

        return new self(...[
            'along' => $this->along + $on, 'offset' => $this->offset === null ? null : $this->offset + $right,
            'station' => $this->station === null ? null : $this->station + $on, 'axisOffset' => $this->axisOffset === null ? null : $this->axisOffset + $right,
        ] + get_object_vars($this));
    }

    /** The face, or the axis, that a place of lies at the design. */
    private function part(Position $design): ?Aim
    {
        if (count($this->way) !== 3 || $design->elevation === null) {
            return null;
        }
        [$x, $y, $z] = $this->way;
        $at = [$design->easting, $design->northing, $design->elevation];

        return $this->kind === AimKind::Face ? new FaceAim($design, [$x, $y, $z]) : new AxisAim($at, [$at[0] + $x, $at[1] + $y, $at[2] + $z]);
    }

    /** The line where it was staked; null where what was staked is no line. */
    private function tangent(Position $design): ?Line
    {
        return ($this->kind === AimKind::Line || $this->kind === AimKind::Alignment) && $this->azimuth !== null ? new Line($design->at(null), $this->azimuth) : null;
    }
}
