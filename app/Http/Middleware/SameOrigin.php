<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The interface is for Parlay's own pages, and for programs that are no browser.
 *
 * A browser says with each request where it comes from (Fetch Metadata, W3C; Origin, RFC 6454): from anywhere else nothing is read and
 * nothing is changed. Whoever says neither is no browser, for they all send Origin with a writing request; a program may leave both
 * out. What is written must come as JSON, or as form data where a file is sent: a page elsewhere can send neither without asking first,
 * and asking is refused.
 */
final class SameOrigin
{
    private const READING = ['GET', 'HEAD'];

    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethod('OPTIONS')) {
            return Problems::answer(405, 'This address does not take that method.');
        }
        if ($this->comesFromElsewhere($request)) {
            return Problems::answer(403, 'This came from another page than Parlay’s own. Nothing was read or changed.');
        }
        if (! in_array($request->getMethod(), self::READING, true) && ! $this->isOfOurKind($request)) {
            return Problems::answer(
                415, 'What is written is sent as application/json; a file as multipart/form-data to an address for uploads.',
            );
        }

        return $next($request);
    }

    private function comesFromElsewhere(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site');
        if ($site !== null) {
            // A page may be opened from anywhere; what it is made of may not be.
            $opened = $request->headers->get('Sec-Fetch-Mode') === 'navigate'
                && in_array($request->getMethod(), self::READING, true)
                && ! $request->is('api/*');

            return $site !== 'same-origin' && $site !== 'none' && ! $opened;
        }
        $origin = $request->headers->get('Origin');

        return $origin !== null && $origin !== $request->getSchemeAndHttpHost();
    }

    private function isOfOurKind(Request $request): bool
    {
        if ((int) $request->headers->get('Content-Length', '0') === 0 && ! $request->headers->has('Transfer-Encoding')) {
            return true;
        }
        $type = strtolower(trim(explode(';', (string) $request->headers->get('Content-Type'))[0]));

        return $type === 'application/json'
            || ($type === 'multipart/form-data' && $request->is('api/v1/projects/*/uploads', 'api/v1/packed-uploads'));
    }
}
