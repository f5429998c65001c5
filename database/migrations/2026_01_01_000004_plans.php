<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('groups', function (Blueprint $table): void {
            $table->decimal('old_share', 3, 2)->default(0.20);
            $table->unsignedTinyInteger('new_knots')->nullable();
            $table->json('methods')->nullable();
            $table->char('calendar_hash', 64)->nullable()->unique();
            $table->boolean('calendar_places')->default(false);
        });
        Schema::table('meetings', function (Blueprint $table): void {
            $table->json('objects')->nullable();
            $table->json('bans')->nullable();
            $table->dateTime('started_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->dateTime('cancelled_at')->nullable();
            $table->unsignedInteger('sequence')->default(0);
        });
        // Where the accepted plan has each knot (null: left out), and whether a leader put it there.
        Schema::create('plan_places', function (Blueprint $table): void {
            $table->foreignUuid('group_id')->constrained();
            $table->string('knot', 60);
            $table->foreignUuid('meeting_id')->nullable()->constrained();
            $table->boolean('pinned')->default(false);
            $table->timestamps();
            $table->primary(['group_id', 'knot']);
        });
        // The blocks of a meeting under way, as they were when it began, and what became of them.
        Schema::create('block_runs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('meeting_id')->constrained();
            $table->unsignedSmallInteger('position');
            $table->string('kind', 12);
            $table->string('knot', 60)->nullable();
            $table->json('stations');
            $table->decimal('planned', 5, 1);
            $table->string('state', 8)->default('waiting');
            $table->dateTime('started_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->timestamps();
            $table->index(['meeting_id', 'position']);
        });
        Schema::create('stocks', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('name', 60);
            $table->string('kind', 8);
            $table->decimal('diameter_mm', 5, 1);
            $table->string('material', 16);
            $table->string('lay', 8);
            $table->string('colour', 30)->nullable();
            $table->string('ends', 8);
            $table->unsignedInteger('length_mm');
            $table->unsignedSmallInteger('count')->default(1);
            $table->unsignedSmallInteger('taken')->default(0);
            $table->timestamps();
            $table->unique(['group_id', 'name']);
        });
    }

    public function down(): void
    {
        foreach (['stocks', 'block_runs', 'plan_places'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('meetings', fn (Blueprint $table) => $table->dropColumn(['objects', 'bans', 'started_at', 'ended_at', 'cancelled_at', 'sequence']));
        Schema::table('groups', fn (Blueprint $table) => $table->dropColumn(['old_share', 'new_knots', 'methods', 'calendar_hash', 'calendar_places']));
    }
};
