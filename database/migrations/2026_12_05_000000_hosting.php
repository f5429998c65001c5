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
        // Who looks after a house of many groups: not a member of any by that.
        Schema::create('hosts', function (Blueprint $table): void {
            $table->foreignUuid('user_id')->primary()->constrained();
            $table->timestamps();
        });
        // Room for one more group: whoever has its code sets the group up, once.
        Schema::create('places', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 80)->comment('whom it is for, in the words of whoever made it');
            $table->char('code_hash', 64)->unique();
            $table->unsignedSmallInteger('learners_most')->nullable();
            $table->unsignedSmallInteger('people_most')->nullable();
            $table->dateTime('expires_at');
            $table->timestamps();
        });
        Schema::table('groups', function (Blueprint $table): void {
            $table->unsignedSmallInteger('learners_most')->nullable();
            $table->unsignedSmallInteger('people_most')->nullable();
            $table->dateTime('closed_at')->nullable()->comment('since then whoever hosts the house lets nobody in');
            $table->dateTime('removing_at')->nullable()->comment('since then its rows are being removed');
        });
        // Which of their groups somebody has open on a device.
        Schema::table('devices', function (Blueprint $table): void {
            $table->foreignUuid('group_id')->nullable()->constrained();
        });
        // So far everybody belongs to one.
        DB::statement('update devices join memberships on memberships.user_id = devices.user_id and memberships.until is null set devices.group_id = memberships.group_id');
    }

    public function down(): void
    {
        Schema::table('devices', fn (Blueprint $table) => $table->dropConstrainedForeignId('group_id'));
        Schema::table('groups', fn (Blueprint $table) => $table->dropColumn(['learners_most', 'people_most', 'closed_at', 'removing_at']));
        Schema::drop('places');
        Schema::drop('hosts');
    }
};
