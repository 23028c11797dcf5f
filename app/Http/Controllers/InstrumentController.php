<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SetupDrafts;
use App\Actions\TellInstrument;
use App\Http\Bodies\KeyBody;
use App\Http\Bodies\LiveQuery;
use App\Http\Bodies\MeasureBody;
use App\Http\Bodies\TurnBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Http\Resources\GuidanceResource;
use App\Http\Resources\InstructionResource;
use App\Http\Resources\InstrumentResource;
use App\Http\Resources\LiveResource;
use App\Http\Resources\PositionResource;
use App\Instrument\LiveStatus;
use App\Models\LiveInstrument;
use App\Models\Project;
use App\Models\QueuedInstruction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Instrument\Sight;
use Parlay\Core\Instrument\Station;
use Parlay\Core\Instrument\Target;
use Parlay\Core\Stakeout\Guidance;

final class InstrumentController
{
    /** Without a beat for so long, the process that holds the link is not running. */
    private const SILENT = 2.0;

    #[Get('/projects/{project}/live', 'What the instrument says this instant, where the pole is, and how to move it to a target', LiveResource::class, query: LiveQuery::class)]
    public function live(Request $request, Project $project): JsonResponse
    {
        $target = Body::read($request, LiveQuery::class)->target;
        $live = LiveInstrument::now();
        $station = $project->currentSetup?->station();
        $pole = $this->pole($project, $live, $station);
        $last = QueuedInstruction::query()->where('kind', '<>', 'settings')->orderByDesc('id')->first();

        return new JsonResponse(new LiveResource(
            $live->seq,
            $project->revision,
            $this->instrument($live, $station),
            $last === null ? null : InstructionResource::of($last),
            $pole === null ? null : PositionResource::of($pole),
            $live->reading_at === null ? null : round(microtime(true) - $live->reading_at, 3),
            $this->guidance($project, $target, $pole, $station),
        ));
    }

    #[Get('/projects/{project}/instructions/{instruction}', 'What became of something the instrument was told', InstructionResource::class)]
    public function instruction(Project $project, int $instruction): JsonResponse
    {
        return new JsonResponse(InstructionResource::of(QueuedInstruction::query()->findOrFail($instruction)));
    }

    #[Post('/projects/{project}/instrument/turn', 'Turns the instrument to a control point or stakeout point', TurnBody::class, InstructionResource::class)]
    public function turn(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->turn($project, Body::read($request, TurnBody::class))));
    }

    #[Post('/projects/{project}/instrument/measure', 'Measures on purpose; the reading goes into the field book', MeasureBody::class, InstructionResource::class)]
    public function measure(Request $request, Project $project, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->measure($project, Body::read($request, MeasureBody::class))));
    }

    #[Post('/projects/{project}/instrument/track', 'Follows the prism', KeyBody::class, InstructionResource::class)]
    public function track(Request $request, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->track(Body::read($request, KeyBody::class)->key, true)));
    }

    #[Post('/projects/{project}/instrument/search', 'Looks for the prism', KeyBody::class, InstructionResource::class)]
    public function search(Request $request, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->search(Body::read($request, KeyBody::class)->key)));
    }

    #[Post('/projects/{project}/instrument/cancel', 'Stops whatever the instrument is doing', KeyBody::class, InstructionResource::class)]
    public function cancel(Request $request, TellInstrument $tell): JsonResponse
    {
        return new JsonResponse(InstructionResource::of($tell->cancel(Body::read($request, KeyBody::class)->key)));
    }

    private function instrument(LiveInstrument $live, ?Station $station): InstrumentResource
    {
        $s = $live->status;
        $silent = microtime(true) - $live->heard_at > self::SILENT;

        return new InstrumentResource(
            $silent ? 'stopped' : $live->link,
            $live->retry_at === null ? null : max(0.0, round($live->retry_at - microtime(true), 1)),
            $s['model'] ?? '', $s['serial'] ?? '', (bool) ($s['level'] ?? false), (bool) ($s['locked'] ?? false), (bool) ($s['tracking'] ?? false),
            (float) ($s['battery'] ?? 0), $s['trouble'] ?? null,
            $s === null || $station === null ? null : $station->azimuthOf((float) $s['circle']),
        );
    }

    private function pole(Project $project, LiveInstrument $live, ?Station $station): ?Position
    {
        if ($station === null || $live->reading === null || ($live->status['locked'] ?? false) !== true) {
            return null;
        }
        $draft = SetupDrafts::of($project);
        $air = new Atmosphere($draft->pressure, $draft->temperature);

        return $station->locate(Sight::reduce(LiveStatus::restore($live->reading), $air, new Target($draft->targetHeight, $draft->prismConstant)));
    }

    private function guidance(Project $project, ?int $target, ?Position $pole, ?Station $station): ?GuidanceResource
    {
        $point = $target === null || $pole === null ? null : $project->points()->find($target);

        return $point === null || $pole === null || $station === null ? null
            : GuidanceResource::of($point->id, Guidance::from($station->mark, $pole, $point->position(), $project->tolerance()));
    }
}
