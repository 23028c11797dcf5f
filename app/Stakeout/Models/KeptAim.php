<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Stakeout\AimKind;
use App\Stakeout\LineLay;
use App\Typed\Values;
use Illuminate\Database\Eloquent\Model;
use Parlay\Core\Geometry\PackedPolyline;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Aims\Aim;
use Parlay\Core\Stakeout\Aims\ElevationAim;
use Parlay\Core\Stakeout\Aims\LineAim;
use Parlay\Core\Stakeout\Aims\PlaceAim;

/** Something that was chosen in the field to be staked. */
final class KeptAim extends Model
{
    protected $table = 'aims';

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'judged' => '', 'series' => '', 'code' => '', 'source' => '', 'line_id' => null, 'northing' => null, 'easting' => null,
        'elevation' => null, 'lay' => null, 'touched_legs' => null, 'legs' => null, 'version' => 1, 'put_away' => false,
    ];

    protected $casts = [
        'kind' => AimKind::class, 'given' => 'array', 'northing' => 'float', 'easting' => 'float', 'elevation' => 'float',
        'put_away' => 'boolean', 'version' => 'integer', 'prepared' => 'integer', 'line_id' => 'integer',
    ];

    /** Where it is; of a line, where it was touched. */
    public function place(): ?Position
    {
        return self::placeOf($this->northing, $this->easting, $this->elevation);
    }

    public function lay(): LineLay
    {
        return self::layOf($this->lay);
    }

    public function aim(): Aim
    {
        return self::aimOf($this->kind, $this->place(), $this->elevation, $this->legs, $this->lay);
    }

    /** Of the columns of a row, for those who ask without a model, many times a second. */
    public static function aimOf(AimKind $kind, ?Position $place, ?float $elevation, ?string $legs, ?string $lay): Aim
    {
        if ($kind === AimKind::Elevation) {
            return new ElevationAim((float) $elevation);
        }
        if ($kind === AimKind::Line) {
            $how = self::layOf($lay);

            return new LineAim(PackedPolyline::restored((string) $legs), $how->heights, $how->elevation, $how->current()->raised);
        }

        return new PlaceAim($place ?? throw new \LogicException('A place has coordinates.'));
    }

    private static function layOf(?string $lay): LineLay
    {
        return $lay === null ? new LineLay : Values::of((array) json_decode($lay, true), LineLay::class);
    }

    private static function placeOf(?float $northing, ?float $easting, ?float $elevation): ?Position
    {
        return $northing === null || $easting === null ? null : new Position($northing, $easting, $elevation);
    }
}
