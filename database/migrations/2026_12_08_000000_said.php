<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What was answered to a check is written down as what was said, in no language yet, which is longer than the English sentence.
 * An app of before goes on writing sentences: those are read as they stand.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table check_events modify answer_next varchar(2000) not null, algorithm=instant');
    }

    public function down(): void
    {
        // It stays as long as it is: what was written since would not fit.
    }
};
