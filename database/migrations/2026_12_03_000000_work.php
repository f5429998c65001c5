<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Wake-up calls for the worker; what there is to do stands in the work itself.
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        // What takes longer than anybody waits for.
        Schema::create('works', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('kind', 40);
            $table->string('state', 10);
            $table->boolean('again')->default(false);
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of')->default(0);
            $table->string('trouble', 500)->nullable();
            $table->unsignedSmallInteger('tries')->default(0);
            $table->dateTime('wake_at');
            $table->uuid('held_by')->nullable();
            $table->dateTime('held_until')->nullable();
            $table->timestamps();
            $table->unsignedTinyInteger('open')->nullable()->storedAs("if(state in ('waiting', 'running'), 1, null)");
            // One errand of a kind at a time for each group: whatever comes up meanwhile goes with it.
            $table->unique(['group_id', 'kind', 'open']);
            $table->index(['state', 'wake_at']);
        });
        // Registers that a group's awards are told to: one at a time; those of before are known still.
        Schema::create('offices', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('address', 300);
            $table->string('client', 200);
            $table->text('secret')->nullable()->comment('locked with the house’s key');
            $table->text('token')->nullable()->comment('locked with the house’s key');
            $table->dateTime('token_until')->nullable();
            $table->dateTime('left_at')->nullable();
            $table->timestamps();
            $table->unsignedTinyInteger('in_use')->nullable()->storedAs('if(left_at is null, 1, null)');
            $table->unique(['group_id', 'in_use']);
            $table->unique(['group_id', 'address']);
        });
        // How far each award has come on its way there. Its row outlives the award: the office has to be told of that, too.
        Schema::create('submissions', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->foreignUuid('office_id')->constrained();
            $table->uuid('award_id');
            $table->string('passage', 10);
            $table->string('wish', 12);
            $table->boolean('told')->default(true);
            $table->uuid('list')->nullable();
            $table->unsignedSmallInteger('place')->default(0);
            $table->string('receipt', 80)->nullable();
            $table->string('requirement', 500)->nullable();
            $table->string('reason', 500)->nullable();
            $table->dateTime('answered_at')->nullable();
            $table->timestamps();
            $table->unique(['office_id', 'award_id']);
            $table->index(['award_id']);
        });
    }

    public function down(): void
    {
        foreach (['submissions', 'offices', 'works', 'jobs'] as $table) {
            Schema::drop($table);
        }
    }
};
