<?php

declare(strict_types=1);

namespace App\Mending\Actions;

use App\Clock;
use App\Instrument\Models\Correction;
use App\Instrument\Models\Observation;
use App\Mending\CorrectedReading;
use App\Projects\Models\Project;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Instrument\Target;

/** Says what a target really was. The reading stays; what hangs on it is proposed anew. */
final class MendReading
{
    /** @return int how many readings were mended */
    public function __invoke(Project $project, CorrectedReading $body): int
    {
        new Target($body->targetHeight, $body->prismConstant);
        if (trim($body->note) === '' || mb_strlen($body->note) > 500) {
            throw new \DomainException('Write in a few words why it was another: it stays in the field book.');
        }

        return DB::transaction(static function () use ($project, $body): int {
            $one = Observation::of($project)->findOrFail($body->observationId);
            $all = $body->alike ? self::alike($project, $one) : [$one];
            foreach ($all as $o) {
                Correction::query()->create([
                    'project_id' => $project->id, 'observation_id' => $o->id, 'at' => Clock::stamp(),
                    'target_height' => $body->targetHeight, 'prism_constant' => $body->prismConstant, 'note' => trim($body->note),
                ]);
            }
            $project->changed();

            return count($all);
        });
    }

    /** @return list<Observation> with the same target under the same setup, or in the same run of readings for one */
    private static function alike(Project $project, Observation $one): array
    {
        $target = $one->target();
        $query = Observation::of($project)->where('setup_id', $one->setup_id);
        if ($one->setup_id === null) {
            // Readings for a setup carry none themselves: those since the setup before it, up to the next.
            $query->where('id', '>', (int) Observation::of($project)->whereNotNull('setup_id')->where('id', '<', $one->id)->max('id'));
            $next = Observation::of($project)->whereNotNull('setup_id')->where('id', '>', $one->id)->min('id');
            $query->when($next !== null, static fn ($q) => $q->where('id', '<', (int) $next));
        }

        return array_values($query->get()->filter(static fn (Observation $o) => abs($o->target()->height - $target->height) < 1e-9
            && abs($o->target()->prismConstant - $target->prismConstant) < 1e-9)->all());
    }
}
