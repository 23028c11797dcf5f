<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('design_layers', function (Blueprint $t): void {
            // In which layer of the next revision each shape went on, and as which: four bytes a shape, all bits set where it is gone.
            $t->foreignId('next_layer_id')->nullable();
            $t->binary('successors')->nullable();
        });
        Schema::create('grid_lines', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->string('family');
            // A straight line from one end to the other, or a ring about the first.
            $t->double('northing1');
            $t->double('easting1');
            $t->double('northing2');
            $t->double('easting2');
            $t->boolean('ring')->default(false);
            $t->unique(['project_id', 'name']);
        });
        Schema::create('codes', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('code');
            $t->string('description')->default('');
            $t->string('colour')->nullable();
            $t->string('mark')->default('');
            $t->string('trade')->default('');
            $t->double('plan_tolerance')->nullable();
            $t->double('height_tolerance')->nullable();
            $t->unique(['project_id', 'code']);
        });
        Schema::create('worklists', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            // In the order in which they are to be staked.
            $t->json('point_ids');
            // Left out on site for now: they are told at the end of the list.
            $t->json('skipped')->default('[]');
            $t->unique(['project_id', 'name']);
        });
    }
};
