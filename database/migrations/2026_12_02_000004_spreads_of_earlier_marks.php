<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Marks of earlier versions kept no spread, and no mark is ever changed: theirs stands beside them, worked out once when Parlay starts.
        Schema::create('mark_spreads', function (Blueprint $t): void {
            $t->unsignedInteger('mark_id')->primary();
            $t->text('spread');
        });
    }
};
