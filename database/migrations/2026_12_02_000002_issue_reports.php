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
        // A report that was issued: its figures stay as they were, whatever becomes of the marks.
        Schema::create('report_issues', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->foreignId('task_id')->constrained();
            $t->integer('number');
            $t->string('name')->default('');
            $t->string('author')->default('');
            $t->string('at');
            $t->string('zone');
            $t->text('scope');
            $t->text('counts');
            // JSON, deflated (IssuedFigures); its checksum is what is printed.
            $t->binary('figures');
            $t->string('checksum');
            $t->string('file_checksum');
            $t->unique(['project_id', 'number']);
            $t->unique('task_id');
        });
        foreach (['UPDATE', 'DELETE'] as $verb) {
            DB::statement('CREATE TRIGGER report_issues_no_'
                .strtolower($verb)
                ." BEFORE $verb ON report_issues BEGIN SELECT RAISE(ABORT, 'what was issued stays as it is'); END");
        }
    }
};
