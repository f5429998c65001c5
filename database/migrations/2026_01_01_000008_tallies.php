<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('standings', function (Blueprint $table): void {
            // What a later check is added to; rows from before get theirs with their next check.
            $table->text('tally')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('standings', fn (Blueprint $table) => $table->dropColumn('tally'));
    }
};
