<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('projects', function (Blueprint $t): void {
            $t->unsignedInteger('active_design_id')->nullable();
        });
        Schema::table('designs', function (Blueprint $t): void {
            $t->string('role')->default('design');
            $t->string('revision')->default('');
            $t->foreignId('revises_id')->nullable();
            $t->boolean('current')->default(true);
            $t->string('upload')->default('');
            $t->string('place_word')->default('line');
            // Body of the work, without what strays; and what strays, a sentence each.
            $t->json('extent')->nullable();
            $t->json('strays')->default('[]');
            $t->json('placement')->nullable();
            $t->json('changes')->nullable();
            $t->binary('added')->nullable();
            $t->binary('gone')->nullable();
            $t->binary('moved')->nullable();
        });
        Schema::table('design_layers', function (Blueprint $t): void {
            $t->json('curves')->default('[]');
            $t->boolean('pickable')->default(true);
            $t->string('own_colour')->nullable();
        });
        Schema::table('control_points', function (Blueprint $t): void {
            $t->boolean('held_fixed')->default(true);
            $t->double('plan_deviation')->nullable();
            $t->double('height_deviation')->nullable();
        });
        Schema::table('stakeout_points', function (Blueprint $t): void {
            $t->json('attributes')->nullable();
            $t->double('label_north')->nullable();
            $t->double('label_east')->nullable();
        });
        // How files of one shape were read the last time.
        Schema::create('remembered_layouts', function (Blueprint $t): void {
            $t->string('shape')->primary();
            $t->json('layout');
        });
        // The last design taken is the one that was worked with.
        DB::statement(
            'UPDATE projects SET active_design_id = (SELECT max(id) FROM designs d WHERE d.project_id = projects.id AND d.removed_at '
                .'IS NULL)',
        );
    }
};
