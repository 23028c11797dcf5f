<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // When its maker's or a laboratory's certificate was written, as 2026-03-14, and its number; empty where nobody has said.
        Schema::table('instruments', function (Blueprint $t): void {
            $t->string('calibrated_on')->default('');
            $t->string('certificate')->default('');
        });
    }
};
