<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * The database of what is under way: instructions to the instrument, and how far longer work has come.
 *
 * It lies beside the field book's, so that telling and asking wait for no long transaction there. Nothing in it outlives the day, so it
 * has no migrations: where its form is another one, or where it belongs to another field book, it is made anew.
 */
final class LiveSchema
{
    private const VERSION = 3;

    /** @param  string  $belongsTo  what tells this field book from any other that may have been in the same folder */
    public static function ensure(string $belongsTo): void
    {
        $live = Schema::connection('live');
        $db = $live->getConnection();
        $is = $live->hasTable('made_for') ? $db->table('made_for')->first() : null;
        if ($is !== null && (int) $is->version === self::VERSION && $is->book === $belongsTo) {
            return;
        }
        foreach (['instructions', 'task_progress', 'made_for'] as $table) {
            $live->dropIfExists($table);
        }
        $live->create('instructions', static function (Blueprint $t): void {
            $t->id();
            $t->string('key')->unique();
            $t->unsignedInteger('project_id');
            $t->string('kind');
            $t->json('content');
            $t->json('purpose')->nullable();
            $t->json('asked')->nullable();
            $t->string('state');
            $t->string('why')->nullable();
            $t->unsignedInteger('observation_id')->nullable();
            $t->unsignedInteger('mark_id')->nullable();
            $t->json('asks')->nullable();
            $t->index('state');
        });
        $live->create('task_progress', static function (Blueprint $t): void {
            $t->unsignedInteger('task_id')->primary();
            $t->double('part')->default(0);
            $t->string('doing')->default('');
            $t->boolean('cancelled')->default(false);
        });
        $live->create('made_for', static function (Blueprint $t): void {
            $t->unsignedInteger('version');
            $t->string('book');
        });
        $db->table('made_for')->insert(['version' => self::VERSION, 'book' => $belongsTo]);
    }
}
