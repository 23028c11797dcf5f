<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What belongs together under a name, such as a phase of the work: which drawing and surface are worked with, and what is shown beside them.
        Schema::create('phases', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->foreignId('design_id')->nullable()->constrained();
            $t->foreignId('surface_id')->nullable()->constrained();
            $t->double('vertical_offset')->default(0);
            $t->unique(['project_id', 'name']);
        });
        Schema::create('phase_members', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('phase_id')->constrained();
            $t->foreignId('design_id')->nullable()->constrained();
            $t->foreignId('alignment_id')->nullable()->constrained();
            $t->foreignId('surface_id')->nullable()->constrained();
            $t->boolean('shown');
        });
    }
};
