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
        $live = Schema::connection('live');
        if ($live->hasTable('instrument')) {
            return;
        }
        $live->create('instrument', function (Blueprint $t): void {
            $t->id();
            $t->string('link');
            $t->float('heard_at');
            $t->float('retry_at')->nullable();
            $t->json('status')->nullable();
            $t->json('reading')->nullable();
            $t->float('reading_at')->nullable();
            $t->unsignedInteger('seq')->default(0);
        });
        $live->create('instructions', function (Blueprint $t): void {
            $t->id();
            $t->string('key')->unique();
            $t->string('kind');
            $t->json('content');
            $t->json('purpose')->nullable();
            $t->string('state');
            $t->string('why')->nullable();
            $t->unsignedInteger('observation_id')->nullable();
            $t->index('state');
        });
        DB::connection('live')->table('instrument')->insert(['id' => 1, 'link' => 'starting', 'heard_at' => 0.0]);
    }
};
