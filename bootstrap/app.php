<?php

declare(strict_types=1);

use App\Database\PrepareData;
use App\Http\Middleware\AskForKey;
use App\Http\Middleware\KnownHost;
use App\Http\Middleware\SameOrigin;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\TellRevision;
use App\Http\OpenApi\WriteOpenApi;
use App\Http\Problems;
use App\Instrument\HoldInstrument;
use App\Practice\LoadDemo;
use App\Tasks\RunWorker;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        apiPrefix: 'api/v1',
    )
    ->withCommands([HoldInstrument::class, LoadDemo::class, PrepareData::class, RunWorker::class, WriteOpenApi::class])
    ->withMiddleware(function (Middleware $middleware): void {
        // The browser keeps nothing on the server but the project itself: no session, no cookies.
        $middleware->group('web', []);
        $middleware->group('api', [Illuminate\Routing\Middleware\SubstituteBindings::class, TellRevision::class]);
        // Ours alone, in this order: an empty list would mean the framework's own, which lets every origin read.
        $middleware->use([SecurityHeaders::class, KnownHost::class, SameOrigin::class, AskForKey::class]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Problems::register($exceptions);
    })
    ->create()
    ->useStoragePath((getenv('PARLAY_DATA') ?: dirname(__DIR__).'/.data').'/storage');
