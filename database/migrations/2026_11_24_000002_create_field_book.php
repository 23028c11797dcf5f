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
        Schema::create('setups', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key')->unique();
            $t->string('at');
            $t->string('method');
            $t->string('station_name');
            $t->double('northing');
            $t->double('easting');
            $t->double('elevation')->nullable();
            $t->double('orientation');
            $t->double('instrument_height');
            $t->json('solution');
            $t->json('sights');
            $t->string('instrument');
            $t->string('computed_by');
        });
        Schema::create('observations', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key')->unique();
            $t->string('at');
            $t->string('purpose');
            $t->string('sighted')->default('');
            $t->foreignId('setup_id')->nullable()->constrained();
            $t->double('circle');
            $t->double('zenith');
            $t->double('slope');
            $t->double('ppm_applied');
            $t->double('prism_constant_applied');
            $t->double('target_height');
            $t->double('prism_constant');
            $t->double('pressure');
            $t->double('temperature');
            $t->string('instrument');
            $t->json('accuracy');
        });
        Schema::create('marks', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key')->unique();
            $t->string('at');
            $t->string('kind');
            $t->foreignId('setup_id')->constrained();
            $t->foreignId('observation_id')->constrained();
            // What it was measured against; the design is kept as it was, so no foreign key ties it to what may be edited.
            $t->unsignedInteger('point_id')->nullable();
            $t->string('name');
            $t->string('code')->default('');
            $t->double('design_northing')->nullable();
            $t->double('design_easting')->nullable();
            $t->double('design_elevation')->nullable();
            $t->string('design_source')->default('');
            $t->double('northing');
            $t->double('easting');
            $t->double('elevation')->nullable();
            $t->double('plan_tolerance');
            $t->double('height_tolerance');
            $t->string('verdict');
            $t->string('computed_by');
            $t->index(['project_id', 'kind', 'point_id']);
        });
        foreach (['setups', 'observations', 'marks'] as $table) {
            foreach (['UPDATE', 'DELETE'] as $verb) {
                DB::statement("CREATE TRIGGER {$table}_no_"
                    .strtolower($verb)
                    ." BEFORE $verb ON $table BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END");
            }
        }
        DB::statement("CREATE VIEW field_book AS
            SELECT 'reading' AS kind, id, project_id, at FROM observations
            UNION ALL SELECT 'setup', id, project_id, at FROM setups
            UNION ALL SELECT kind, id, project_id, at FROM marks");
    }
};
