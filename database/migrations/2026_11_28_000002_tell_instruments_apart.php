<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Of the instrument that measured; empty where that is not known, as of readings that were typed.
        Schema::table('observations', static function (Blueprint $t): void {
            $t->string('serial')->default('');
        });
        Schema::table('setups', static function (Blueprint $t): void {
            $t->string('serial')->default('');
        });
    }
};
