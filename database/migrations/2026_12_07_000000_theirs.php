<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What refers to a group's row carries the group with it, so that the database itself refuses what would join two groups. And nothing is deleted
 * by the database's own hand: what two databases of a cluster delete at once has to be written by somebody to be noticed.
 *
 * May be done while an app of before still runs: what is new may be empty, so whatever it checks and marks is taken. What it erases, merges or
 * plans anew it left to the database to clear up: that is refused, whole, until it is brought up to date. Each step may be taken twice.
 */
return new class extends Migration
{
    /** Tables that got to know their group by what they refer to alone: that column, and the table. */
    private const LEARN = [
        'attendances' => ['meeting_id', 'meetings'], 'block_runs' => ['meeting_id', 'meetings'], 'pursuits' => ['learner_id', 'learners'],
        'badge_ticks' => ['learner_id', 'learners'], 'status_places' => ['list_id', 'status_lists'],
    ];

    /** What refers to what, within a group. */
    private const WITHIN = [
        'attendances' => ['meeting_id' => 'meetings', 'learner_id' => 'learners'],
        'awards' => ['learner_id' => 'learners', 'meeting_id' => 'meetings', 'status_list_id' => 'status_lists'],
        'badge_ticks' => ['learner_id' => 'learners'],
        'block_runs' => ['meeting_id' => 'meetings'],
        'check_events' => ['learner_id' => 'learners', 'meeting_id' => 'meetings'],
        'meeting_rigs' => ['meeting_id' => 'meetings', 'rope_id' => 'ropes'],
        'plan_parts' => ['meeting_id' => 'meetings'],
        'plan_people' => ['plan_part_id' => 'plan_parts', 'learner_id' => 'learners'],
        'plan_places' => ['meeting_id' => 'meetings'],
        'practice_cards' => ['learner_id' => 'learners'],
        'practice_days' => ['learner_id' => 'learners'],
        'pursuits' => ['learner_id' => 'learners'],
        'rig_gates' => ['meeting_id' => 'meetings'],
        'standings' => ['learner_id' => 'learners'],
        'station_leads' => ['meeting_id' => 'meetings'],
        'status_places' => ['list_id' => 'status_lists'],
        'submissions' => ['office_id' => 'offices'],
    ];

    /** What went by itself with the group or the person it is of. */
    private const CASCADES = [
        'calibrations' => ['group_id' => 'groups'], 'home_knots' => ['group_id' => 'groups'], 'meeting_rigs' => ['group_id' => 'groups'], 'plan_parts' => ['group_id' => 'groups'],
        'plan_people' => ['group_id' => 'groups'], 'poles' => ['group_id' => 'groups'], 'practice_cards' => ['group_id' => 'groups'], 'practice_days' => ['group_id' => 'groups'],
        'rig_gates' => ['group_id' => 'groups'], 'rig_packs' => ['group_id' => 'groups'], 'station_leads' => ['group_id' => 'groups', 'user_id' => 'users'], 'remotes' => ['user_id' => 'users'],
    ];

    /** What is looked for by when it ends. */
    private const ENDS = ['remotes' => 'ends_at', 'places' => 'expires_at'];

    /** Rows that are filled in at a time: no longer than anybody who writes has patience. */
    private const ROWS = 2000;

    public function up(): void
    {
        foreach (self::LEARN as $table => [$column, $parent]) {
            DB::statement("alter table `$table` add column if not exists `group_id` uuid null, algorithm=instant");
            do {
                $filled = DB::update("update `$table` set group_id = (select group_id from `$parent` where `$parent`.id = `$table`.`$column`) where group_id is null limit ".self::ROWS);
            } while ($filled > 0);
        }
        foreach (self::ENDS as $table => $column) {
            DB::statement("alter table `$table` add index if not exists `{$table}_{$column}_index` (`$column`), algorithm=inplace");
        }
        $this->holdApart();
        // What was just looked at is not looked at again, row by row, by a database that stands still meanwhile.
        Schema::withoutForeignKeyConstraints(function (): void {
            foreach (self::parents() as $parent) {
                DB::statement("alter table `$parent` add unique index if not exists `{$parent}_of_group` (group_id, id), algorithm=inplace");
            }
            foreach (self::WITHIN as $table => $columns) {
                foreach ($columns as $column => $parent) {
                    $name = "{$table}_{$column}_of_group";
                    DB::statement("alter table `$table` add index if not exists `$name` (group_id, `$column`), algorithm=inplace");
                    $this->refer($table, $name, "group_id, `$column`", $parent, 'group_id, id');
                    DB::statement("alter table `$table` drop foreign key if exists `{$table}_{$column}_foreign`, algorithm=inplace");
                }
            }
            foreach (self::CASCADES as $table => $columns) {
                foreach ($columns as $column => $parent) {
                    if ($column !== 'group_id') {
                        DB::statement("alter table `$table` add index if not exists `{$table}_{$column}_kept` (`$column`), algorithm=inplace");
                    }
                    $this->refer($table, "{$table}_{$column}_kept", "`$column`", $parent, 'id');
                    DB::statement("alter table `$table` drop foreign key if exists `{$table}_{$column}_foreign`, algorithm=inplace");
                    DB::statement("alter table `$table` drop index if exists `{$table}_{$column}_foreign`, algorithm=inplace");
                }
            }
            // An index that the database has made by itself goes by itself where another does as well; one that a backup has brought stays, and is taken here.
            foreach (array_unique([...array_keys(self::WITHIN), ...self::parents()]) as $table) {
                DB::statement("alter table `$table` drop index if exists `{$table}_group_id_foreign`, algorithm=inplace");
            }
            foreach (array_keys(self::LEARN) as $table) {
                $this->refer($table, "{$table}_group_id_foreign", 'group_id', 'groups', 'id');
            }
        });
    }

    public function down(): void
    {
        Schema::withoutForeignKeyConstraints(function (): void {
            foreach (self::LEARN as $table => [$column, $parent]) {
                DB::statement("alter table `$table` drop foreign key `{$table}_group_id_foreign`");
            }
            foreach (self::CASCADES as $table => $columns) {
                foreach ($columns as $column => $parent) {
                    $this->refer($table, "{$table}_{$column}_foreign", "`$column`", $parent, 'id', 'on delete cascade');
                    DB::statement("alter table `$table` drop foreign key `{$table}_{$column}_kept`");
                }
            }
            foreach (self::WITHIN as $table => $columns) {
                foreach ($columns as $column => $parent) {
                    $this->refer($table, "{$table}_{$column}_foreign", "`$column`", $parent, 'id');
                    DB::statement("alter table `$table` drop foreign key `{$table}_{$column}_of_group`, drop index `{$table}_{$column}_of_group`");
                }
            }
            foreach (self::parents() as $parent) {
                DB::statement("alter table `$parent` drop index `{$parent}_of_group`");
            }
        });
        foreach (self::ENDS as $table => $column) {
            DB::statement("alter table `$table` drop index `{$table}_{$column}_index`");
        }
        foreach (array_keys(self::LEARN) as $table) {
            DB::statement("alter table `$table` drop column `group_id`");
        }
    }

    /** @return list<string> what is referred to */
    private static function parents(): array
    {
        return array_values(array_unique(array_merge(...array_values(array_map(array_values(...), self::WITHIN)))));
    }

    /** @throws RuntimeException where rows of two groups are joined already */
    private function holdApart(): void
    {
        foreach (self::WITHIN as $table => $columns) {
            foreach ($columns as $column => $parent) {
                $joined = DB::selectOne("select count(*) as n from `$table` join `$parent` on `$parent`.id = `$table`.`$column` where `$table`.group_id <> `$parent`.group_id")->n;
                if ($joined > 0) {
                    throw new RuntimeException("$joined rows of $table are of one group and refer, by $column, to a row of $parent that is another's. Nothing was changed; put them right, and migrate again.");
                }
            }
        }
    }

    private function refer(string $table, string $name, string $columns, string $parent, string $keys, string $how = ''): void
    {
        DB::statement("alter table `$table` add constraint `$name` foreign key if not exists `$name` ($columns) references `$parent` ($keys) $how, algorithm=inplace");
    }
};
