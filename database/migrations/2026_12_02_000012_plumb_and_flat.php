<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Out of plumb by one in so many at most, and flat within so many metres; null where that is only told.
        Schema::table('projects', function (Blueprint $t): void {
            $t->double('plumb_one_in')->nullable();
            $t->double('flat_tolerance')->nullable();
        });
    }
};
