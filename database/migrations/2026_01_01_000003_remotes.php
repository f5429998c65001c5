<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('remotes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('user_id')->constrained('users')->cascadeOnDelete();
            $table->char('code_hash', 64)->index();
            $table->char('token_hash', 64)->nullable()->unique();
            $table->dateTime('code_until');
            $table->dateTime('ends_at');
            $table->unsignedTinyInteger('tries')->default(0);
            $table->string('knot', 60);
            $table->unsignedTinyInteger('step');
            $table->unsignedTinyInteger('steps');
            $table->unsignedInteger('turn')->default(0);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('remotes');
    }
};
