<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A card that lets learners into the practice corner: the group's, or one learner's own.
        Schema::create('practice_cards', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('learner_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('code_hash', 64)->unique();
            $table->text('code');
            $table->string('hand', 5);
            $table->date('ends_on');
            $table->boolean('hints')->default(false);
            $table->timestamps();
        });
        // What a learner says to have practised: a hint, never a check.
        Schema::create('practice_days', function (Blueprint $table): void {
            $table->foreignUuid('learner_id')->constrained()->cascadeOnDelete();
            $table->string('knot', 60);
            $table->date('day');
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->string('felt', 7);
            $table->primary(['learner_id', 'knot', 'day']);
        });
        // What the group is to practise at home.
        Schema::create('home_knots', function (Blueprint $table): void {
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->string('knot', 60);
            $table->primary(['group_id', 'knot']);
        });
    }

    public function down(): void
    {
        Schema::drop('home_knots');
        Schema::drop('practice_days');
        Schema::drop('practice_cards');
    }
};
