<?php

declare(strict_types=1);

namespace App\Http;

use App\KeyTaken;
use App\NeedsConfirmation;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Every failure leaves as {message, errors?, reason?}: a sentence with place and remedy, never a trace. */
final class Problems
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([\DomainException::class, NeedsConfirmation::class, KeyTaken::class, UniqueConstraintViolationException::class]);
        // Two requests at once, or a key of somebody else's: the database keeps the first.
        $exceptions->render(static fn (UniqueConstraintViolationException $e) => self::answer(422, 'Another request has stored something under the same name or key. Reload to see it.'));
        $exceptions->render(static fn (InvalidBody $e) => self::answer(422, $e->getMessage(), ['errors' => $e->errors]));
        $exceptions->render(static fn (NeedsConfirmation $e) => self::answer(409, $e->getMessage(), ['reason' => $e->reason, 'evidence' => $e->evidence]));
        $exceptions->render(static fn (QueryException $e) => self::ofDatabase($e));
        $exceptions->render(static fn (KeyTaken $e) => self::answer(409, $e->getMessage(), ['reason' => 'key_taken']));
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
            ? self::answer(503, 'This took more time or memory than one request may have, and was stopped. Nothing was stored by it. Send less at once: a shorter list, fewer layers, a smaller part.')
            : null);
        $exceptions->render(static fn (\Throwable $e, Request $request) => $request->is('api/*')
            ? self::answer(500, 'Something failed inside Parlay; nothing was stored by this request. Try again; the log in the data folder says more.')
            : null);
    }

    /** What the machine under the database does to it, by SQLite's own codes; null for what is Parlay's fault. */
    private static function ofDatabase(QueryException $e): ?JsonResponse
    {
        $sentence = self::sentenceOf($e);

        return $sentence === null ? null : self::answer(503, $sentence);
    }

    /** https://www.sqlite.org/rescode.html */
    public static function sentenceOf(QueryException $e): ?string
    {
        return match ((int) ($e->errorInfo[1] ?? 0)) {
            5, 6 => 'The database is busy with something longer. Nothing was stored by this; send it again in a moment.',
            8, 14 => 'The database can’t be read or written: the data folder has other rights than when Parlay was started, or is gone. Nothing was stored. Put it right, then send it again.',
            10, 13 => 'The disk of the data folder is full or failing. Nothing was stored by this, and all that was stored before is there. Make room, then send it again.',
            11, 26 => 'The database is damaged. Nothing was stored. Stop Parlay and start it again: it says what can be done.',
            default => null,
        };
    }

    /** @param  array<string, mixed>  $more */
    public static function answer(int $status, string $message, array $more = []): JsonResponse
    {
        return new JsonResponse(['message' => $message] + $more, $status, [], JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
