<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('alignments', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            // The file it came in; none where it was made here.
            $t->foreignId('design_id')->nullable()->constrained('designs');
            $t->string('name');
            $t->string('description')->default('');
            $t->string('source')->default('');
            $t->double('length');
            $t->boolean('visible')->default(true);
            // Grows with every change of its geometry, heights or sections.
            $t->unsignedInteger('version')->default(1);
            $t->string('taken_at');
            $t->string('removed_at')->nullable();
            $t->json('extent');
            // Elements, first station, equations (AlignmentRecord).
            $t->json('record');
            // Lines of height along it, designed ones and those of the ground; what lies across it, by sections or by a template.
            $t->json('profiles');
            $t->json('shapes');
            // What it was typed or touched as, where it was made here.
            $t->json('given')->nullable();
            $t->json('remarks');
        });
        Schema::create('surfaces', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->foreignId('design_id')->nullable()->constrained('designs');
            $t->string('name');
            $t->string('description')->default('');
            $t->string('source')->default('');
            // design, ground or as_built
            $t->string('kind');
            $t->boolean('visible')->default(true);
            $t->unsignedInteger('version')->default(1);
            $t->string('taken_at');
            $t->string('removed_at')->nullable();
            $t->unsignedInteger('triangles');
            $t->unsignedInteger('points');
            $t->double('west');
            $t->double('south');
            $t->double('east');
            $t->double('north');
            $t->double('lowest');
            $t->double('highest');
            $t->json('remarks');
            // What it was made from here: points, lines, outline, what was edited.
            $t->json('given')->nullable();
            $t->binary('head');
        });
        Schema::create('surface_tiles', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('surface_id')->constrained('surfaces');
            $t->unsignedInteger('place');
            $t->binary('bytes');
            $t->unique(['surface_id', 'place']);
        });
        // An as-built surface that grows: shots from when it was named until it is left.
        Schema::create('surface_builds', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key');
            $t->string('name');
            $t->foreignId('against_id')->nullable()->constrained('surfaces');
            $t->double('raised')->default(0);
            $t->string('begun_at');
            $t->string('left_at')->nullable();
            $t->foreignId('surface_id')->nullable()->constrained('surfaces');
            $t->unique(['project_id', 'key']);
        });
        Schema::create('build_shots', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('build_id')->constrained('surface_builds');
            $t->foreignId('mark_id')->constrained('marks');
            // Above the design when it was shot, metres: asked for with every shot, it is not worked out anew for thousands.
            $t->double('off')->nullable();
            $t->unique(['build_id', 'mark_id']);
        });
        Schema::table('projects', static function (Blueprint $t): void {
            // Which surface is worked with, how far above or below it, and how alignments are drawn.
            $t->json('civil')->nullable();
        });
    }
};
