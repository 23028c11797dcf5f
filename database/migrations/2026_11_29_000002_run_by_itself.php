<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A run over many points, driven by the process that holds the link. Of the day, like the targets.
        Schema::create('runs', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key');
            $t->string('at');
            $t->string('state');
            $t->string('why')->default('');
            // Who gives the commands: one device leads, others look on.
            $t->string('leader');
            $t->json('settings');
            // The step it is at, from 0.
            $t->unsignedInteger('place')->default(0);
            $t->unique(['project_id', 'key']);
            $t->index('state');
        });
        Schema::create('run_steps', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('run_id')->constrained();
            $t->unsignedInteger('place');
            $t->unsignedInteger('point_id')->nullable();
            $t->unsignedInteger('aim_id')->nullable();
            $t->unsignedInteger('aim_version')->nullable();
            $t->string('name');
            $t->string('state');
            $t->string('why')->default('');
            $t->unsignedInteger('tries')->default(0);
            // Each time it is taken up anew, what the instrument is told has names of its own.
            $t->unsignedInteger('attempt')->default(0);
            $t->json('miss')->nullable();
            $t->unsignedInteger('mark_id')->nullable();
            $t->unique(['run_id', 'place']);
        });
        Schema::table('projects', static function (Blueprint $t): void {
            // What the sheet shows while staking, and what follows a mark.
            $t->json('staking')->nullable();
        });
        Schema::table('marks', static function (Blueprint $t): void {
            $t->string('note')->default('');
        });
    }
};
