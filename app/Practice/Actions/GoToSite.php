<?php

declare(strict_types=1);

namespace App\Practice\Actions;

use App\Instrument\LiveState;
use App\Practice\PracticeWorld;
use App\Projects\Models\Project;
use Parlay\Simulator\StandIn;

/** Whoever opens a project that was practised on finds its stand-in where it was left; a real instrument goes nowhere by itself. */
final class GoToSite
{
    public function __construct(private readonly PracticeWorld $world) {}

    public function __invoke(Project $project): void
    {
        if ((LiveState::read()->status['model'] ?? '') === StandIn::MODEL) {
            $this->world->goTo($project);
        }
    }
}
