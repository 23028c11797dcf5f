<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What was chosen in the field to be staked, and is no prepared point. Of the day: a packed project leaves it behind, and marks
        // keep what they need of it.
        Schema::create('aims', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->string('key');
            $t->string('at');
            $t->string('kind');
            $t->string('name');
            $t->string('source')->default('');
            $t->string('series')->default('');
            $t->string('code')->default('');
            $t->string('judged')->default('');
            // A place along a line names that line.
            $t->foreignId('line_id')->nullable()->constrained('aims');
            // Where it is; of a line, where it was touched; of an elevation, the elevation alone.
            $t->double('northing')->nullable();
            $t->double('easting')->nullable();
            $t->double('elevation')->nullable();
            // Of a line: its parallels and heights.
            $t->json('lay')->nullable();
            // Grows with every change of what is designed: what was measured against another version is no evidence for this one.
            $t->unsignedInteger('version')->default(1);
            // Preparation as it was when it was last held against the drawing.
            $t->unsignedInteger('prepared')->default(0);
            $t->boolean('put_away')->default(false);
            // What it was taken from, as it was touched; last, for it may be long, and is not asked for while staking.
            $t->json('given');
            $t->unique(['project_id', 'key']);
        });
        // The pieces of a line: as it was touched, and of the parallel that is staked. In tables of their own, and in blocks, for the database
        // reads a row from its beginning, and a line may have ten thousand.
        Schema::create('aim_lines', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('aim_id')->constrained('aims');
            $t->boolean('touched');
            $t->binary('head');
            $t->unique(['aim_id', 'touched']);
        });
        Schema::create('aim_blocks', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('line_id')->constrained('aim_lines');
            $t->unsignedInteger('place');
            $t->binary('bytes');
            $t->unique(['line_id', 'place']);
        });
        Schema::table('marks', static function (Blueprint $t): void {
            // By its key and not its number, so that it names no other one in a project that was unpacked.
            $t->string('aim_key')->default('');
            $t->json('aimed')->nullable();
            $t->string('judged')->default('plan_and_height');
            $t->boolean('left_so')->default(false);
        });
        Schema::table('codes', static function (Blueprint $t): void {
            $t->string('judged')->default('');
        });
        Schema::table('worklists', static function (Blueprint $t): void {
            $t->string('judged')->default('');
        });
    }
};
