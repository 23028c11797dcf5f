<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AcceptSetup;
use App\Actions\SetupDrafts;
use App\Actions\SolveSetup;
use App\Http\Bodies\DraftBody;
use App\Http\Bodies\DraftChangeBody;
use App\Http\Bodies\DraftSightBody;
use App\Http\Bodies\KeyBody;
use App\Http\Body;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Patch;
use App\Http\OpenApi\Post;
use App\Http\Resources\AcceptedSetup;
use App\Http\Resources\DraftResource;
use App\Http\Resources\DraftSightResource;
use App\Http\Resources\ExplanationResource;
use App\Http\Resources\SetupState;
use App\Http\Resources\SolutionResource;
use App\Models\Project;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Instrument\Atmosphere;
use Parlay\Core\Setup\Why\Explanation;

final class SetupController
{
    #[Get('/projects/{project}/setup', 'The setup being made, what it would give, and the one that holds', SetupState::class)]
    public function show(Project $project, SolveSetup $solve): JsonResponse
    {
        return new JsonResponse($this->state($project, $solve));
    }

    #[Patch('/projects/{project}/setup', 'Changes what is given of the setup being made: method, heights, air, sights', DraftChangeBody::class, SetupState::class)]
    public function update(Request $request, Project $project, SolveSetup $solve): JsonResponse
    {
        SetupDrafts::change($project, Body::read($request, DraftChangeBody::class));

        return new JsonResponse($this->state($project, $solve));
    }

    #[Post('/projects/{project}/setups', 'Accepts the setup being made', KeyBody::class, AcceptedSetup::class)]
    public function accept(Request $request, Project $project, AcceptSetup $accept): JsonResponse
    {
        return new JsonResponse(AcceptedSetup::of($accept($project, Body::read($request, KeyBody::class)->key)));
    }

    private function state(Project $project, SolveSetup $solve): SetupState
    {
        $draft = SetupDrafts::of($project);
        $solution = $problem = null;
        try {
            $found = $solve($project, $draft);
            $solution = SolutionResource::of($found, SolveSetup::farthest($project, $found->station->mark));
        } catch (\DomainException $e) {
            $problem = $e->getMessage();
        }
        $current = $project->currentSetup()->first();
        $why = $solve->explanations($project, $draft);
        $why = $why === null ? null : array_map(static fn (Explanation $e) => ExplanationResource::of($e, $why[0]->score), $why);

        return new SetupState($this->draft($project, $draft), $solution, $problem, $current === null ? null : AcceptedSetup::of($current), $why);
    }

    private function draft(Project $project, DraftBody $d): DraftResource
    {
        $observations = SolveSetup::observations($project, $d);
        $names = SolveSetup::control($project)->map(static fn ($c) => $c->name);
        $sights = array_map(static function (DraftSightBody $s) use ($observations, $names): ?DraftSightResource {
            $o = $observations->get($s->observationId);
            $name = $names->get($s->controlId);
            if ($o === null || $name === null) {
                return null;
            }
            $sight = $o->sight();

            return new DraftSightResource($s->controlId, $o->id, $s->used, $name, $o->circle, $o->zenith, $o->slope, $sight->distance, $sight->ppm, $o->target_height, $o->prism_constant);
        }, $d->sights);

        return new DraftResource($d->method, $d->stationControlId, $d->instrumentHeight, $d->targetHeight, $d->prismConstant, $d->pressure, $d->temperature,
            (new Atmosphere($d->pressure, $d->temperature))->ppm(), array_values(array_filter($sights)));
    }
}
