<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What may stand above its design, where that is not what may stand below: a floor of +0 and -10 mm. Null where it is the same.
        Schema::table('projects', function (Blueprint $t): void {
            $t->double('above_tolerance')->nullable();
        });
        Schema::table('codes', function (Blueprint $t): void {
            $t->double('above_tolerance')->nullable();
        });
        Schema::table('marks', function (Blueprint $t): void {
            $t->double('above_tolerance')->nullable();
        });
    }
};
