<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A badge that a lead has decided for a learner, in the version it was met in; kept when the badge is changed or let go.
        Schema::create('awards', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->foreignUuid('learner_id')->constrained();
            $table->string('badge', 60);
            $table->unsignedInteger('version');
            $table->string('name', 120);
            $table->json('proof');
            $table->boolean('by_hand')->default(false);
            $table->string('why', 500)->nullable();
            $table->date('decided_on');
            $table->foreignUuid('decided_by')->constrained('users');
            $table->foreignUuid('meeting_id')->nullable()->constrained()->nullOnDelete();
            $table->date('handed_on')->nullable();
            $table->foreignUuid('handed_by')->nullable()->constrained('users');
            $table->date('taken_back_on')->nullable();
            $table->foreignUuid('taken_back_by')->nullable()->constrained('users');
            $table->string('taken_back_why', 500)->nullable();
            $table->timestamps();
            // One in force for each learner and badge; of those that were taken back as many as there were.
            $table->unsignedTinyInteger('in_force')->nullable()->storedAs('if(taken_back_on is null, 1, null)');
            $table->unique(['learner_id', 'badge', 'in_force']);
            $table->index(['group_id', 'handed_on']);
        });
        // What a group signs its badges with; a secret is locked with the house's key.
        Schema::create('signing_keys', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->char('kid', 43)->unique();
            $table->string('alg', 8);
            $table->json('public');
            $table->text('secret');
            $table->dateTime('retired_at')->nullable();
            $table->timestamps();
        });
        // Which signed badges were taken back. A place says nothing of whose it is, and stays when they are erased.
        Schema::create('status_lists', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('uri', 500);
            $table->timestamps();
        });
        Schema::create('status_places', function (Blueprint $table): void {
            $table->foreignUuid('list_id')->constrained('status_lists');
            $table->unsignedInteger('place');
            $table->boolean('taken_back')->default(false);
            $table->primary(['list_id', 'place']);
        });
        Schema::table('awards', function (Blueprint $table): void {
            $table->uuid('subject')->nullable();
            $table->foreignUuid('status_list_id')->nullable()->constrained();
            $table->unsignedInteger('status_place')->nullable();
            $table->text('token')->nullable();
            $table->boolean('named')->default(false);
            $table->dateTime('signed_at')->nullable();
        });
        // Other groups whose badges are believed here.
        Schema::create('trusted_issuers', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->string('issuer', 500);
            $table->string('name', 200);
            $table->json('jwks');
            $table->timestamps();
            $table->unique(['group_id', 'issuer']);
        });
        // How a group's certificates look.
        Schema::table('groups', function (Blueprint $table): void {
            $table->uuid('issuer_id')->nullable()->unique();
            $table->string('certificate_words', 300)->nullable();
            $table->char('certificate_colour', 7)->nullable();
        });
        Schema::create('group_pictures', function (Blueprint $table): void {
            $table->foreignUuid('group_id')->primary()->constrained();
            $table->unsignedSmallInteger('width');
            $table->unsignedSmallInteger('height');
            $table->char('hash', 32);
            $table->mediumText('png')->comment('in base64');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('group_pictures');
        Schema::table('groups', function (Blueprint $table): void {
            $table->dropColumn(['issuer_id', 'certificate_words', 'certificate_colour']);
        });
        Schema::drop('trusted_issuers');
        Schema::drop('awards');
        Schema::drop('status_places');
        Schema::drop('status_lists');
        Schema::drop('signing_keys');
    }
};
