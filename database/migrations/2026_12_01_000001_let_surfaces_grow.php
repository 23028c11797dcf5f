<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('surface_builds', static function (Blueprint $t): void {
            // Its triangulation so far (GrowingMesh): a shot is added to it, and it is not made anew.
            $t->binary('grown')->nullable();
        });
    }
};
