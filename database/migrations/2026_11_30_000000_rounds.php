<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('groups', fn (Blueprint $table) => $table->string('pace', 4)->default('keep'));
        Schema::table('learners', fn (Blueprint $table) => $table->string('patrol', 40)->nullable());
        // What is met after a firm date does not count.
        Schema::table('group_badges', fn (Blueprint $table) => $table->boolean('firm')->default(true));
        // The accepted plan: stations in rounds, old knots and rigs, meeting by meeting, and who is at them.
        Schema::create('plan_parts', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('meeting_id')->constrained()->cascadeOnDelete();
            $table->unsignedSmallInteger('position');
            $table->string('kind', 6);
            $table->string('what', 60);
            $table->unsignedSmallInteger('round');
            $table->unsignedSmallInteger('checkers');
            $table->unique(['meeting_id', 'position']);
        });
        Schema::create('plan_people', function (Blueprint $table): void {
            $table->foreignUuid('plan_part_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('learner_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->boolean('helps')->default(false);
            $table->primary(['plan_part_id', 'learner_id']);
        });
        // Who leads a knot's stations at a meeting.
        Schema::create('station_leads', function (Blueprint $table): void {
            $table->foreignUuid('meeting_id')->constrained()->cascadeOnDelete();
            $table->string('knot', 60);
            $table->foreignUuid('user_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('group_id')->constrained()->cascadeOnDelete();
            $table->primary(['meeting_id', 'knot', 'user_id']);
        });
        $this->turnPlaces();
        // What is left of the places is what leaders pinned.
        DB::table('plan_places')->where('pinned', false)->delete();
        Schema::table('plan_places', fn (Blueprint $table) => $table->dropColumn('pinned'));
    }

    public function down(): void
    {
        Schema::table('plan_places', fn (Blueprint $table) => $table->boolean('pinned')->default(true));
        Schema::drop('station_leads');
        Schema::drop('plan_people');
        Schema::drop('plan_parts');
        Schema::table('group_badges', fn (Blueprint $table) => $table->dropColumn('firm'));
        Schema::table('learners', fn (Blueprint $table) => $table->dropColumn('patrol'));
        Schema::table('groups', fn (Blueprint $table) => $table->dropColumn('pace'));
    }

    /** Where an accepted plan showed a knot, it is a lesson for all who pursue anything: who has it or cannot be taught it is left out when it is read. */
    private function turnPlaces(): void
    {
        $positions = [];
        foreach (DB::table('plan_places')->join('meetings', 'meetings.id', '=', 'plan_places.meeting_id')->where('pinned', false)->orderBy('plan_places.knot')->get(['plan_places.*', 'meetings.checkers']) as $place) {
            $meeting = is_scalar($place->meeting_id) ? (string) $place->meeting_id : '';
            $position = $positions[$meeting] = ($positions[$meeting] ?? -1) + 1;
            $id = (string) Str::uuid7();
            DB::table('plan_parts')->insert(['id' => $id, 'group_id' => $place->group_id, 'meeting_id' => $meeting, 'position' => $position, 'kind' => 'lesson', 'what' => $place->knot, 'round' => $position, 'checkers' => $place->checkers]);
            $learners = DB::table('learners')->where('group_id', $place->group_id)->whereNull('archived_at')->whereExists(fn ($any) => $any->from('pursuits')->whereColumn('pursuits.learner_id', 'learners.id'))->pluck('id');
            DB::table('plan_people')->insert($learners->map(fn (mixed $learner): array => ['plan_part_id' => $id, 'learner_id' => $learner, 'group_id' => $place->group_id, 'helps' => false])->all());
        }
    }
};
