<?php

declare(strict_types=1);

namespace App\Civil;

use App\Civil\Models\CivilAlignment;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;

/** Where a point stands beside an alignment, for its label. */
final readonly class PointBeside
{
    private const MOST = 2000;

    /**
     * @param  float  $offset  metres to the right of the axis, negative left
     * @param  float  $northing  of the foot on the axis
     */
    public function __construct(
        public int $pointId,
        public float $station,
        public int $region,
        public float $offset,
        public float $northing,
        public float $easting,
    ) {}

    /**
     * @param  list<int>  $ids
     * @return list<self>
     */
    public static function of(Project $project, CivilAlignment $row, array $ids): array
    {
        $alignment = $row->alignment();

        return StakeoutPoint::of($project)->whereIn('id', array_slice($ids, 0, self::MOST))->orderBy('id')->get()->map(static function (StakeoutPoint $p) use ($alignment): self {
            $foot = $alignment->foot($p->position());

            return new self(
                $p->id, $alignment->stationing->stationAt($foot->along), $alignment->stationing->regionAt($foot->along), $foot->offset, $foot->place->northing,
                $foot->place->easting,
            );
        })->values()->all();
    }
}
