<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('check_events', function (Blueprint $table): void {
            // How long the tying took, where somebody wanted to know.
            $table->decimal('took_s', 5, 1)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('check_events', fn (Blueprint $table) => $table->dropColumn('took_s'));
    }
};
