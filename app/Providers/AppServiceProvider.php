<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\ImmediateConnection;
use App\Practice\StandInDriver;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ServiceProvider;
use Parlay\Core\Instrument\TotalStation;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor(
            'sqlite',
            static fn ($pdo, string $database, string $prefix, array $config) => new ImmediateConnection($pdo, $database, $prefix, $config),
        );
        // The one place that names an instrument: another driver is bound here.
        $this->app->bind(TotalStation::class, fn () => new StandInDriver(config()->string('parlay.instrument_address')));
    }

    public function boot(): void
    {
        // Bodies are typed and refuse unknown fields, so models need no second guard.
        Model::unguard();
        Model::shouldBeStrict();
        Route::patterns(array_fill_keys([
            'project', 'control', 'design', 'layer', 'task', 'point', 'instruction', 'list', 'line', 'code', 'instrument', 'target',
            'setup',
        ], '[0-9]{1,15}'));
    }
}
