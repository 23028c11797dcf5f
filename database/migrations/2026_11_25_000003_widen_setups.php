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
        Schema::create('instruments', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            // As its maker states them: seconds for a mean of two faces, millimetres, parts per million.
            $t->double('direction_seconds');
            $t->double('zenith_seconds');
            $t->double('distance_millimetres');
            $t->double('distance_ppm');
            $t->double('centring');
            // From the trunnion axis to the notch that slanted heights are measured to: outward, and up.
            $t->double('notch_radius')->default(0.0);
            $t->double('notch_drop')->default(0.0);
            $t->double('collimation_seconds')->default(0.0);
            $t->double('index_seconds')->default(0.0);
            $t->double('wavelength')->default(0.658);
            $t->double('reference_pressure')->default(1013.25);
            $t->double('reference_temperature')->default(12.0);
            $t->double('reference_humidity')->default(0.6);
            $t->unique(['project_id', 'name']);
        });
        Schema::create('targets', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('name');
            $t->string('kind');
            $t->double('prism_constant');
            $t->double('height');
            $t->unique(['project_id', 'name']);
        });
        Schema::table('observations', function (Blueprint $t): void {
            $t->string('target_name')->default('');
            $t->double('humidity')->default(0.6);
            // The correction of distances where it was not to be computed by the standard carrier: typed, or by another instrument's.
            $t->double('ppm_given')->nullable();
            $t->double('scale')->default(1.0);
            // How much less certain its angles are than a mean of two faces.
            $t->double('angles')->default(1.0);
            // Taken out of readings of one face alone: the instrument's collimation and index, radians.
            $t->double('collimation')->default(0.0);
            $t->double('index_error')->default(0.0);
        });
        Schema::table('setups', function (Blueprint $t): void {
            // The setup that this one replaces after something of it was mended.
            $t->unsignedInteger('stands_for')->nullable();
            $t->string('note')->default('');
            // All it was accepted on, so that it can be worked out anew; and the setup of which it kept a part.
            $t->json('draft')->nullable();
            $t->json('accuracy')->nullable();
            $t->unsignedInteger('base_id')->nullable();
        });
        Schema::table('marks', function (Blueprint $t): void {
            // The mark that this one replaces after something it hung on was mended.
            $t->unsignedInteger('mends')->nullable()->index();
        });
        DB::statement(
            'CREATE VIEW standing_marks AS SELECT * FROM marks m WHERE NOT EXISTS (SELECT 1 FROM marks newer WHERE newer.mends = m.id)',
        );
        Schema::create('corrections', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->foreignId('observation_id')->constrained();
            $t->string('at');
            $t->double('target_height');
            $t->double('prism_constant');
            $t->string('note');
        });
        foreach (['UPDATE', 'DELETE'] as $verb) {
            DB::statement('CREATE TRIGGER corrections_no_'
                .strtolower($verb)
                ." BEFORE $verb ON corrections BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END");
        }
    }
};
