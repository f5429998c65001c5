<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What is left of a learner who was erased, or whose entry went up in another: an id, so that nothing comes back by a late phone.
        Schema::create('gone_learners', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->uuid('into_id')->nullable();
            $table->timestamps();
        });
        Schema::create('devices', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('user_id')->constrained();
            $table->string('label', 80);
            $table->dateTime('seen_at');
            $table->dateTime('revoked_at')->nullable();
            $table->timestamps();
        });
        Schema::table('groups', function (Blueprint $table): void {
            // How the group's own learners forget, once a leader has taken it over; null: the usual figures.
            $table->json('memory_model')->nullable();
        });
        Schema::table('check_events', function (Blueprint $table): void {
            // The mistakes of a knot in a group, counted for its check sheet.
            $table->index(['group_id', 'knot', 'mistake']);
        });
    }

    public function down(): void
    {
        Schema::table('check_events', fn (Blueprint $table) => $table->dropIndex(['group_id', 'knot', 'mistake']));
        Schema::table('groups', fn (Blueprint $table) => $table->dropColumn('memory_model'));
        Schema::dropIfExists('devices');
        Schema::dropIfExists('gone_learners');
    }
};
