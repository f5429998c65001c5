<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Who of the leaders and helpers goes with which patrol.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table memberships add column if not exists patrol varchar(40) null, algorithm=instant');
    }

    public function down(): void
    {
        DB::statement('alter table memberships drop column if exists patrol, algorithm=instant');
    }
};
