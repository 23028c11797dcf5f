<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Buildings\PartLay;
use App\Civil\CivilAims;
use App\Civil\CivilLay;
use App\Database\Bytes;
use App\Stakeout\AimKind;
use App\Stakeout\LineLay;
use App\Typed\Values;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
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

    /** @var array<int, PackedPolyline> its line as it is staked (0) and as it was touched (1), where they were read with those of others */
    private array $known = [];

    /** What the database sets where nothing is said. */
    protected $attributes = [
        'judged' => '', 'series' => '', 'code' => '', 'source' => '', 'line_id' => null, 'northing' => null, 'easting' => null,
        'elevation' => null, 'lay' => null, 'version' => 1, 'put_away' => false,
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

    /** The parallel that is staked now. */
    public function line(): PackedPolyline
    {
        return $this->kept(false);
    }

    /** The line as it was touched. */
    public function touchedLine(): PackedPolyline
    {
        return $this->kept(true);
    }

    /**
     * The lines of many, read at once.
     *
     * @param  iterable<self>  $aims
     */
    public static function readLines(iterable $aims): void
    {
        $of = [];
        foreach ($aims as $aim) {
            if ($aim->kind === AimKind::Line) {
                $of[$aim->id] = $aim;
            }
        }
        $rows = DB::table('aim_lines')->whereIn('aim_id', array_keys($of))->get(['id', 'aim_id', 'touched', 'head'])->keyBy('id');
        $blocks = [];
        foreach (DB::table('aim_blocks')->whereIn('line_id', $rows->keys())->get(['line_id', 'place', 'bytes']) as $block) {
            $blocks[(int) $block->line_id][(int) $block->place] = (string) $block->bytes;
        }
        foreach ($rows as $id => $row) {
            $own = $blocks[$id] ?? [];
            $of[$row->aim_id]->known[(int) $row->touched] = PackedPolyline::kept((string) $row->head, static fn (int $place): string => $own[$place] ?? '');
        }
    }

    private function kept(bool $touched): PackedPolyline
    {
        if (isset($this->known[(int) $touched])) {
            return $this->known[(int) $touched];
        }
        $row = DB::table('aim_lines')->where('aim_id', $this->id)->where('touched', $touched)->first(['id', 'head'])
            ?? throw new \LogicException('A line has pieces.');

        return self::lineOf((int) $row->id, (string) $row->head);
    }

    /** A line of which only the blocks that are asked for are read. */
    public static function lineOf(int $id, string $head): PackedPolyline
    {
        return PackedPolyline::kept($head, static fn (int $place): string => (string) DB::scalar(
            'SELECT bytes FROM aim_blocks WHERE line_id = ? AND place = ?', [$id, $place],
        ));
    }

    /** Keeps the pieces of the line, as it was touched or of the parallel that is staked, in place of those it had. */
    public function keepLine(PackedPolyline $line, bool $touched): void
    {
        unset($this->known[(int) $touched]);
        $id = DB::table('aim_lines')->where('aim_id', $this->id)->where('touched', $touched)->value('id');
        DB::table('aim_blocks')->where('line_id', $id)->delete();
        DB::table('aim_lines')->where('id', $id)->delete();
        $head = Bytes::stream($line->head);
        $id = DB::table('aim_lines')->insertGetId(['aim_id' => $this->id, 'touched' => $touched, 'head' => $head]);
        fclose($head);
        foreach ($line->blocksToKeep() as $place => $block) {
            $bytes = Bytes::stream($block);
            DB::table('aim_blocks')->insert(['line_id' => $id, 'place' => $place, 'bytes' => $bytes]);
            fclose($bytes);
        }
    }

    public function partLay(): PartLay
    {
        return PartLay::kept($this->lay);
    }

    public function civilLay(): CivilLay
    {
        return CivilAims::lay($this->lay);
    }

    public function aim(): Aim
    {
        return self::aimOf($this->kind, $this->place(), $this->elevation, $this->kind === AimKind::Line ? $this->line() : null, $this->lay);
    }

    /** Of the columns of a row, for those who ask without a model, many times a second. */
    public static function aimOf(AimKind $kind, ?Position $place, ?float $elevation, ?PackedPolyline $line, ?string $lay): Aim
    {
        if ($kind === AimKind::Elevation) {
            return new ElevationAim((float) $elevation);
        }
        if ($kind->isOfModel()) {
            return PartLay::kept($lay)->aim($place);
        }
        if ($kind->isCivil()) {
            return CivilAims::of(CivilAims::lay($lay));
        }
        if ($kind === AimKind::Line) {
            $how = self::layOf($lay);

            return new LineAim($line ?? throw new \LogicException('A line has pieces.'), $how->heights, $how->elevation, $how->current()->verticalOffset);
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
