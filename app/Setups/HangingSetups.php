<?php

declare(strict_types=1);

namespace App\Setups;

use App\Projects\Hanging;
use App\Projects\HangsOnRows;
use App\Projects\Models\Project;
use App\Setups\Actions\SetupDrafts;
use Illuminate\Support\Facades\DB;

/** Setups computed from control, with an instrument and a target; the one being made, too. */
final class HangingSetups implements HangsOnRows
{
    public function on(Project $project, array $rows): array
    {
        // By what a setup calls them.
        $rows = array_filter([
            'controlId' => $rows['control_points'] ?? [], 'instrumentId' => $rows['instruments'] ?? [], 'targetId' => $rows['targets'] ?? [],
        ]);
        if ($rows === []) {
            return [];
        }
        $setups = [];
        foreach (DB::table('setups')->where('project_id', $project->id)
            ->orderBy('id')
            ->get(['id', 'number', 'station_name', 'sights', 'draft']) as $setup) {
            $content = (array) json_decode((string) $setup->draft, true);
            if (self::rests(['sights' => (array) json_decode($setup->sights, true)] + $content, $rows)) {
                $setups[] = "setup {$setup->number} at {$setup->station_name}";
            }
        }
        $draft = json_decode((string) json_encode(SetupDrafts::of($project)), true);

        return [...Hanging::told('setup', $setups, 'computed from it'), ...(self::rests($draft, $rows) ? ['the setup being made'] : [])];
    }

    /**
     * @param  array<string, mixed>  $setup  as it was accepted, or is being made
     * @param  array<string, array<int, string>>  $rows
     */
    private static function rests(array $setup, array $rows): bool
    {
        $named = [
            'controlId' => [...array_column($setup['sights'] ?? [], 'controlId'), $setup['stationControlId'] ?? null],
            'instrumentId' => [$setup['instrumentId'] ?? null], 'targetId' => [$setup['targetId'] ?? null],
        ];
        foreach ($rows as $kind => $ids) {
            foreach ($named[$kind] as $id) {
                if ($id !== null && isset($ids[(int) $id])) {
                    return true;
                }
            }
        }

        return false;
    }
}
