<?php

declare(strict_types=1);

namespace App\Practice;

use App\Clock;
use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\Purpose;
use App\Instrument\ReadingsIntoBook;
use App\Points\Models\StakeoutPoint;
use App\Projects\Models\Project;
use App\Setups\Actions\AcceptSetup;
use App\Setups\Actions\SetupDrafts;
use App\Setups\Draft;
use App\Setups\DraftSight;
use App\Setups\Models\Setup;
use App\Setups\SetupMethod;
use App\Stakeout\Actions\StoreMark;
use App\Stakeout\MarkToStore;
use Illuminate\Support\Carbon;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Simulator\Noise;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\World;

/** A half-finished day: really measured with the stand-in, in a world planted as the drawer plants it, only without waiting. */
final class DemoDay
{
    /** metres from the mark to the axis */
    public const LARKFIELD_AXIS = 1.578;

    /** minutes from one measurement to the next */
    private const STEP = 2;

    private World $world;

    private StandIn $instrument;

    private Noise $hand;

    private int $minute = 0;

    public function __construct(
        private readonly ReadingsIntoBook $book,
        private readonly AcceptSetup $accept,
        private readonly StoreMark $store,
    ) {}

    public function atSaltmarsh(Project $project): void
    {
        // Four sights, the setup, two checks, fifty marks: the last of them just now.
        $this->arrive($project, 57, 2);
        $this->setUp($project, SetupMethod::Resection, ['CP1', 'CP2', 'CP3', 'CP5'], null);
        $this->check($project, 'CP4');
        foreach (StakeoutPoint::of($project)->where('code', 'ANCHOR')->orderBy('id')->limit(38)->get() as $i => $point) {
            $this->mark($project, $point, Purpose::Stake, $i % 13 === 6 ? 0.0065 : 0.0016);
        }
        foreach (StakeoutPoint::of($project)->where('code', 'ANCHOR')->orderBy('id')->limit(12)->get() as $point) {
            $this->mark($project, $point, Purpose::AsBuilt, 0.0026);
        }
        $this->check($project, 'CP6');
        $this->leave();
    }

    public function atLarkfield(Project $project): void
    {
        $this->arrive($project, 12, 12);
        $this->world->standTripod('LC-3', null, self::LARKFIELD_AXIS);
        $this->setUp($project, SetupMethod::KnownBacksight, ['LC-2'], 'LC-3');
        $this->check($project, 'LC-4');
        foreach (StakeoutPoint::of($project)->orderBy('id')->limit(9)->get() as $point) {
            $this->mark($project, $point, Purpose::Stake, 0.0022);
        }
        $this->leave();
    }

    /**
     * @param  int  $steps  of the day
     * @param  int  $ago  minutes that its last one is past
     */
    private function arrive(Project $project, int $steps, int $ago): void
    {
        $control = ControlPoint::of($project)->get()->mapWithKeys(static fn (ControlPoint $c) => [$c->name => $c->position()])->all();
        $this->world = World::plant(PracticeWorld::site($project), $control, $project->id);
        $this->instrument = new StandIn($this->world);
        $this->hand = new Noise(1000 + $project->id);
        $this->minute = -self::STEP * ($steps - 1) - $ago - self::STEP;
    }

    private function leave(): void
    {
        Carbon::setTestNow();
    }

    private function later(): void
    {
        Carbon::setTestNow();
        Carbon::setTestNow(Carbon::now('UTC')->addMinutes($this->minute += self::STEP));
    }

    private function aMomentLater(): void
    {
        Carbon::setTestNow(Carbon::now('UTC')->addSeconds(3));
    }

    /** @param  list<string>  $sighted */
    private function setUp(Project $project, SetupMethod $method, array $sighted, ?string $station): void
    {
        $ids = ControlPoint::of($project)->pluck('id', 'name');
        $draft = fn (array $sights, bool $heightTold = true) => new Draft(
            $method, $station === null ? null : (int) $ids[$station], $this->world->tripod->height, 2.0, 0.0,
            $this->world->air->pressureHpa, $this->world->air->temperatureCelsius, $sights, airAt: Clock::stamp(), heightTold: $heightTold, targetTold: true,
        );
        SetupDrafts::keep($project, $draft([]));
        $sights = [];
        foreach ($sighted as $name) {
            $this->world->pole->tip = $this->world->marks[$name];
            $sights[] = new DraftSight((int) $ids[$name], $this->measure($project, Purpose::Setup, $name)->id);
        }
        SetupDrafts::keep($project, $draft($sights));
        $this->later();
        ($this->accept)($project, "demo-setup-{$project->id}");
        SetupDrafts::keep($project, $draft([], false));
        $project->unsetRelation('currentSetup');
    }

    private function check(Project $project, string $name): void
    {
        $control = ControlPoint::of($project)->where('name', $name)->firstOrFail();
        $this->world->pole->tip = $this->world->marks[$name];
        $observation = $this->measure($project, Purpose::Check, $name);
        $this->aMomentLater();
        ($this->store)(
            $project, new MarkToStore("demo-mark-{$observation->id}", $observation->id, Purpose::Check, controlId: $control->id),
        );
    }

    /** @param  float  $steady standard deviation of how near the holder comes, metres */
    private function mark(Project $project, StakeoutPoint $point, Purpose $kind, float $steady): void
    {
        $this->world->pole->tip = new Position(
            $point->northing + $this->hand->normal($steady),
            $point->easting + $this->hand->normal($steady),
            ($point->elevation ?? 0.0) + $this->hand->normal($steady / 2),
        );
        $observation = $this->measure($project, $kind, $point->name);
        $this->aMomentLater();
        ($this->store)(
            $project, new MarkToStore("demo-mark-{$observation->id}", $observation->id, $kind, pointId: $point->id, evenOut: true),
        );
    }

    private function measure(Project $project, Purpose $purpose, string $sighted): Observation
    {
        $this->later();
        $draft = SetupDrafts::of($project);
        $instruction = new QueuedInstruction(['key' => "demo-{$project->id}-{$this->minute}", 'purpose' => [
            'projectId' => $project->id, 'purpose' => $purpose->value, 'sighted' => $sighted,
            'setupId' => $purpose === Purpose::Setup ? null : Setup::current($project)->value('id'),
            'targetHeight' => $draft->targetHeight, 'prismConstant' => $draft->prismConstant,
            'pressure' => $draft->pressure, 'temperature' => $draft->temperature,
        ]]);
        $status = new InstrumentStatus(
            model: StandIn::MODEL,
            serial: StandIn::serial($project->id),
            accuracy: StandIn::accuracy(),
            level: true,
            locked: true,
            tracking: true,
            tilt: 0.0,
            battery: 0.8,
            circle: 0.0,
            zenith: M_PI_2,
        );

        return $this->book->keep($instruction, $this->instrument->readNow(), $status);
    }
}
