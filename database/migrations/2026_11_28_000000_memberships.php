<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Who belongs to which group, in which role, and until when. Whoever has left keeps the row: what they checked is still theirs.
        Schema::create('memberships', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('user_id')->constrained();
            $table->foreignUuid('group_id')->constrained();
            $table->string('role', 12);
            $table->dateTime('until')->nullable();
            $table->timestamps();
            $table->unique(['user_id', 'group_id']);
        });
        DB::statement('insert into memberships (id, user_id, group_id, role, created_at, updated_at) select uuid(), id, group_id, role, created_at, updated_at from users');
        Schema::table('users', function (Blueprint $table): void {
            $table->dropForeign(['group_id']);
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn(['group_id', 'role', 'remember_token']);
            // An address is one account's to the letter: another accent is another address.
            $table->string('email', 190)->nullable()->collation('utf8mb4_bin')->change();
            $table->string('password')->nullable()->change();
        });
        // What devices are remembered by lies apart: no backup has it.
        Schema::create('remembered', function (Blueprint $table): void {
            $table->foreignUuid('user_id')->primary()->constrained();
            $table->string('token', 100);
        });
        // Links that set a password: good once, for an hour. Links of the old kind end.
        Schema::drop('password_reset_tokens');
        Schema::create('resets', function (Blueprint $table): void {
            $table->char('token_hash', 64)->primary();
            $table->foreignUuid('user_id')->constrained();
            $table->dateTime('expires_at');
        });
        // How often something was tried, counted in one step however many try at once.
        Schema::create('tries', function (Blueprint $table): void {
            $table->char('what', 64)->primary();
            $table->unsignedInteger('count');
            $table->dateTime('ends_at')->index();
        });
        Schema::table('check_events', function (Blueprint $table): void {
            // The lead who sent on what another had tapped.
            $table->foreignUuid('sent_by')->nullable()->constrained('users');
            // Whether its day is that of its arrival: the device named a time that cannot be.
            $table->boolean('day_by_server')->default(false);
        });
        // Checks from phones whose access had ended: a lead takes them in, or does not.
        Schema::create('left_checks', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained();
            $table->foreignUuid('user_id')->constrained();
            $table->uuid('learner_id')->index();
            $table->json('event');
            $table->dateTime('sent_at', 3);
            $table->dateTime('received_at', 3);
        });
    }

    public function down(): never
    {
        throw new LogicException('Memberships are not taken back: restore a backup from before.');
    }
};
