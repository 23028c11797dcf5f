<?php

declare(strict_types=1);

namespace App\Projects\Actions;

use App\Clock;
use App\Projects\Models\Project;
use App\Projects\ProjectSettings;
use Parlay\Core\Stakeout\DecisionRule;

final class CreateProject
{
    public function __invoke(ProjectSettings $body): Project
    {
        return Project::query()->create(self::columns($body) + ['opened_at' => Clock::stamp(), 'revision' => 0]);
    }

    /** @return array<string, mixed> */
    public static function columns(ProjectSettings $body): array
    {
        $name = trim($body->name);
        if ($name === '' || mb_strlen($name) > 200) {
            throw new \DomainException('A project needs a name of at most 200 characters.');
        }
        if ($body->planTolerance <= 0 || $body->heightTolerance <= 0 || max($body->planTolerance, $body->heightTolerance) > 10) {
            throw new \DomainException('Tolerances must be above 0 and at most 10 m.');
        }

        if ($body->aboveTolerance !== null && ($body->aboveTolerance < 0.0 || $body->aboveTolerance > 10.0)) {
            throw new \DomainException('What may stand above the design lies between 0 and 10 m. Leave it empty where as much is allowed as below.');
        }

        if (($body->plumbOneIn !== null && ! ($body->plumbOneIn >= 10.0 && $body->plumbOneIn <= 100_000.0)) || ($body->flatTolerance !== null && ! ($body->flatTolerance > 0.0 && $body->flatTolerance <= 1.0))) {
            throw new \DomainException('Out of plumb is allowed one in 10 to one in 100 000, and a face is flat within more than 0 and at most 1 m. Leave them empty where they are only told.');
        }

        if ($body->residualLimit !== null && ! ($body->residualLimit > 0.0 && $body->residualLimit <= 1.0)) {
            throw new \DomainException('What is accepted of a setup’s residuals lies above 0 and at 1 m at most. Leave it empty for none.');
        }

        if (! DecisionRule::isLevel($body->acceptanceLevel)) {
            throw new \DomainException('What is asked for by the guarded rule lies between 50 % and 99.9 %, such as 95 %.');
        }

        return [
            'name' => $name,
            'length_style' => $body->units->length,
            'angle_style' => $body->units->angle,
            'direction_style' => $body->units->direction,
            'coordinate_order' => $body->units->order,
            'station_style' => $body->units->station,
            'plan_tolerance' => $body->planTolerance,
            'height_tolerance' => $body->heightTolerance,
            'above_tolerance' => $body->aboveTolerance,
            'plumb_one_in' => $body->plumbOneIn,
            'flat_tolerance' => $body->flatTolerance,
            'residual_limit' => $body->residualLimit,
            'acceptance' => $body->acceptance,
            'acceptance_level' => $body->acceptanceLevel,
        ];
    }
}
