<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilSurface;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** A surface that has a place, and its height there: another phase of the site may be the one that is meant. */
final readonly class SurfaceHere
{
    private const MOST = 12;

    public function __construct(public int $id, public string $name, public SurfaceKind $kind, public float $elevation) {}

    /** @return list<self> designs first */
    public static function of(int $project, Position $at): array
    {
        $rows = DB::select(
            "SELECT id, name, kind, head FROM surfaces WHERE project_id = ? AND removed_at IS NULL AND south <= ? AND north >= ? AND west <= ? AND east >= ?
            ORDER BY kind <> 'design', id LIMIT ".self::MOST,
            [$project, $at->northing, $at->northing, $at->easting, $at->easting],
        );
        $here = [];
        foreach ($rows as $row) {
            $on = CivilSurface::packedOf((int) $row->id, $row->head)->at($at->northing, $at->easting);
            if ($on !== null) {
                $here[] = new self((int) $row->id, $row->name, SurfaceKind::from($row->kind), $on->elevation);
            }
        }

        return $here;
    }
}
