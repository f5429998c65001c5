<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The rig a knot was used in, and what it was called then.
        Schema::table('check_events', function (Blueprint $table): void {
            $table->string('rig', 60)->nullable();
            $table->string('rig_name', 80)->nullable();
            $table->index(['learner_id', 'kind']);
        });
        // A group's own rigs; a change raises the version.
        Schema::create('rig_packs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->string('rig', 60);
            $table->string('origin', 60);
            $table->unsignedInteger('version');
            $table->json('pack');
            $table->foreignUuid('made_by')->constrained('users');
            $table->timestamps();
            $table->unique(['group_id', 'rig']);
        });
        // Knots marked, tied, untied and measured.
        Schema::create('calibrations', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->string('knot', 60);
            $table->decimal('diameter_mm', 5, 1);
            $table->string('material', 20);
            $table->decimal('measured_mm', 8, 1);
            $table->decimal('turns', 4, 1);
            $table->decimal('object_mm', 7, 1);
            $table->decimal('loop_mm', 8, 1);
            $table->foreignUuid('made_by')->constrained('users');
            $table->timestamps();
            $table->index(['group_id', 'knot']);
        });
    }

    public function down(): void
    {
        Schema::drop('calibrations');
        Schema::drop('rig_packs');
        Schema::table('check_events', function (Blueprint $table): void {
            $table->dropIndex(['learner_id', 'kind']);
            $table->dropColumn(['rig', 'rig_name']);
        });
    }
};
