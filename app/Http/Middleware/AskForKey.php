<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Access;
use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response;

/** Where other machines can reach Parlay, its key is asked for: once of each browser, with each request of a program. */
final class AskForKey
{
    private const YEAR = 31_536_000;

    public function handle(Request $request, Closure $next): Response
    {
        // Whether anybody is there at all is no secret.
        if (! Access::isAsked() || $request->is('api/v1/ping')) {
            return $next($request);
        }
        if ($request->isMethod('POST') && $request->is('enter')) {
            return $this->enter($request);
        }
        if (Access::isPass((string) $request->cookies->get(self::cookieName($request), ''))) {
            return $next($request);
        }
        $bearer = $request->bearerToken();
        if ($bearer !== null) {
            return $this->tried($request, $bearer) ?? $next($request);
        }

        return $request->is('api/*') ? self::refused() : response()->view('enter', status: 401);
    }

    private function enter(Request $request): Response
    {
        $body = json_decode($request->getContent(), true);
        $refused = $this->tried($request, is_array($body) && is_string($body['key'] ?? null) ? $body['key'] : '');
        if ($refused !== null) {
            return $refused;
        }
        $answer = response()->noContent();
        $answer->headers->setCookie(Cookie::create(
            self::cookieName($request), Access::pass(), time() + self::YEAR, '/', null, $request->isSecure(), true, false,
            Cookie::SAMESITE_STRICT,
        ));

        return $answer;
    }

    /** @return Response|null null where the key is right */
    private function tried(Request $request, string $key): ?Response
    {
        $address = (string) $request->ip();
        $wait = Access::wait($address);
        if ($wait > 0.0) {
            return Problems::answer(
                429, sprintf('Too many wrong keys. Wait %d seconds, then try once more.', (int) ceil($wait)), ['reason' => 'key'],
            )->withHeaders(['Retry-After' => (string) ceil($wait)]);
        }
        if (! Access::isKey($key)) {
            Access::rememberWrong($address);

            return self::refused();
        }
        Access::forgetWrong($address);

        return null;
    }

    private static function refused(): Response
    {
        return Problems::answer(
            401,
            'This Parlay asks for its key. It stands in the terminal where it was started; programs send it as “Authorization: Bearer”.',
            ['reason' => 'key'],
        );
    }

    /** Cookies don't tell ports apart, so the name does. */
    private static function cookieName(Request $request): string
    {
        return 'parlay_'.$request->getPort();
    }
}
