<?php

declare(strict_types=1);

namespace Tests;

use App\Control\Models\ControlPoint;
use App\Instrument\Models\Observation;
use App\Instrument\Models\QueuedInstruction;
use App\Instrument\ReadingsIntoBook;
use App\Projects\Models\Project;
use App\Setups\Models\Setup;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use Parlay\Core\Geometry\Position;
use Parlay\Core\Instrument\InstrumentStatus;
use Parlay\Simulator\StandIn;
use Parlay\Simulator\World;

/** HTTP and database together, on a real SQLite file in a folder of its own. */
abstract class FeatureTestCase extends TestCase
{
    protected string $data;

    protected World $world;

    private int $keys = 0;

    public function createApplication(): Application
    {
        $this->data = sys_get_temp_dir().'/parlay-test-'.bin2hex(random_bytes(6));
        mkdir($this->data.'/storage/framework/views', 0o755, true);
        touch($this->data.'/parlay.sqlite');
        touch($this->data.'/live.sqlite');
        foreach (['PARLAY_DATA' => $this->data, 'APP_KEY' => 'base64:'
            .base64_encode(str_repeat('k', 32)), 'APP_ENV' => 'testing', 'QUEUE_CONNECTION' => 'sync',
            // Nobody answers there: whatever else runs on this machine is none of a test's.
            'PARLAY_INSTRUMENT' => '127.0.0.1:1', 'PARLAY_WORLD' => '127.0.0.1:1',
            'PARLAY_HOSTS' => '', 'PARLAY_ASKS_KEY' => '0'] as $name => $value) {
            putenv("$name=$value");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        Artisan::call('parlay:data');
    }

    protected function tearDown(): void
    {
        $data = $this->data;
        parent::tearDown();
        exec('rm -rf '.escapeshellarg($data));
    }

    /** @param  array<string, mixed>|null  $body */
    protected function ask(string $method, string $path, ?array $body = null): TestResponse
    {
        return $this->json($method, '/api/v1'.$path, $body ?? []);
    }

    protected function project(string $length = 'm'): Project
    {
        $id = $this->ask('POST', '/projects', [
            'name' => 'Saltmarsh',
            'units' => ['length' => $length, 'angle' => 'dms', 'direction' => 'azimuth', 'order' => 'NE', 'station' => '1+000'],
        ])->assertOk()->json('id');

        return Project::query()->findOrFail($id);
    }

    protected function upload(Project $project, string $bytes, string $name): string
    {
        $path = tempnam(sys_get_temp_dir(), 'up');
        file_put_contents($path, $bytes);

        return $this
            ->post("/api/v1/projects/{$project->id}/uploads", ['file' => new UploadedFile($path, $name, test: true)])
            ->assertOk()
            ->json('upload');
    }

    protected function newKey(): string
    {
        return 'test-key-'.++$this->keys;
    }

    /** Four control points and a stand-in among them. */
    protected function site(Project $project): void
    {
        $control = [
            'A' => [1000.0, 2000.0, 10.0], 'B' => [1060.0, 2015.0, 11.0], 'C' => [1030.0, 2090.0, 9.5], 'D' => [962.0, 2071.0, 10.4],
        ];
        foreach ($control as $name => [$n, $e, $z]) {
            $this
                ->ask('POST', "/projects/{$project->id}/control", ['name' => $name, 'northing' => $n, 'easting' => $e, 'elevation' => $z])
                ->assertOk();
        }
        $this->world = World::plant('test', array_map(static fn (array $c) => new Position(...$c), $control), 5);
    }

    /**
     * What the link's process does when a measurement is done.
     *
     * @param  array<string, mixed>|null  $keepIn
     */
    protected function measure(Project $project, string $purpose, Position $tip, string $sighted = '', ?array $keepIn = null): Observation
    {
        return $this->arrives($this->instruction($project, $purpose, $sighted, ['keepIn' => $keepIn]), $tip);
    }

    /** @param  array<string, mixed>  $more  of what it is measured for */
    protected function instruction(Project $project, string $purpose, string $sighted, array $more): QueuedInstruction
    {
        $setup = Setup::current($project)->first();

        return new QueuedInstruction(['key' => $this->newKey(), 'purpose' => [
            'projectId' => $project->id, 'purpose' => $purpose,
            'sighted' => $sighted, 'setupId' => $purpose === 'setup' ? null : $setup?->id,
            'targetHeight' => 2.0, 'prismConstant' => 0.0,
            'pressure' => $this->world->air->pressureHpa, 'temperature' => $this->world->air->temperatureCelsius,
        ] + $more]);
    }

    protected function arrives(QueuedInstruction $instruction, Position $tip): Observation
    {
        $this->world->pole->tip = $tip;

        return app(ReadingsIntoBook::class)->keep($instruction, (new StandIn($this->world))->readNow(), self::instrumentStatus());
    }

    protected static function instrumentStatus(): InstrumentStatus
    {
        return new InstrumentStatus(StandIn::MODEL, StandIn::serial(1), StandIn::accuracy(), true, true, true, 0.0, 0.8, 0.0, M_PI_2);
    }

    /** A resection on A, B and C, accepted. */
    protected function setUpInstrument(Project $project): void
    {
        $ids = ControlPoint::of($project)->pluck('id', 'name');
        $sights = [];
        foreach (['A', 'B', 'C'] as $name) {
            $sights[] = [
                'controlId' => $ids[$name], 'observationId' => $this->measure($project, 'setup', $this->world->marks[$name], $name)->id,
            ];
        }
        $this->ask('PATCH', "/projects/{$project->id}/setup", [
            'method' => 'resection', 'instrumentHeight' => $this->world->tripod->height, 'pressure' => 1009, 'temperature' => 18,
            'sights' => $sights,
        ])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/setups", ['key' => $this->newKey()])->assertOk();
    }
}
