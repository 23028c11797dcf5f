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
        Schema::table('control_points', function (Blueprint $t): void {
            // From the site surveyor's list, the station of a setup, or measured from one.
            $t->string('origin')->default('listed');
            // The setup whose station it is, by the number it was accepted under.
            $t->unsignedInteger('setup_id')->nullable();
        });
        $station = 'measured: setup ';
        DB::table('control_points')->where('source', 'measured: new control')->update(['origin' => 'measured']);
        DB::table('control_points')->whereLike('source', "$station%")
            ->update(['origin' => 'station', 'setup_id' => DB::raw('CAST(substr(source, '.(strlen($station) + 1).') AS INTEGER)')]);
    }
};
