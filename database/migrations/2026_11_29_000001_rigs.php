<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Rigs whose rope a meeting packs, with the answers they were worked out by.
        Schema::create('meeting_rigs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('meeting_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('rope_id')->constrained();
            $table->string('rig', 60);
            $table->unsignedSmallInteger('version');
            $table->json('answers');
            $table->json('knots');
            $table->timestamps();
            $table->unique(['meeting_id', 'rig']);
        });
        // That an adult has ticked what has to be looked at before a rig is built: who, what and when stay with the meeting.
        Schema::create('rig_gates', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('meeting_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('user_id')->constrained();
            $table->string('rig', 60);
            $table->unsignedSmallInteger('version');
            $table->string('adult', 80);
            $table->json('lines');
            $table->dateTime('ticked_at');
            $table->timestamps();
            $table->unique(['meeting_id', 'rig']);
        });
    }

    public function down(): void
    {
        Schema::drop('rig_gates');
        Schema::drop('meeting_rigs');
    }
};
