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
        Schema::table('setups', static function (Blueprint $t): void {
            // What people call it by: counted in its project; a version has the number of the setup it stands for.
            $t->unsignedInteger('number')->default(0);
        });
        DB::statement('DROP TRIGGER setups_no_update');
        DB::statement('UPDATE setups SET number = (SELECT count(*) FROM setups AS r
            WHERE r.project_id = setups.project_id AND r.stands_for IS NULL AND r.id <= coalesce(setups.stands_for, setups.id))');
        DB::statement(
            "CREATE TRIGGER setups_no_update BEFORE UPDATE ON setups BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END",
        );
        // Stations name the setup that found them in words, too.
        DB::statement("UPDATE control_points SET
            source = 'setup ' || (SELECT number FROM setups WHERE setups.id = control_points.setup_id),
            description = replace(description, 'setup ' || setup_id, 'setup ' || (SELECT number FROM setups WHERE setups.id = control_points.setup_id))
            WHERE origin = 'station' AND EXISTS (SELECT 1 FROM setups WHERE setups.id = control_points.setup_id)");
    }
};
