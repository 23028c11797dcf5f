<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Answers only under names it was told to answer under.
 *
 * A page of somebody else's can make its own name point to this machine (rebinding) and would then be of the same origin; the name it asks
 * under gives it away.
 */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        $host = strtolower((string) preg_replace('~:\d+$~', '', (string) $request->server('HTTP_HOST', '')));
        if (! in_array($host, self::known(), true)) {
            return Problems::answer(
                421,
                'Parlay does not answer under this name. Open it by the address it printed when it was started, or start it with '
                    .'--name and this name.',
            );
        }

        return $next($request);
    }

    /** @return list<string> */
    private static function known(): array
    {
        $told = array_filter(array_map(trim(...), explode(',', config()->string('parlay.hosts'))));

        return [
            '127.0.0.1', 'localhost', '[::1]',
            ...array_map(static fn (string $h) => strtolower(str_contains($h, ':') && $h[0] !== '[' ? "[$h]" : $h), array_values($told)),
        ];
    }
}
