<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A group's own badges; a change is a new version.
        Schema::create('badge_packs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('badge', 60);
            $table->unsignedInteger('version');
            $table->json('pack');
            $table->foreignUuid('made_by')->constrained('users');
            $table->timestamps();
            $table->unique(['group_id', 'badge', 'version']);
        });
        // Requirements that are no knot, ticked off by a leader.
        Schema::create('badge_ticks', function (Blueprint $table): void {
            $table->foreignUuid('learner_id')->constrained();
            $table->char('note', 16);
            $table->foreignUuid('ticked_by')->constrained('users');
            $table->timestamps();
            $table->primary(['learner_id', 'note']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('badge_ticks');
        Schema::dropIfExists('badge_packs');
    }
};
