<?php

declare(strict_types=1);

use App\Along\GroupTables;
use App\Models\Attendance;
use App\Models\CheckEvent;
use App\Models\PracticeDay;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use Tests\FeatureCase;

/** @return list<array{table: string, columns: list<string>, of: string, keys: list<string>, on_delete: string}> every reference between tables */
function references(): array
{
    $all = [];
    foreach (Schema::getTableListing(schemaQualified: false) as $table) {
        foreach (Schema::getForeignKeys($table) as $key) {
            $all[] = ['table' => $table, 'columns' => $key['columns'], 'of' => $key['foreign_table'], 'keys' => $key['foreign_columns'], 'on_delete' => $key['on_delete']];
        }
    }

    return $all;
}

it('refers to rows of a group by the group and their ids, and deletes nothing by itself', function (): void {
    $groups = [...array_keys(GroupTables::ALONG), 'standings', 'practice_cards', 'invitations'];
    $within = array_filter(references(), fn (array $one): bool => in_array($one['of'], $groups, true) && $one['of'] !== 'groups' && in_array($one['table'], $groups, true));
    expect(count($within))->toBeGreaterThan(20);
    foreach ($within as $one) {
        expect($one['columns'][0])->toBe('group_id', "{$one['table']} to {$one['of']}")->and($one['keys'])->toBe(['group_id', 'id']);
    }
    expect(array_filter(references(), fn (array $one): bool => ! in_array($one['on_delete'], ['restrict', 'no action'], true)))->toBe([]);
    // And no column that names a row of a group goes without one, but for what outlives it.
    $names = ['learner_id' => 'learners', 'meeting_id' => 'meetings', 'rope_id' => 'ropes', 'plan_part_id' => 'plan_parts', 'list_id' => 'status_lists', 'status_list_id' => 'status_lists', 'office_id' => 'offices'];
    $loose = [];
    foreach ($groups as $table) {
        foreach (array_intersect(Schema::getColumnListing($table), array_keys($names)) as $column) {
            if (array_filter($within, fn (array $one): bool => $one['table'] === $table && $one['columns'] === ['group_id', $column] && $one['of'] === $names[$column]) === []) {
                $loose[] = "$table.$column";
            }
        }
    }
    expect($loose)->toBe(['left_checks.learner_id']);
});

it('lets no row of a group refer to another group’s, whoever writes it', function (): void {
    $crews = [];
    foreach (['Gullwick Lantern Crew', 'Other Crew'] as $name) {
        $crew = $this->group($name);
        [$learner] = $this->learners($crew, "Ada P. of $name");
        $crews[] = ['group' => $crew, 'lead' => $this->person($crew, email: Str::slug($name).'@gullwick.example'), 'learner' => $learner, 'meeting' => $this->meeting($crew)];
    }
    [$here, $there] = $crews;
    $this->actingAs($here['lead']);
    $this->api('PUT', "/api/meetings/{$here['meeting']->id}/attendance/{$here['learner']->id}", ['present' => true])->assertSuccessful();
    $this->send($this->pass($here['learner']))->assertOk();
    DB::table('practice_days')->insert(['learner_id' => $here['learner']->id, 'knot' => 'overhand', 'day' => '2026-11-20', 'group_id' => $here['group']->id, 'felt' => 'sure']);
    $tried = 0;
    foreach ([['attendances', 'meeting_id', 'meeting'], ['attendances', 'learner_id', 'learner'], ['check_events', 'learner_id', 'learner'], ['check_events', 'meeting_id', 'meeting'], ['standings', 'learner_id', 'learner'], ['practice_days', 'learner_id', 'learner']] as [$table, $column, $what]) {
        expect(DB::table($table)->where('group_id', $here['group']->id)->count())->toBeGreaterThan(0, $table);
        expect(fn () => DB::table($table)->where('group_id', $here['group']->id)->update([$column => $there[$what]->id]))->toThrow(QueryException::class, "{$table}_{$column}_of_group");
        $tried++;
    }
    expect($tried)->toBe(6);
});

it('takes what an app of before writes while it still runs beside this one', function (): void {
    $crew = $this->group();
    $lead = $this->person($crew);
    [$ada] = $this->learners($crew, 'Ada P.');
    $meeting = $this->meeting($crew);
    // In its own words: it knows of no column that came later.
    DB::insert('insert into `attendances` (`created_at`, `learner_id`, `marked_by`, `meeting_id`, `present`, `updated_at`) values (now(), ?, ?, ?, 1, now()) on duplicate key update `present` = values(`present`)', [$ada->id, $lead->id, $meeting->id]);
    DB::insert('insert into `badge_ticks` (`note`, `learner_id`, `ticked_by`, `created_at`, `updated_at`) values (?, ?, ?, now(), now())', [str_repeat('a', 16), $ada->id, $lead->id]);
    $this->actingAs($lead);
    $sheet = $this->api('GET', "/api/meetings/{$meeting->id}")->assertOk()->json();
    expect(array_column($sheet['roll'], 'present', 'id'))->toBe([$ada->id => true]);
    // The next who marks her says whose row it is.
    $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$ada->id}", ['present' => false])->assertSuccessful();
    expect(Attendance::query()->sole()->present)->toBeFalse();
    $this->api('DELETE', "/api/learners/{$ada->id}")->assertOk();
    expect(Attendance::query()->count())->toBe(0);
});

it('keeps what was practised where two entries become one, and takes it with an erased learner', function (): void {
    $crew = $this->group();
    $this->actingAs($this->person($crew));
    [$ada, $bram] = $this->learners($crew, 'Ada P.', 'Bram K.');
    $meeting = $this->meeting($crew);
    DB::table('plan_parts')->insert(['id' => $part = (string) Str::uuid7(), 'group_id' => $crew->id, 'meeting_id' => $meeting->id, 'position' => 0, 'kind' => 'lesson', 'what' => 'overhand', 'round' => 0, 'checkers' => 1]);
    foreach ([[$ada, '2026-11-20'], [$ada, '2026-11-21'], [$bram, '2026-11-21']] as [$learner, $day]) {
        DB::table('practice_days')->insert(['learner_id' => $learner->id, 'knot' => 'overhand', 'day' => $day, 'group_id' => $crew->id, 'felt' => 'sure']);
    }
    DB::table('plan_people')->insert(['plan_part_id' => $part, 'learner_id' => $ada->id, 'group_id' => $crew->id, 'helps' => 0]);
    $this->api('POST', "/api/learners/{$ada->id}/merge", ['into' => $bram->id])->assertNoContent();
    expect(PracticeDay::query()->orderBy('day')->get(['learner_id', 'day'])->map->only(['learner_id', 'day'])->all())
        ->toBe([['learner_id' => $bram->id, 'day' => '2026-11-20'], ['learner_id' => $bram->id, 'day' => '2026-11-21']]);
    expect(DB::table('plan_people')->pluck('learner_id')->all())->toBe([$bram->id]);
    $this->api('DELETE', "/api/learners/{$bram->id}")->assertOk();
    expect([PracticeDay::query()->count(), DB::table('plan_people')->count(), CheckEvent::query()->count()])->toBe([0, 0, 0]);
});

it('finds a row that is nobody’s', function (string $sql, bool $isNobodys): void {
    expect(FeatureCase::isNobodys($sql))->toBe($isNobodys);
})->with([
    'a row of a group' => ['insert into `attendances` (`group_id`, `learner_id`) values (?, ?)', false],
    'a row of nobody' => ['insert into `attendances` (`learner_id`, `present`) values (?, ?)', true],
    'a row that may be there' => ['insert ignore into `pursuits` (`learner_id`) values (?)', true],
    'a table of no group' => ['insert into `users` (`name`) values (?)', false],
]);
