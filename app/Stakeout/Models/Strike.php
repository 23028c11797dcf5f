<?php

declare(strict_types=1);

namespace App\Stakeout\Models;

use App\Projects\Models\OfProject;
use App\Projects\Models\Project;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/** That a mark was struck, or that its strike was taken back. Never changes; the database refuses. */
final class Strike extends Model
{
    use OfProject;

    public $timestamps = false;

    protected $attributes = ['by' => ''];

    protected $casts = ['struck' => 'boolean', 'mark_id' => 'integer'];

    /** @return array<int, true> marks that are struck now, as keys */
    public static function struckIn(Project $project): array
    {
        $latest = DB::table('strikes')->where('project_id', $project->id)->selectRaw('max(id)')->groupBy('mark_id');

        return array_fill_keys(self::query()->whereIn('id', $latest)->where('struck', true)->pluck('mark_id')->all(), true);
    }
}
