<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('learners', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('name', 40);
            $table->string('age_band', 8);
            $table->string('hand', 8)->nullable();
            $table->dateTime('archived_at')->nullable();
            $table->timestamps();
            $table->index(['group_id', 'name']);
        });
        Schema::create('ropes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('name', 60);
            $table->decimal('diameter_mm', 5, 1);
            $table->string('material', 16);
            $table->boolean('is_usual')->default(false);
            $table->timestamps();
        });
        Schema::create('meetings', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->date('date');
            $table->char('starts_at', 5);
            $table->unsignedSmallInteger('minutes');
            $table->unsignedTinyInteger('checkers');
            $table->string('place', 80)->nullable();
            $table->timestamps();
            $table->unique(['group_id', 'date', 'starts_at']);
        });
        Schema::create('attendances', function (Blueprint $table): void {
            $table->foreignUuid('meeting_id')->constrained();
            $table->foreignUuid('learner_id')->constrained();
            $table->boolean('present');
            $table->foreignUuid('marked_by')->constrained('users');
            $table->timestamps();
            $table->primary(['meeting_id', 'learner_id']);
        });
        Schema::create('group_badges', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('badge', 60);
            $table->date('due_on')->nullable();
            $table->timestamps();
            $table->unique(['group_id', 'badge']);
        });
        Schema::create('pursuits', function (Blueprint $table): void {
            $table->foreignUuid('learner_id')->constrained();
            $table->string('badge', 60);
            $table->unsignedInteger('version');
            $table->timestamps();
            $table->primary(['learner_id', 'badge']);
        });
    }

    public function down(): void
    {
        foreach (['pursuits', 'group_badges', 'attendances', 'meetings', 'ropes', 'learners'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
