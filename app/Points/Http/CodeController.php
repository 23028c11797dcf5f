<?php

declare(strict_types=1);

namespace App\Points\Http;

use App\Http\Body;
use App\Http\OpenApi\Delete;
use App\Http\OpenApi\Get;
use App\Http\OpenApi\Post;
use App\Points\Models\Code;
use App\Projects\Models\Project;
use App\Projects\Preparation;
use App\Seen;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The meanings of codes. */
final class CodeController
{
    #[Get('/projects/{project}/codes', 'What the codes of the project mean', CodeResource::class, list: true)]
    public function index(Project $project): JsonResponse
    {
        return new JsonResponse($project->codes()->orderBy('code')->get()->map(CodeResource::of(...))->all());
    }

    #[Post('/projects/{project}/codes', 'Says what a code means, or changes it', CodeBody::class, CodeResource::class)]
    public function store(Request $request, Project $project): JsonResponse
    {
        $body = Body::read($request, CodeBody::class);
        if (trim($body->code) === '' || mb_strlen($body->code) > 60) {
            throw new \DomainException('A code needs a text of at most 60 characters.');
        }
        if ($body->colour !== null && preg_match('~^#[0-9a-fA-F]{6}$~', $body->colour) !== 1) {
            throw new \DomainException('A colour is # and six digits of 0 to 9 and a to f, such as #a04020.');
        }
        foreach ([$body->planTolerance, $body->heightTolerance] as $tolerance) {
            if ($tolerance !== null && $tolerance <= 0.0) {
                throw new \DomainException('A tolerance must be more than 0. Leave it empty for the project’s.');
            }
        }
        $values = self::columns($body);
        $seen = $body->seen === null ? null : self::columns($body->seen);
        $code = Preparation::step($project, "Code {$values['code']}", static function (
            Preparation $step,
        ) use ($project, $values, $seen): Code {
            $code = $project->codes()->where('code', $values['code'])->first();
            if ($code === null) {
                return $step->create(new Code(['project_id' => $project->id] + $values));
            }
            Seen::refuseOther($code, $seen, $code->code);
            $step->update($code, $values);

            return $code;
        });

        return new JsonResponse(CodeResource::of($code));
    }

    #[Delete('/projects/{project}/codes/{code}', 'Forgets what a code means; points keep it')]
    public function destroy(Project $project, int $code): JsonResponse
    {
        $row = $project->codes()->findOrFail($code);
        Preparation::step($project, "Forgot code {$row->code}", static fn (Preparation $step) => $step->delete($row));

        return new JsonResponse(null, 204);
    }

    /** @return array<string, mixed> */
    private static function columns(CodeBody $body): array
    {
        return [
            'code' => trim($body->code), 'description' => $body->description,
            'colour' => $body->colour, 'mark' => mb_substr($body->mark, 0, 3), 'trade' => $body->trade,
            'plan_tolerance' => $body->planTolerance, 'height_tolerance' => $body->heightTolerance,
        ];
    }
}
