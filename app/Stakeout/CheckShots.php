<?php

declare(strict_types=1);

namespace App\Stakeout;

use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Database\BookTime;
use App\Instrument\LiveState;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use App\Stakeout\Models\Mark;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Setups\CheckDue;
use Parlay\Core\Setups\CheckShot;
use Parlay\Core\Setups\SightResidual;

/** The check shots on the setup that holds, and whether it still does. */
final class CheckShots
{
    public static function of(Project $project): CheckShotsTaken
    {
        $setup = Setup::current($project)->first();
        if ($setup === null) {
            return new CheckShotsTaken([], null, 'Nothing is set up yet.', null, null);
        }
        $control = ControlPoint::of($project)->orderBy('id')->get();
        $checks = self::judged($project, $setup);
        $last = end($checks) ?: null;
        $verdict = match (true) {
            $last === null => 'Not checked yet.',
            $last->shot->holds => sprintf(
                'The setup holds: the last of %d %s differs no more than is to be expected.', count($checks),
                count($checks) === 1 ? 'check' : 'checks',
            ),
            default => 'The setup no longer holds: the last check differs by more than 1 of 100 good ones do. Look at the tripod, '
                .'check another point, and set up anew or turn again before going on. What was measured since the last good check is '
                    .'in doubt.',
        };

        return new CheckShotsTaken(
            $checks, $last?->shot->holds, $verdict, self::due($project, $last), self::offered($setup, $control, $last),
        );
    }

    /** A check that fits proves a setup that came in with a packed project: from then on it holds here. */
    public static function prove(Project $project, Mark $check): void
    {
        $setup = Setup::query()->findOrFail($check->setup_id);
        if (! $setup->isUnproven()) {
            return;
        }
        foreach (self::judged($project, $setup) as $taken) {
            if ($taken->markId === $check->id && $taken->shot->holds) {
                $setup->stands();
            }
        }
    }

    /** @return list<CheckShotTaken> in the order taken */
    private static function judged(Project $project, Setup $setup): array
    {
        $marks = Mark::of($project)->where('kind', 'check')->where('setup_id', $setup->id)->with('observation')->orderBy('id')->get();
        // By its number: a name may be another's by now. Checks of the earliest versions knew the name alone.
        $control = ControlPoint::of($project)->whereIn('id', $marks->pluck('control_id')->filter())->get()->keyBy('id');
        $named = ControlPoint::of($project)->whereIn('name', $marks->whereNull('control_id')->pluck('name'))->get()->keyBy('name');

        return $marks->map(static function (Mark $m) use ($setup, $control, $named): CheckShotTaken {
            $known = $m->design() ?? throw new \LogicException('A check has what it was checked against.');
            $c = $m->control_id === null ? $named->get($m->name) : $control->get($m->control_id);
            $observation = $m->observation ?? throw new \LogicException('A mark has its reading.');
            $judged = CheckShot::judge(
                $setup->station(), $setup->precision(), $observation->sight(), $known, $observation->ownAccuracy(),
                $c?->planError() ?? 0.0, $c?->heightError() ?? 0.0,
            );

            return new CheckShotTaken($m->id, $m->at, $m->name, $judged);
        })->values()->all();
    }

    /**
     * Never the one that is stood on.
     *
     * @param  Collection<int, ControlPoint>  $control
     */
    private static function offered(Setup $setup, Collection $control, ?CheckShotTaken $last): ?int
    {
        $used = array_column(array_filter($setup->found()->residuals, static fn (SightResidual $r) => $r->isUsed()), 'name');
        $rank = static fn (ControlPoint $c): int => CheckDue::rank(
            $c->origin === ControlOrigin::Station, in_array($c->name, $used, true), $c->name === $last?->name,
        );

        return $control->where('name', '!=', $setup->station_name)->sortBy($rank)->first()?->id;
    }

    private static function due(Project $project, ?CheckShotTaken $last): ?string
    {
        $lost = LiveState::read()->levelLostAt;
        $offLevel = $last !== null && $lost !== null && BookTime::of((int) Mark::query()->whereKey($last->markId)->value('seq'))->isBefore($lost);
        $idle = BookTime::of((int) DB::table('field_book')->where('project_id', $project->id)->max('seq'))->age();

        return match (CheckDue::when($last !== null, $offLevel, $idle)) {
            CheckDue::NotChecked => 'Take a check before the first mark: hold the pole on a control point, best one that the setup did not use.',
            CheckDue::OffLevel => 'The instrument was off level since the last check: check again before going on.',
            CheckDue::Idle => sprintf('Nothing was measured for %d minutes: check before going on, and before leaving.', (int) ($idle / 60)),
            null => null,
        };
    }
}
