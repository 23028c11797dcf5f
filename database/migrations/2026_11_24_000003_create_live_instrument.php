<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        $live = Schema::connection('live');
        if ($live->hasTable('instructions')) {
            return;
        }
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
    }
};
