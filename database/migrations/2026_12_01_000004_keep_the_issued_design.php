<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('marks', static function (Blueprint $t): void {
            // The design as it was issued, where it is marked beside it: on a wall that stands elsewhere.
            $t->double('issued_northing')->nullable();
            $t->double('issued_easting')->nullable();
            $t->double('issued_elevation')->nullable();
        });
        Schema::table('surfaces', static function (Blueprint $t): void {
            // Within which its grade is judged, metres; null where cut and fill are only told.
            $t->double('tolerance')->nullable();
        });
    }
};
