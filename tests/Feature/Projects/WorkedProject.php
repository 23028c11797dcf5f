<?php

declare(strict_types=1);

namespace Tests\Feature\Projects;

use App\Packing\Tasks\PackProject;
use App\Projects\Models\Project;
use App\Tasks\Models\Task;
use Illuminate\Support\Facades\DB;
use Parlay\Core\Geometry\Position;

/** A project in which something of every kind was done, and the file that it is packed into. */
trait WorkedProject
{
    private function worked(): Project
    {
        $project = $this->project();
        $this->site($project);
        $this->setUpInstrument($project);
        $dxf = "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nA\n10\n2000\n20\n1000\n11\n2010\n21\n1000\n0\nENDSEC\n0\nEOF\n";
        $task = $this->ask(
            'POST', "/projects/{$project->id}/designs",
            ['upload' => $this->upload($project, $dxf, 'a.dxf'), 'name' => 'A', 'unit' => 'm', 'layers' => ['A'], 'heights' => 'dropped'],
        )->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $layer = (int) DB::table('design_layers')->value('id');
        $point = $this->ask(
            'POST', "/projects/{$project->id}/points", ['name' => 'P1', 'spot' => ['layerId' => $layer, 'shape' => 0, 'kind' => 'end']],
        )->assertOk()->json('id');
        $model = $this->ask('POST', "/projects/{$project->id}/models", [
            'upload' => $this->upload($project, (string) file_get_contents(base_path('database/demo/files/saltmarsh-yard-civil.xml')), 'm.xml'),
            'name' => '', 'unit' => 'm', 'exchanged' => false, 'alignments' => [0], 'surfaces' => [0], 'lines' => false,
        ])->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$model")->assertJson(['state' => 'done']);
        $this->ask('POST', "/projects/{$project->id}/phases", ['name' => 'Finished'])->assertOk();
        $line = ['family' => 'letters', 'northing1' => 0, 'easting1' => 0, 'northing2' => 0, 'easting2' => 9];
        $this->ask('POST', "/projects/{$project->id}/grid-lines", ['lines' => [['name' => 'A'] + $line]])->assertOk();
        $this->ask('PUT', "/projects/{$project->id}/letterhead", ['firm' => 'Söhne', 'logo' => $this->upload($project, self::picture(), 'logo.png')])->assertOk();
        $this->ask('PUT', "/projects/{$project->id}/table-layouts", ['name' => 'Client', 'columns' => ['name', 'verdict']])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/codes", ['code' => 'MH', 'trade' => 'Drainage'])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/worklists", ['name' => 'Monday', 'pointIds' => [$point]])->assertOk();
        $from = [
            'kind' => 'directionDistance', 'places' => [['pointId' => $point]], 'directions' => [['azimuth' => 1]],
            'distances' => [['metres' => 5]],
        ];
        $this->ask(
            'POST', "/projects/{$project->id}/constructions",
            ['construction' => $from, 'kept' => [['letter' => 'A', 'index' => 0]], 'name' => 'P2'],
        )->assertOk();
        $observation = $this->measure($project, 'stake', new Position(1000.0, 2010.0, 10.0));
        $this->ask('POST', "/projects/{$project->id}/marks", [
            'key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $observation->id, 'pointId' => $point, 'evenOut' => true,
            'withoutCheck' => true,
        ])->assertOk();
        $other = $this->measure($project, 'stake', new Position(1000.0, 2010.2, 10.0));
        $wrong = $this->ask('POST', "/projects/{$project->id}/marks", [
            'key' => $this->newKey(), 'kind' => 'stake', 'observationId' => $other->id, 'pointId' => $point, 'evenOut' => true,
            'withoutCheck' => true,
        ])->assertOk()->json('id');
        $this->ask('POST', "/projects/{$project->id}/marks/$wrong/strikes", ['struck' => true, 'reason' => 'a step too far', 'by' => 'Ö'])->assertOk();

        $this->ask('POST', "/projects/{$project->id}/photographs", [
            'key' => $this->newKey(), 'observationId' => $observation->id, 'upload' => $this->upload($project, self::picture(), 'stake.png'), 'caption' => 'Süd',
        ])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/instruments", ['name' => '2″'])->assertOk();
        $this->ask('POST', "/projects/{$project->id}/targets", ['name' => 'pole'])->assertOk();
        DB::table('corrections')->insert([
            'project_id' => $project->id, 'observation_id' => $observation->id, 'at' => '2026-01-01', 'target_height' => 1.9,
            'prism_constant' => 0.0, 'note' => 'the pole had slipped',
        ]);

        $this->ask('POST', "/projects/{$project->id}/reports", ['name' => 'Client'])->assertOk();

        return $project;
    }

    private function packed(Project $project): string
    {
        $task = $this->ask('POST', "/projects/{$project->id}/packing")->assertOk()->json('id');
        $this->ask('GET', "/projects/{$project->id}/tasks/$task")->assertJson(['state' => 'done']);
        $this->get("/api/v1/projects/{$project->id}/packed/$task")->assertOk();

        return (string) file_get_contents(PackProject::path(Task::query()->findOrFail($task)));
    }

    private static function picture(): string
    {
        ob_start();
        imagepng(imagecreatetruecolor(40, 20));

        return (string) ob_get_clean();
    }
}
