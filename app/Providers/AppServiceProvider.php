<?php

declare(strict_types=1);

namespace App\Providers;

use App\Buildings\PrepareModel;
use App\Civil\TellsShotHeights;
use App\Database\BringsUpToDate;
use App\Database\ClearsLeftovers;
use App\Database\ImmediateConnection;
use App\Designs\MadeOfDrawing;
use App\Instrument\ReadingsIntoBook;
use App\Instrument\TakesReading;
use App\Instrument\TellsByItself;
use App\Mending\MarksOfSetup;
use App\Packing\LeftoversOfUnpacking;
use App\Practice\StandInDriver;
use App\Projects\HangsOnRows;
use App\Projects\LeftoversOfUploads;
use App\Setups\HangingSetups;
use App\Setups\MeasuredFrom;
use App\Setups\SightOnArrival;
use App\Stakeout\HangingMarks;
use App\Stakeout\MarkOnArrival;
use App\Stakeout\RunDriver;
use App\Stakeout\ShotHeights;
use App\Stakeout\SpreadsOfEarlierMarks;
use App\Tasks\Works;
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
        $this->joinFloors();
        // The one place that names an instrument: another driver is bound here.
        $this->app->bind(TotalStation::class, fn () => new StandInDriver(config()->string('parlay.instrument_address')));
    }

    /** What a lower floor asks without knowing who answers (docs/house.md). */
    private function joinFloors(): void
    {
        $this->app->singleton(Works::class, static fn () => TheWorks::all());
        $this->app->bind(MadeOfDrawing::class, PrepareModel::class);
        $this->app->bind(MeasuredFrom::class, MarksOfSetup::class);
        $this->app->bind(TellsByItself::class, RunDriver::class);
        $this->app->bind(TellsShotHeights::class, ShotHeights::class);
        $this->app->tag([SightOnArrival::class, MarkOnArrival::class], TakesReading::class);
        $this->app->when(ReadingsIntoBook::class)->needs('$takers')->giveTagged(TakesReading::class);
        $this->app->tag([HangingMarks::class, HangingSetups::class], HangsOnRows::class);
        $this->app->tag([SpreadsOfEarlierMarks::class], BringsUpToDate::class);
        $this->app->tag([LeftoversOfUploads::class, LeftoversOfUnpacking::class], ClearsLeftovers::class);
    }

    public function boot(): void
    {
        // Bodies are typed and refuse unknown fields, so models need no second guard.
        Model::unguard();
        Model::shouldBeStrict();
        Route::patterns(array_fill_keys([
            'project', 'control', 'design', 'layer', 'task', 'point', 'instruction', 'list', 'line', 'code', 'instrument', 'target',
            'setup', 'mark',
        ], '[0-9]{1,15}'));
    }
}
