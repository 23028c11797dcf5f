<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Pictures taken at a shot. Of its reading, and not of its mark: a mark is mended, and its reading stays.
        Schema::create('photographs', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->foreignId('observation_id')->constrained();
            $t->string('key');
            $t->string('at');
            $t->string('caption')->default('');
            $t->integer('wide');
            $t->integer('high');
            $t->string('checksum');
            $t->binary('bytes');
            $t->unique(['project_id', 'key']);
            $t->index(['project_id', 'observation_id']);
        });
    }
};
