<?php

declare(strict_types=1);

namespace App\Civil\Models;

use App\Database\Bytes;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Surfaces\GrowingMesh;
use Parlay\Core\Civil\Surfaces\NoSurface;
use Parlay\Core\Geometry\Position;

/** An as-built surface that grows: the shots from when it was named until it is left. */
final class SurfaceBuild extends Model
{
    protected $table = 'surface_builds';

    public $timestamps = false;

    /** All but its triangulation, which is read for itself. */
    private const LISTED = ['id', 'project_id', 'key', 'name', 'against_id', 'raised', 'begun_at', 'left_at', 'surface_id'];

    protected $attributes = ['against_id' => null, 'raised' => 0.0, 'left_at' => null, 'surface_id' => null];

    protected $casts = ['raised' => 'float', 'against_id' => 'integer', 'surface_id' => 'integer'];

    public static function open(int $project): ?self
    {
        return self::query()->where('project_id', $project)->whereNull('left_at')->first(self::LISTED);
    }

    /** Takes a shot that was stored; called in the transaction that stores it. */
    public static function take(int $project, int $mark, Position $at): void
    {
        $open = self::open($project);
        if ($open !== null) {
            $isNew = DB::table('build_shots')->insertOrIgnore(['build_id' => $open->id, 'mark_id' => $mark, 'off' => $open->offOf($at)]) > 0;
            if ($isNew && $at->elevation !== null) {
                $open->grow($at);
            }
        }
    }

    /** Adds a shot to the triangulation; begins it with the third. */
    private function grow(Position $at): void
    {
        $bytes = self::grown($this->id);
        try {
            if ($bytes === '') {
                $places = array_column($this->shotsMade(), 0);
                $mesh = GrowingMesh::of(
                    array_map(static fn (Position $p) => $p->northing, $places), array_map(static fn (Position $p) => $p->easting, $places),
                );
            } else {
                $mesh = GrowingMesh::unpacked($bytes);
                $mesh->add($at->northing, $at->easting);
            }
            $stream = Bytes::stream($mesh->packed());
        } catch (NoSurface) {
            // Fewer than three, or all in one line: the next may change that.
            $stream = null;
        }
        DB::table('surface_builds')->where('id', $this->id)->update(['grown' => $stream]);
    }

    private static function grown(int $id): string
    {
        return (string) DB::table('surface_builds')->where('id', $id)->value('grown');
    }

    /**
     * Its triangles, as they have grown; made anew where a shot was mended and lies elsewhere.
     *
     * @param  list<Position>  $places  of all its shots
     * @return list<int> three places to each, from 0; none before the third shot
     */
    public function triangles(array $places): array
    {
        $bytes = $this->isMended() ? '' : self::grown($this->id);
        if ($bytes !== '') {
            [$count, $corners] = GrowingMesh::trianglesOf($bytes);
            if ($count === count($places)) {
                return $corners;
            }
        }
        try {
            return GrowingMesh::of(
                array_map(static fn (Position $p) => $p->northing, $places), array_map(static fn (Position $p) => $p->easting, $places),
            )->corners();
        } catch (NoSurface) {
            return [];
        }
    }

    private function isMended(): bool
    {
        return DB::table('build_shots')->join('marks', 'marks.mends', '=', 'build_shots.mark_id')->where('build_id', $this->id)->exists();
    }

    /** Metres above its design; null where it has none. */
    private function offOf(Position $at): ?float
    {
        $design = $this->against_id === null ? null : CivilSurface::packedOf($this->against_id, (string) DB::scalar('SELECT head FROM surfaces WHERE id = ?', [$this->against_id]));
        $on = $design?->at($at->northing, $at->easting);

        return $on === null || $at->elevation === null ? null : round($at->elevation - $on->elevation - $this->raised, 6);
    }

    /**
     * Its shots as they stand now, mended ones in their new place.
     *
     * @return list<array{Position, float|null}> each with how far above the design it is
     */
    public function shotsMade(): array
    {
        // Hardly ever is one of them mended: then each is looked for by itself.
        $rows = DB::select(! $this->isMended()
            ? 'SELECT m.northing, m.easting, m.elevation, s.off, 0 AS mended FROM build_shots s JOIN marks m ON m.id = s.mark_id WHERE s.build_id = ? AND m.elevation IS NOT NULL ORDER BY s.id'
            : 'SELECT m.northing, m.easting, m.elevation, s.off, m.id <> s.mark_id AS mended FROM build_shots s
            JOIN standing_marks m ON m.id = coalesce((SELECT max(n.id) FROM marks n WHERE n.mends = s.mark_id), s.mark_id)
            WHERE s.build_id = ? AND m.elevation IS NOT NULL ORDER BY s.id',
            [$this->id],
        );

        return array_map(function (\stdClass $r): array {
            $at = new Position((float) $r->northing, (float) $r->easting, (float) $r->elevation);

            return [$at, (bool) $r->mended ? $this->offOf($at) : ($r->off === null ? null : (float) $r->off)];
        }, $rows);
    }

    /** @return list<int> numbers of the marks that it was made of */
    public function markIds(): array
    {
        return array_values(array_map(intval(...), DB::table('build_shots')->where('build_id', $this->id)->orderBy('id')->pluck('mark_id')->all()));
    }

    public function shots(): int
    {
        return DB::table('build_shots')->where('build_id', $this->id)->count();
    }
}
