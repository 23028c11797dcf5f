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
        // A mark is never taken out of the book: it is struck, with a reason, or the strike is taken back; the latest says which.
        Schema::create('strikes', function (Blueprint $t): void {
            $t->id();
            $t->foreignId('project_id')->constrained();
            $t->foreignId('mark_id')->constrained()->index();
            $t->string('at');
            $t->boolean('struck');
            $t->string('reason');
            $t->string('by')->default('');
        });
        foreach (['UPDATE', 'DELETE'] as $verb) {
            DB::statement('CREATE TRIGGER strikes_no_'
                .strtolower($verb)
                ." BEFORE $verb ON strikes BEGIN SELECT RAISE(ABORT, 'the field book can only be added to'); END");
        }
        DB::statement('DROP VIEW standing_marks');
        DB::statement('CREATE VIEW standing_marks AS SELECT * FROM marks m WHERE NOT EXISTS (SELECT 1 FROM marks newer WHERE newer.mends = m.id)
            AND NOT coalesce((SELECT s.struck FROM strikes s WHERE s.mark_id = m.id ORDER BY s.id DESC LIMIT 1), 0)');
    }
};
