<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Who hands over: at the head of what is printed, and on which paper. Apart from the project, which is read with every request.
        Schema::create('letterheads', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->unique()->constrained();
            $t->string('firm')->default('');
            $t->string('address')->default('');
            $t->string('paper')->default('a4');
            $t->binary('logo')->nullable();
        });
    }
};
