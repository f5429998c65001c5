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
            $table->dateTime('left_at')->nullable()->comment('since then it lives in another house');
        });
        // What was made to be fetched, and what was brought to be looked at: here, so that erasing somebody takes it in the same act.
        Schema::create('kept_files', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->nullable()->constrained();
            $table->string('kind', 10);
            $table->string('state', 10);
            $table->uuid('stamp')->comment('another one whenever what it would hold has changed');
            $table->text('password')->nullable()->comment('locked with the house’s key, until the file is written');
            $table->boolean('locked')->default(false);
            $table->unsignedInteger('bytes')->default(0);
            $table->timestamps();
            $table->index(['group_id', 'kind']);
            $table->index(['updated_at']);
        });
        Schema::create('kept_file_parts', function (Blueprint $table): void {
            $table->foreignUuid('file_id')->constrained('kept_files');
            $table->unsignedSmallInteger('place');
            $table->mediumText('data')->comment('Base64');
            $table->primary(['file_id', 'place']);
        });
    }

    public function down(): void
    {
        Schema::drop('kept_file_parts');
        Schema::drop('kept_files');
        Schema::table('groups', fn (Blueprint $table) => $table->dropColumn('left_at'));
    }
};
