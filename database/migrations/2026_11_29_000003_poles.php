<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The poles a group has, by kind.
        Schema::create('poles', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->string('name', 60);
            $table->unsignedSmallInteger('diameter_mm');
            $table->unsignedSmallInteger('length_mm');
            $table->unsignedSmallInteger('count');
            $table->timestamps();
            $table->unique(['group_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::drop('poles');
    }
};
