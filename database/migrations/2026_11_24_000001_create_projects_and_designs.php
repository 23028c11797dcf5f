<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('projects', function (Blueprint $t): void {
            $t->id();
            $t->string('name');
            $t->string('length_style');
            $t->string('angle_style');
            $t->string('direction_style');
            $t->string('coordinate_order');
            $t->string('station_style');
            $t->float('plan_tolerance');
            $t->float('height_tolerance');
            // Grows with every change, so that other tabs know when to look again.
            $t->unsignedInteger('revision')->default(0);
            $t->string('opened_at');
        });
        Schema::create('control_points', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->double('northing');
            $t->double('easting');
            $t->double('elevation')->nullable();
            $t->string('code')->default('');
            $t->string('description')->default('');
            $t->string('source');
            $t->unique(['project_id', 'name']);
        });
        Schema::create('designs', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->string('file_name');
            $t->string('file_hash');
            $t->string('unit');
            $t->string('heights');
            $t->json('remarks');
            $t->string('taken_at');
            $t->string('removed_at')->nullable();
        });
        Schema::create('design_layers', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('design_id')->constrained();
            $t->string('name');
            $t->string('colour');
            $t->boolean('visible')->default(true);
            $t->unsignedInteger('count');
            $t->json('kinds');
            $t->json('strings');
            $t->json('extent')->nullable();
            $t->binary('records');
        });
        Schema::create('stakeout_points', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->double('northing');
            $t->double('easting');
            $t->double('elevation')->nullable();
            $t->string('code')->default('');
            $t->string('description')->default('');
            $t->string('origin');
            $t->json('recipe')->nullable();
            $t->index(['project_id', 'name']);
        });
        Schema::create('preparation_steps', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('label');
            $t->json('changes');
            $t->boolean('undone')->default(false);
            $t->index(['project_id', 'undone']);
        });
        Schema::create('setup_drafts', function (Blueprint $t): void {
            $t->foreignId('project_id')->primary()->constrained();
            $t->json('content');
        });
        Schema::create('tasks', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('kind');
            $t->string('state');
            $t->json('input');
            $t->json('result')->nullable();
            $t->string('error')->nullable();
            $t->string('created_at');
        });
        Schema::create('jobs', function (Blueprint $t): void {
            $t->id();
            $t->string('queue')->index();
            $t->longText('payload');
            $t->unsignedTinyInteger('attempts');
            $t->unsignedInteger('reserved_at')->nullable();
            $t->unsignedInteger('available_at');
            $t->unsignedInteger('created_at');
        });
    }
};
