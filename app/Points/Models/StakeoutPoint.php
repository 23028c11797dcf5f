<?php

declare(strict_types=1);

namespace App\Points\Models;

use App\Projects\Models\OfProject;
use App\Projects\Models\Placed;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Stakeout\PointState;
use Parlay\Core\Stakeout\Verdict;

/** A point to be staked, with where it came from. */
final class StakeoutPoint extends Model
{
    use OfProject;
    use Placed;

    public $timestamps = false;

    /** What the database sets where nothing is said. */
    protected $attributes = ['attributes' => null, 'label_north' => null, 'label_east' => null];

    protected $casts = [
        'northing' => 'float', 'easting' => 'float', 'elevation' => 'float', 'recipe' => 'array', 'label_north' => 'float',
        'label_east' => 'float', 'attributes' => 'array',
    ];

    /** A PointState, in SQL, by core's rule for each verdict: the last mark decides. */
    public static function state(): string
    {
        $cases = '';
        foreach (Verdict::cases() as $verdict) {
            foreach ([false, true] as $leftSo) {
                $cases .= sprintf(" WHEN '%s %d' THEN '%s'", $verdict->value, $leftSo, PointState::after($verdict, $leftSo)->value);
            }
        }

        return "coalesce((SELECT CASE m.verdict || ' ' || m.left_so$cases ELSE '".PointState::Done->value."' END FROM standing_marks m WHERE m.project_id = stakeout_points.project_id "
            ."AND m.kind = 'stake' AND m.point_id = stakeout_points.id ORDER BY m.id DESC LIMIT 1), '".PointState::Open->value."')";
    }

    /** @return array<int, int> how many marks were set for each point, by its id; points without any are left out */
    public static function stakes(Project $project): array
    {
        return DB::table('standing_marks')->where('project_id', $project->id)->where('kind', 'stake')->whereNotNull('point_id')
            ->selectRaw('point_id, count(*) AS n')->groupBy('point_id')->pluck('n', 'point_id')->all();
    }

    /**
     * Those that no mark was set for, or whose last one is out of tolerance and was not left so on purpose.
     *
     * @param  Builder<self>  $query
     */
    public function scopeOpen(Builder $query): void
    {
        $query->whereRaw(self::state()." <> 'done'");
    }
}
