<?php

declare(strict_types=1);

namespace App\Civil\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** An as-built surface that grows: the shots from when it was named until it is left. */
final class SurfaceBuild extends Model
{
    protected $table = 'surface_builds';

    public $timestamps = false;

    protected $attributes = ['against_id' => null, 'raised' => 0.0, 'left_at' => null, 'surface_id' => null];

    protected $casts = ['raised' => 'float', 'against_id' => 'integer', 'surface_id' => 'integer'];

    public static function open(int $project): ?self
    {
        return self::query()->where('project_id', $project)->whereNull('left_at')->first();
    }

    /** Takes a shot that was stored; called in the transaction that stores it. */
    public static function take(int $project, int $mark): void
    {
        $open = self::open($project);
        if ($open !== null) {
            DB::table('build_shots')->insertOrIgnore(['build_id' => $open->id, 'mark_id' => $mark]);
        }
    }

    /**
     * Its shots as they stand now, mended ones in their new place.
     *
     * @return list<Position>
     */
    public function places(): array
    {
        $rows = DB::select(
            'SELECT m.northing, m.easting, m.elevation FROM build_shots s JOIN marks o ON o.id = s.mark_id
            JOIN standing_marks m ON m.id = o.id OR m.mends = o.id WHERE s.build_id = ? AND m.elevation IS NOT NULL ORDER BY s.id',
            [$this->id],
        );

        return array_map(static fn (\stdClass $r) => new Position((float) $r->northing, (float) $r->easting, (float) $r->elevation), $rows);
    }

    public function shots(): int
    {
        return DB::table('build_shots')->where('build_id', $this->id)->count();
    }
}
