<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Projects\Models\Project;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Each answer about a project tells how new it is at least: the revision before anything was read for it. A page that asks for many
 * things at once learns so that one of them is older than another, and asks again.
 */
final class TellRevision
{
    public const HEADER = 'Parlay-Revision';

    public function handle(Request $request, Closure $next): Response
    {
        $project = $request->route('project');
        $revision = $project instanceof Project ? (string) $project->revision : null;
        $response = $next($request);
        if ($revision !== null) {
            $response->headers->set(self::HEADER, $revision);
        }

        return $response;
    }
}
