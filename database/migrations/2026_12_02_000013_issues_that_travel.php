<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Of an issue that came in with a packed project: which points, marks and designs here its frozen numbers mean. Null where it was issued here.
        Schema::table('report_issues', function (Blueprint $t): void {
            $t->text('renumbered')->nullable();
        });
    }
};
