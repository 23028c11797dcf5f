<?php

declare(strict_types=1);

namespace App\Http;

use App\Database\Trouble;
use App\KeyTaken;
use App\NeedsConfirmation;
use App\Projects\Models\Project;
use App\Typed\InvalidValues;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Parlay\Core\Units\SaysLengths;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Every failure leaves as {message, errors?, reason?}: a sentence with place and remedy, never a trace. */
final class Problems
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport(
            [\DomainException::class, NeedsConfirmation::class, KeyTaken::class, UniqueConstraintViolationException::class],
        );
        // Two requests at once, or a key of somebody else's: the database keeps the first.
        $exceptions->render(static fn (UniqueConstraintViolationException $e) => self::answer(
            422, 'Another request has stored something under the same name or key. Reload to see it.',
        ));
        $exceptions->render(static fn (InvalidValues $e) => self::answer(422, $e->getMessage(), ['errors' => $e->errors]));
        $exceptions->render(
            static fn (NeedsConfirmation $e) => self::answer(409, $e->getMessage(), ['reason' => $e->reason, 'evidence' => $e->evidence]),
        );
        $exceptions->render(static fn (QueryException $e) => self::ofDatabase($e));
        $exceptions->render(static fn (KeyTaken $e) => self::answer(409, $e->getMessage(), ['reason' => 'key_taken']));
        $exceptions->render(static function (SaysLengths $e, Request $request): JsonResponse {
            $project = $request->route('project');

            return self::answer(422, $project instanceof Project ? $e->in($project->length_style) : $e->getMessage());
        });
        $exceptions->render(static fn (\DomainException $e) => self::answer(422, $e->getMessage()));
        $exceptions->render(static function (HttpExceptionInterface $e, Request $request): ?JsonResponse {
            if (! $request->is('api/*')) {
                return null;
            }
            $missing = $e->getPrevious() instanceof ModelNotFoundException;

            return self::answer($e->getStatusCode(), match (true) {
                $missing => 'That is not here any more. Reload to see what is.',
                $e->getStatusCode() === 404 => 'There is no such address in this interface; /api/v1/openapi.json lists them.',
                $e->getStatusCode() === 405 => 'This address does not take that method.',
                default => $e->getMessage(),
            });
        });
        $exceptions->render(static fn (FatalError $e, Request $request) => preg_match('~^(Maximum execution time|Allowed memory size)~', $e->getMessage()) === 1 && $request->is('api/*')
            ? self::answer(
                503,
                'This took more time or memory than one request may have, and was stopped. Nothing was stored by it. Send less at '
                    .'once: a shorter list, fewer layers, a smaller part.',
            )
            : null);
        $exceptions->render(static fn (\Throwable $e, Request $request) => $request->is('api/*')
            ? self::answer(
                500,
                'Something failed inside Parlay; nothing was stored by this request. Try again; the log in the data folder says more.',
            )
            : null);
    }

    /** What the machine under the database does to it, by SQLite's own codes; null for what is Parlay's fault. */
    private static function ofDatabase(QueryException $e): ?JsonResponse
    {
        $sentence = Trouble::said($e);

        return $sentence === null ? null : self::answer(503, $sentence);
    }

    /** @param  array<string, mixed>  $more */
    public static function answer(int $status, string $message, array $more = []): JsonResponse
    {
        return new JsonResponse(['message' => $message] + $more, $status, [], JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
