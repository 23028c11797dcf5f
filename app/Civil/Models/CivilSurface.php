<?php

declare(strict_types=1);

namespace App\Civil\Models;

use App\Civil\SurfaceKind;
use App\Database\Bytes;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Civil\Surfaces\PackedSurface;
use Parlay\Core\Civil\Surfaces\Surface;

/** A surface of the project; its triangles lie in tiles beside it. */
final class CivilSurface extends Model
{
    protected $table = 'surfaces';

    public $timestamps = false;

    /** All but the head of its tiles. */
    public const LISTED = [
        'id', 'project_id', 'design_id', 'name', 'description', 'source', 'kind', 'visible', 'version', 'taken_at', 'removed_at', 'tolerance', 'triangles',
        'points', 'west', 'south', 'east', 'north', 'lowest', 'highest', 'remarks', 'given',
    ];

    protected $attributes = ['visible' => true, 'version' => 1, 'description' => '', 'source' => '', 'design_id' => null, 'given' => null, 'tolerance' => null];

    protected $casts = [
        'tolerance' => 'float', 'kind' => SurfaceKind::class, 'visible' => 'boolean', 'version' => 'integer', 'remarks' => 'array', 'given' => 'array',
        'design_id' => 'integer', 'west' => 'float', 'south' => 'float', 'east' => 'float', 'north' => 'float', 'lowest' => 'float',
        'highest' => 'float',
    ];

    public static function inProject(Project $project, int $id): self
    {
        return self::query()->where('project_id', $project->id)->whereNull('removed_at')->findOrFail($id, self::LISTED);
    }

    public function packed(): PackedSurface
    {
        return self::packedOf($this->id, (string) DB::table('surfaces')->where('id', $this->id)->value('head'));
    }

    /** A surface of which only the tiles that are asked for are read. */
    public static function packedOf(int $id, string $head): PackedSurface
    {
        return PackedSurface::kept($head, static fn (int $place): string => (string) DB::scalar(
            'SELECT bytes FROM surface_tiles WHERE surface_id = ? AND place = ?', [$id, $place],
        ));
    }

    /** The whole of it. */
    public function surface(): Surface
    {
        return $this->packed()->surface();
    }

    /**
     * @param  array<string, mixed>  $columns
     *
     * Stored as removed, until whoever takes it says that it counts.
     */
    public static function keep(Project $project, Surface $surface, array $columns): self
    {
        $packed = PackedSurface::of($surface);
        $b = $packed->bounds;
        $head = Bytes::stream($packed->head);
        $id = DB::table('surfaces')->insertGetId(self::encoded($columns) + [
            'project_id' => $project->id, 'triangles' => $packed->count, 'points' => $packed->points, 'west' => $b['west'],
            'south' => $b['south'], 'east' => $b['east'], 'north' => $b['north'], 'lowest' => $b['lowest'], 'highest' => $b['highest'],
            'head' => $head,
        ]);
        fclose($head);
        self::keepTiles($id, $packed);

        return self::query()->findOrFail($id, self::LISTED);
    }

    /**
     * Other triangles in place of those it had.
     *
     * @param  array<string, mixed>  $columns
     */
    public function keepAnew(Surface $surface, array $columns): void
    {
        $packed = PackedSurface::of($surface);
        $b = $packed->bounds;
        $head = Bytes::stream($packed->head);
        DB::table('surface_tiles')->where('surface_id', $this->id)->delete();
        DB::table('surfaces')->where('id', $this->id)->update(self::encoded($columns) + [
            'triangles' => $packed->count, 'points' => $packed->points, 'west' => $b['west'], 'south' => $b['south'], 'east' => $b['east'],
            'north' => $b['north'], 'lowest' => $b['lowest'], 'highest' => $b['highest'], 'head' => $head,
        ]);
        fclose($head);
        self::keepTiles($this->id, $packed);
    }

    /**
     * @param  array<string, mixed>  $columns
     * @return array<string, mixed>
     */
    private static function encoded(array $columns): array
    {
        return array_map(static fn (mixed $v): mixed => is_array($v) ? json_encode($v, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE) : $v, $columns);
    }

    private static function keepTiles(int $id, PackedSurface $packed): void
    {
        $insert = DB::connection()->getPdo()->prepare('INSERT INTO surface_tiles (surface_id, place, bytes) VALUES (?, ?, ?)');
        $place = 0;
        foreach ($packed->tilesToKeep() as $tile) {
            $insert->bindValue(1, $id, \PDO::PARAM_INT);
            $insert->bindValue(2, $place++, \PDO::PARAM_INT);
            $insert->bindValue(3, $tile, \PDO::PARAM_LOB);
            $insert->execute();
        }
    }
}
