<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The side a phone has turned the knot to, in degrees; null as long as it has not.
        Schema::table('remotes', function (Blueprint $table): void {
            $table->smallInteger('yaw')->nullable();
            $table->smallInteger('pitch')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('remotes', function (Blueprint $table): void {
            $table->dropColumn(['yaw', 'pitch']);
        });
    }
};
