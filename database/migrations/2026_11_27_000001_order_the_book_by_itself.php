<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const BOOK = ['observations', 'setups', 'marks'];

    public function up(): void
    {
        DB::statement(
            'CREATE TABLE book_sequence (seq INTEGER PRIMARY KEY AUTOINCREMENT, at TEXT NOT NULL, steady REAL, boot TEXT NOT NULL '
                .'DEFAULT \'\')',
        );
        Schema::table('marks', function (Blueprint $t): void {
            // The control point that a check was taken on; its name and place stand in the mark besides.
            $t->unsignedInteger('control_id')->nullable();
        });
        foreach (self::BOOK as $table) {
            Schema::table($table, static fn (Blueprint $t) => $t->unsignedInteger('seq')->nullable()->unique());
        }
        Schema::table('projects', static function (Blueprint $t): void {
            // Being unpacked: nobody sees it before it is whole.
            $t->boolean('arriving')->default(false);
        });
        Schema::table('tasks', static function (Blueprint $t): void {
            // Which worker has it.
            $t->string('worker')->default('');
        });
        $this->numberWhatIsThere();
        DB::statement('DROP VIEW field_book');
        DB::statement("CREATE VIEW field_book AS
            SELECT 'reading' AS kind, id, project_id, at, seq FROM observations
            UNION ALL SELECT 'setup', id, project_id, at, seq FROM setups
            UNION ALL SELECT kind, id, project_id, at, seq FROM marks");
        foreach (['UPDATE', 'DELETE'] as $verb) {
            DB::statement('CREATE TRIGGER book_sequence_no_'
                .strtolower($verb)
                ." BEFORE $verb ON book_sequence BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END");
        }
    }

    /** Lines of earlier versions stand in the order of their times, as they were shown. */
    private function numberWhatIsThere(): void
    {
        DB::statement(
            "INSERT INTO book_sequence (at) SELECT at FROM field_book ORDER BY at, CASE kind WHEN 'reading' THEN 0 WHEN 'setup' THEN "
                .'1 ELSE 2 END, id',
        );
        DB::statement("CREATE TEMPORARY TABLE numbered AS SELECT CASE kind WHEN 'reading' THEN 'observations' WHEN 'setup' THEN 'setups' ELSE 'marks' END AS of, id,
            row_number() OVER (ORDER BY at, CASE kind WHEN 'reading' THEN 0 WHEN 'setup' THEN 1 ELSE 2 END, id) AS seq FROM field_book");
        DB::statement('CREATE INDEX temp.numbered_rows ON numbered (of, id)');
        foreach (self::BOOK as $table) {
            DB::statement("DROP TRIGGER {$table}_no_update");
            DB::statement("UPDATE $table SET seq = (SELECT seq FROM numbered WHERE of = '$table' AND numbered.id = $table.id)");
            DB::statement(
                "CREATE TRIGGER {$table}_no_update BEFORE UPDATE ON $table BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END",
            );
        }
        DB::statement('DROP TABLE numbered');
    }
};
