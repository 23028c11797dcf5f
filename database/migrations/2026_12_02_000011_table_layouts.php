<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Which columns of the report's table go out, and in which order, under a name.
        Schema::create('table_layouts', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->text('columns');
            $t->unique(['project_id', 'name']);
        });
    }
};
