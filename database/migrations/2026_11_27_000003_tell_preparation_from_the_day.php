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
        Schema::table('projects', static function (Blueprint $t): void {
            // The revision in which points, control or designs changed last: what is only measured changes none of them.
            $t->unsignedInteger('prepared_revision')->default(0);
        });
        DB::table('projects')->update(['prepared_revision' => DB::raw('revision')]);
    }
};
