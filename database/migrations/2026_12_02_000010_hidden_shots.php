<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // How it was found from several readings, and which came before its own; null where one was enough.
        Schema::table('marks', function (Blueprint $t): void {
            $t->text('found_from')->nullable();
        });
    }
};
