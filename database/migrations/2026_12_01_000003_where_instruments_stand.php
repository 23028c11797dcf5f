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
        // Where each instrument was set up, in the order in which that was found on this machine: a setup that was unpacked is in it once a check proves it.
        Schema::create('stands', static function (Blueprint $t): void {
            $t->id();
            // As it was first accepted.
            $t->foreignId('setup_id')->constrained('setups');
            $t->index('setup_id');
        });
        DB::statement('INSERT INTO stands (setup_id) SELECT id FROM setups WHERE stands_for IS NULL ORDER BY id');
    }
};
