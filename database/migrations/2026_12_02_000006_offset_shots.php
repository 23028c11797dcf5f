<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // How far what was measured lies beside the prism that was read; null where the prism stood on it.
        Schema::table('marks', function (Blueprint $t): void {
            $t->text('shot_offset')->nullable();
        });
    }
};
