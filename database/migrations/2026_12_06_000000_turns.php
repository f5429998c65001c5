<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** What several may want to change something by at once. */
    private const TABLES = ['groups', 'learners', 'meetings'];

    public function up(): void
    {
        foreach (self::TABLES as $table) {
            DB::statement("alter table `$table` add column `turn` int unsigned not null default 0 comment 'how often somebody took theirs', algorithm=instant");
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $table) {
            DB::statement("alter table `$table` drop column `turn`, algorithm=instant");
        }
    }
};
