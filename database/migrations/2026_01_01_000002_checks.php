<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('check_events', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->unsignedTinyInteger('schema');
            $table->string('kind', 12);
            $table->foreignUuid('group_id')->constrained();
            $table->foreignUuid('learner_id')->constrained();
            $table->string('knot', 60);
            $table->string('method', 60)->nullable();
            $table->foreignUuid('meeting_id')->nullable()->constrained();
            $table->string('device', 64);
            $table->unsignedInteger('device_seq');
            $table->dateTime('observed_at', 3);
            $table->dateTime('received_at', 3);
            // observed_at with the device clock's error taken out, and that error in seconds where it was over an hour.
            $table->dateTime('corrected_at', 3);
            $table->integer('clock_off_s')->default(0);
            $table->date('day');
            $table->foreignUuid('by')->constrained('users');
            foreach (['tying', 'dressing', 'tail', 'purpose', 'test'] as $part) {
                $table->string($part, 16);
            }
            $table->string('how', 12);
            $table->decimal('measured_mm', 7, 1)->nullable();
            $table->string('measured_by', 12)->nullable();
            $table->json('rope')->nullable();
            $table->unsignedTinyInteger('prompts');
            $table->string('mistake', 60)->nullable();
            $table->string('note', 500)->nullable();
            $table->uuid('target')->nullable();
            $table->string('verdict', 16);
            // What was answered when it came in, so that a repeat is answered the same.
            $table->string('answer_level', 12)->nullable();
            $table->string('answer_next', 600);
            $table->unsignedInteger('rule_version');
            $table->unsignedInteger('pack_version');
            $table->index(['learner_id', 'knot']);
            $table->index(['group_id', 'day']);
            $table->index('target');
        });
        Schema::create('standings', function (Blueprint $table): void {
            $table->foreignUuid('learner_id')->constrained();
            $table->string('knot', 60);
            $table->foreignUuid('group_id')->constrained();
            $table->string('level', 12)->nullable();
            $table->string('verdict', 16);
            $table->string('tying', 16);
            $table->string('dressing', 16);
            $table->string('tail', 16);
            $table->unsignedTinyInteger('prompts');
            $table->date('day');
            $table->uuid('event_id');
            $table->boolean('two_leaders');
            $table->date('has_it_since')->nullable();
            $table->date('kept_since')->nullable();
            $table->double('half_life_days')->nullable();
            $table->date('last_day')->nullable();
            $table->primary(['learner_id', 'knot']);
            $table->index('group_id');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('standings');
        Schema::dropIfExists('check_events');
    }
};
