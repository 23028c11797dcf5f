<?php

declare(strict_types=1);

namespace App\Setups\Actions;

use App\Clock;
use App\Control\ControlOrigin;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\QueuedInstruction;
use App\KeyTaken;
use App\Projects\Models\Project;
use App\Projects\PointName;
use App\Setups\Draft;
use App\Setups\DraftInputs;
use App\Setups\DraftSight;
use App\Setups\MeasuredFrom;
use App\Setups\Models\Setup;
use App\Setups\SetupMethod;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Setups\CannotSetUp;
use Parlay\Core\Setups\ControlSight;
use Parlay\Core\Setups\SetupRecord;
use Parlay\Core\Setups\SetupSolution;
use Parlay\Core\Units\Angle;

/** Writes a setup into the field book with all it was accepted on; from now on everything is measured from it. */
final class AcceptSetup
{
    /** metres; an assumed place is typed, and typed again it is the same */
    private const SAME_PLACE = 1e-6;

    public function __construct(private readonly SolveSetup $solve, private readonly MeasuredFrom $measured) {}

    /** @param  list<int>|null  $seen  readings of the draft that were looked at; null where nobody looks */
    public function __invoke(Project $project, string $key, ?array $seen = null): Setup
    {
        return DB::transaction(function () use ($project, $key, $seen): Setup {
            $stored = Setup::query()->where('project_id', $project->id)->where('key', $key)->first();
            if ($stored !== null) {
                return self::sameWish($stored, $seen);
            }
            if ($seen !== null) {
                self::requireNoneUnderWay($project);
            }
            $in = DraftInputs::of($project, SetupDrafts::of($project));
            self::requireSeen($in, $seen);
            $solution = ($this->solve)($in)->solution();
            if (! $solution->isOriented()) {
                throw CannotSetUp::notOriented();
            }
            $mark = $solution->station->mark;
            $turns = $this->takesThePlaceOf($in, $mark);
            $turns === null && self::requireHeight($in, $mark);
            $setup = Setup::query()->create([
                'project_id' => $project->id, 'key' => $key, 'at' => Clock::stamp(),
                'method' => $in->draft->method->value, 'station_name' => $turns === null ? self::stationName($in) : (string) $in->current?->station_name,
                'northing' => $mark->northing, 'easting' => $mark->easting, 'elevation' => $mark->elevation,
                'orientation' => $solution->station->orientation, 'instrument_height' => $solution->station->instrumentHeight,
                'solution' => SetupRecord::write($solution),
                'sights' => array_map(static fn (DraftSight $s) => self::sight($in, $s), $in->draft->sights),
                'instrument' => $in->instrument->name ?? $in->latest()->instrument ?? '',
                'serial' => $in->latest()->serial ?? '',
                'computed_by' => config()->string('parlay.version'),
                'accuracy' => $in->accuracy()->figures(),
                'draft' => json_decode(json_encode($in->draft, JSON_THROW_ON_ERROR), true),
                'stands_for' => $turns, 'note' => $turns === null ? self::circleWords($in, $solution) : 'turned onto the baseline',
                'base_id' => $in->draft->method->isAgain() ? $in->current?->id : null,
            ]);
            $setup->stands();
            self::keepStation($project, $setup, $solution, $in->draft->method);
            if ($turns !== null && $in->current !== null) {
                $this->measured->carryOver($project, $in->current, $solution, $setup);
            }
            // What it rests on is in the setup now: the next one begins with nothing measured.
            SetupDrafts::keep(
                $project,
                new Draft(...['sights' => [], 'shots' => [], 'stationName' => '', 'place' => 0, 'heightTold' => $in->draft->method->isAgain() && $in->draft->heightTold] + get_object_vars($in->draft)),
            );
            // Its station is control now, too.
            $project->changed();

            return $setup;
        });
    }

    /** @param  list<int>|null  $seen */
    private static function sameWish(Setup $stored, ?array $seen): Setup
    {
        if ($seen !== null && $stored->draft !== null) {
            $rests = DraftInputs::readingsOf(SetupDrafts::read($stored->draft));
            // All that was looked at is more than what it rests on, where some of it came to nothing.
            KeyTaken::unlessSame('setup', ['readings' => []], ['readings' => array_values(array_diff($rests, $seen))]);
        }

        return $stored;
    }

    /** A sight that is being measured belongs to this setup: accepted without it, it would stand in the book alone. */
    private static function requireNoneUnderWay(Project $project): void
    {
        $underWay = QueuedInstruction::query()->where('project_id', $project->id)->whereIn('state', ['queued', 'sent'])->get()
            ->first(static fn (QueuedInstruction $i) => isset($i->purpose['keepIn']));
        if ($underWay !== null) {
            throw new \DomainException('A sight is being measured. Wait until it is in, or cancel it, then accept.');
        }
    }

    /** @param  list<int>|null  $seen */
    private static function requireSeen(DraftInputs $in, ?array $seen): void
    {
        $unseen = $seen === null ? [] : array_diff($in->readings(), $seen);
        if ($unseen !== []) {
            $names = $in->observations->only($unseen)->pluck('sighted')->unique()->implode('”, “');
            throw new \DomainException("A reading to “{$names}” came in meanwhile. Look at what it changes, then accept.");
        }
    }

    /** The mark under the tripod becomes control: with the height of another setup, it and all that hangs on it would lie too high or too low. */
    private static function requireHeight(DraftInputs $in, Position $mark): void
    {
        if ($mark->elevation !== null && $in->draft->isHeightDue()) {
            $last = $in->project->length_style->format($in->draft->instrumentHeight);
            throw new \DomainException("Nobody has told how high the instrument stands: $last is only the height used last. Measure it and type it, or say under “How and with what” that it is so.");
        }
    }

    /** The next name of the series, ST1, ST2 and so on, where a place was found and none was typed. */
    public static function stationName(DraftInputs $in): string
    {
        if ($in->draft->method->isAgain()) {
            return (string) $in->current?->station_name;
        }
        if (! $in->draft->method->findsPlace()) {
            return (string) $in->control->get($in->draft->stationControlId)?->name;
        }
        if (trim($in->draft->stationName) !== '') {
            return PointName::checked($in->draft->stationName);
        }
        $taken = [...$in->control->pluck('name')->all(), ...Setup::of($in->project)->pluck('station_name')->all()];
        $numbers = array_map(
            static fn (string $name) => preg_match('~^ST(\d{1,6})$~', $name, $m) === 1 ? (int) $m[1] : 0,
            array_map(strval(...), $taken),
        );

        return 'ST'.(max([0, ...$numbers]) + 1);
    }

    /** Turned again, by hand or by a knock: what the circle read and reads on the first mark that was sighted. */
    private static function circleWords(DraftInputs $in, SetupSolution $solution): string
    {
        $first = array_values(array_filter($in->sights(), static fn (ControlSight $s) => $s->givesDirection()))[0] ?? null;
        if ($in->draft->method !== SetupMethod::OrientationOnly || $in->current === null || $first === null) {
            return '';
        }
        $before = Angle::wrap($first->sight->circle + $solution->station->orientation - $in->current->orientation);
        $style = $in->project->angle_style;

        return "circle turned: on {$first->name} it read {$style->format($before)}, and reads {$style->format($first->sight->circle)} now";
    }

    /**
     * The setup that a baseline turns, with all that was measured from it; or the baseline measured before from the same assumed place,
     * from which nothing was measured yet.
     */
    private function takesThePlaceOf(DraftInputs $in, Position $mark): ?int
    {
        if ($in->draft->method !== SetupMethod::Baseline || $in->current === null) {
            return null;
        }
        $again = $in->current->method === SetupMethod::Baseline->value && $in->current->position()->distanceTo($mark) < self::SAME_PLACE
            && ! $this->measured->isAny($in->current);

        return $in->draft->turnEarlier || $again ? $in->current->root() : null;
    }

    /** A station that was found is a point to sight later, with its uncertainty. */
    private static function keepStation(Project $project, Setup $setup, SetupSolution $solution, SetupMethod $method): void
    {
        if (! $method->findsPlace() || ControlPoint::of($project)->where('name', $setup->station_name)->exists()) {
            return;
        }
        $plan = $solution->trusted();
        ControlPoint::query()->create([
            'project_id' => $project->id, 'name' => $setup->station_name,
            'northing' => $setup->northing, 'easting' => $setup->easting, 'elevation' => $setup->elevation,
            'code' => 'STATION', 'description' => 'station of setup '.$setup->number,
            'source' => "setup {$setup->number}", 'origin' => ControlOrigin::Station, 'setup_id' => $setup->id,
            'held_fixed' => false, 'plan_deviation' => $plan->place(), 'height_deviation' => $plan->height(),
        ]);
    }

    /**
     * The control as it was used, so that a later correction can be worked through.
     *
     * @return array<string, mixed>
     */
    private static function sight(DraftInputs $in, DraftSight $s): array
    {
        $c = $in->control->get($s->controlId);

        return [
            'observationId' => $s->observationId, 'more' => $s->more, 'used' => $s->plan || $s->height,
            'plan' => $s->plan, 'height' => $s->height, 'direction' => $s->direction, 'distance' => $s->distance,
            'controlId' => $c?->id, 'name' => $c?->name,
            'northing' => $c?->northing, 'easting' => $c?->easting, 'elevation' => $c?->elevation,
        ];
    }
}
