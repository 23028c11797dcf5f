<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Five earlier migrations were changed after they had landed: a folder that was made in between lacks what was put into them later. Here it gets what is missing;
 * where nothing is, nothing happens.
 */
return new class extends Migration
{
    /** Bytes of a packed line: before its boxes, of a box, of a piece; pieces to a block. */
    private const HEAD = 16;

    private const BOX = 32;

    private const LEG = 64;

    private const BLOCK = 64;

    public function up(): void
    {
        $this->add('worklists', 'skipped', static fn (Blueprint $t) => $t->json('skipped')->default('[]'));
        $this->add('projects', 'arriving', static fn (Blueprint $t) => $t->boolean('arriving')->default(false));
        $this->add('tasks', 'worker', static fn (Blueprint $t) => $t->string('worker')->default(''));
        $this->add('projects', 'staking', static fn (Blueprint $t) => $t->json('staking')->nullable());
        $this->add('marks', 'note', static fn (Blueprint $t) => $t->string('note')->default(''));
        $this->add('build_shots', 'off', static fn (Blueprint $t) => $t->double('off')->nullable());
        if (! Schema::hasTable('aim_lines')) {
            $this->linesOfTheirOwn();
        }
    }

    /** @param  callable(Blueprint): mixed  $column */
    private function add(string $table, string $name, callable $column): void
    {
        if (! Schema::hasColumn($table, $name)) {
            Schema::table($table, static function (Blueprint $t) use ($column): void {
                $column($t);
            });
        }
    }

    /** Lines stood whole in the row of what is staked. */
    private function linesOfTheirOwn(): void
    {
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
        foreach (DB::table('aims')->whereNotNull('legs')->pluck('id') as $id) {
            $row = DB::table('aims')->where('id', $id)->first(['legs', 'touched_legs']);
            foreach ([[false, $row?->legs], [true, $row?->touched_legs]] as [$touched, $bytes]) {
                if (is_string($bytes)) {
                    $this->split((int) $id, $touched, $bytes);
                }
            }
        }
    }

    private function split(int $aim, bool $touched, string $bytes): void
    {
        $count = strlen($bytes) < self::HEAD ? 0 : (int) (unpack('V', $bytes)[1] ?? 0);
        $head = self::HEAD + self::BOX * (int) ceil($count / self::BLOCK);
        $line = DB::table('aim_lines')->insertGetId(['aim_id' => $aim, 'touched' => $touched, 'head' => DB::raw("X'".bin2hex(substr($bytes, 0, $head))."'")]);
        foreach (str_split(substr($bytes, $head), self::LEG * self::BLOCK) as $place => $block) {
            DB::table('aim_blocks')->insert(['line_id' => $line, 'place' => $place, 'bytes' => DB::raw("X'".bin2hex($block)."'")]);
        }
    }
};
