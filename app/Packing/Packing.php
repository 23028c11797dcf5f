<?php

declare(strict_types=1);

namespace App\Packing;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What a packed project is: a zip of one file of rows for each table, the original files, and a list of it all with checksums. */
final class Packing
{
    public const FORMAT = 'parlay project';

    public const VERSION = 1;

    public const MANIFEST = 'manifest.json';

    /**
     * Tables in the order in which their rows can be made again, each with the columns that name rows of other tables. Undo steps, the
     * setup being made and tasks stay behind: they speak of rows by their number.
     */
    public const TABLES = [
        'control_points' => ['project_id' => 'projects'], // and setup_id, which comes later
        'designs' => ['project_id' => 'projects', 'revises_id' => 'designs'],
        'design_layers' => ['design_id' => 'designs'],
        'alignments' => ['project_id' => 'projects', 'design_id' => 'designs'],
        'surfaces' => ['project_id' => 'projects', 'design_id' => 'designs'],
        'surface_tiles' => ['surface_id' => 'surfaces'],
        'phases' => ['project_id' => 'projects', 'design_id' => 'designs', 'surface_id' => 'surfaces'],
        'phase_members' => ['phase_id' => 'phases', 'design_id' => 'designs', 'alignment_id' => 'alignments', 'surface_id' => 'surfaces'],
        'letterheads' => ['project_id' => 'projects'],
        'table_layouts' => ['project_id' => 'projects'],
        'grid_lines' => ['project_id' => 'projects'],
        'codes' => ['project_id' => 'projects'],
        'stakeout_points' => ['project_id' => 'projects'],
        'worklists' => ['project_id' => 'projects'],
        'instruments' => ['project_id' => 'projects'],
        'targets' => ['project_id' => 'projects'],
        'setups' => ['project_id' => 'projects', 'stands_for' => 'setups', 'base_id' => 'setups'],
        'observations' => ['project_id' => 'projects', 'setup_id' => 'setups'],
        'corrections' => ['project_id' => 'projects', 'observation_id' => 'observations'],
        'marks' => [
            'project_id' => 'projects', 'setup_id' => 'setups', 'observation_id' => 'observations', 'point_id' => 'stakeout_points',
            'control_id' => 'control_points', 'mends' => 'marks',
        ],
        'strikes' => ['project_id' => 'projects', 'mark_id' => 'marks'],
        'photographs' => ['project_id' => 'projects', 'observation_id' => 'observations'],
        'report_issues' => ['project_id' => 'projects'], // and the task that printed it, which is made anew
    ];

    /** Rows of a table that are a project's, or that are of something of it. */
    public static function rowsOf(string $table, int $project): Builder
    {
        $owner = (string) array_key_first(self::TABLES[$table]);
        $of = self::TABLES[$table][$owner];

        return DB::table($table)->whereIn($owner, $of === 'projects' ? [$project] : DB::table($of)->where('project_id', $project)->select('id'));
    }

    /** Tables that projects packed by earlier versions don't have. */
    public const LATER = ['alignments', 'surfaces', 'surface_tiles', 'phases', 'phase_members', 'letterheads', 'table_layouts', 'grid_lines', 'codes', 'worklists', 'instruments', 'targets', 'corrections', 'strikes', 'photographs', 'report_issues'];

    /** Where the printed file of an issued report lies in it. */
    public static function sheet(int $number): string
    {
        return "issues/$number.pdf";
    }

    /** Columns of bytes, written in base64. */
    public const BYTES = ['head', 'bytes', 'records', 'added', 'gone', 'moved', 'successors', 'logo', 'figures'];
}
