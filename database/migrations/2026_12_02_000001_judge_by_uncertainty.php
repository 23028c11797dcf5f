<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('projects', static function (Blueprint $t): void {
            // By what rule a mark conforms to its tolerance, and how probable that has to be. Before there was a choice it was the measured figure alone.
            $t->string('acceptance')->default('simple');
            $t->double('acceptance_level')->default(0.95);
        });
        Schema::table('marks', static function (Blueprint $t): void {
            // How far the deviation may be wrong, as JSON (DeviationSpread); worked out from reading and setup where a mark of before has none.
            $t->text('spread')->nullable();
        });
    }
};
