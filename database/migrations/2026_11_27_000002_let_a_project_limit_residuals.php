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
            // What the project accepts of a setup's residuals, metres; without it the statistical test alone decides.
            $t->double('residual_limit')->nullable();
        });
    }
};
