<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Stakeout\Deviation;

/** The known thing that lies nearest; without a name where nothing is known. */
final readonly class AroundResource
{
    /** what: point or control. pointId: of a point. deviation: of the place asked for from it. */
    public function __construct(
        public string $what,
        public string $name,
        public ?Deviation $deviation,
        public ?int $pointId = null,
    ) {}

    public static function of(Project $project, AroundQuery $at): self
    {
        $row = DB::selectOne(
            "SELECT * FROM (SELECT 'point' AS what, id, name, northing, easting, elevation FROM stakeout_points WHERE project_id = :p
                UNION ALL SELECT 'control', NULL, name, northing, easting, elevation FROM control_points WHERE project_id = :p)
            ORDER BY (northing - :n) * (northing - :n) + (easting - :e) * (easting - :e) LIMIT 1",
            ['p' => $project->id, 'n' => $at->northing, 'e' => $at->easting],
        );
        if ($row === null) {
            return new self('', '', null);
        }
        $known = new Position((float) $row->northing, (float) $row->easting, $row->elevation === null ? null : (float) $row->elevation);

        return new self(
            $row->what, (string) $row->name, Deviation::between($known, new Position($at->northing, $at->easting, $at->elevation)),
            $row->id === null ? null : (int) $row->id,
        );
    }
}
