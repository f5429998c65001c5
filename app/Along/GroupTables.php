<?php

declare(strict_types=1);

namespace App\Along;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Which rows are a group's, table by table: those it takes along, and those it does not, with why.
 */
final class GroupTables
{
    /** How the rows of each belong to the group; what is referred to comes before what refers to it, and who was erased before all that may be of theirs. */
    public const ALONG = [
        'groups' => 'id', 'memberships' => 'group_id', 'gone_learners' => 'group_id', 'learners' => 'group_id', 'meetings' => 'group_id', 'ropes' => 'group_id', 'poles' => 'group_id',
        'stocks' => 'group_id', 'group_badges' => 'group_id', 'badge_packs' => 'group_id', 'rig_packs' => 'group_id', 'calibrations' => 'group_id', 'pursuits' => 'learner_id',
        'badge_ticks' => 'learner_id', 'attendances' => 'meeting_id', 'block_runs' => 'meeting_id', 'meeting_rigs' => 'group_id', 'rig_gates' => 'group_id', 'station_leads' => 'group_id',
        'plan_places' => 'group_id', 'plan_parts' => 'group_id', 'plan_people' => 'group_id', 'check_events' => 'group_id', 'left_checks' => 'group_id', 'practice_days' => 'group_id',
        'home_knots' => 'group_id', 'group_pictures' => 'group_id', 'status_lists' => 'group_id', 'status_places' => 'list_id', 'signing_keys' => 'group_id', 'awards' => 'group_id',
        'trusted_issuers' => 'group_id', 'offices' => 'group_id', 'submissions' => 'group_id',
    ];

    public const LEFT_OUT = [
        'standings' => 'they follow from the checks', 'practice_cards' => 'their codes open this house', 'invitations' => 'their links open this house', 'devices' => 'they are signed in to this house',
        'remotes' => 'they are of one evening', 'sessions' => 'they are of this house', 'remembered' => 'they are of this house', 'resets' => 'their links open this house', 'tries' => 'they are of this house',
        'jobs' => 'they are of this house', 'works' => 'it is done where it was begun', 'kept_files' => 'they are fetched where they were made', 'kept_file_parts' => 'they are fetched where they were made', 'migrations' => 'it is how this house is built', 'users' => 'people come along without their passwords', 'hosts' => 'they look after this house', 'places' => 'they are room in this house',
    ];

    /** Columns that name a person. */
    public const PEOPLE = [
        'memberships' => ['user_id'], 'badge_packs' => ['made_by'], 'rig_packs' => ['made_by'], 'calibrations' => ['made_by'], 'badge_ticks' => ['ticked_by'], 'attendances' => ['marked_by'],
        'rig_gates' => ['user_id'], 'station_leads' => ['user_id'], 'check_events' => ['by', 'sent_by'], 'left_checks' => ['user_id'], 'awards' => ['decided_by', 'handed_by', 'taken_back_by'],
    ];

    /** What is locked with the house's key, opens it, or is so in it alone: it stays where it is. */
    public const STAYS = ['groups' => ['calendar_hash', 'left_at'], 'signing_keys' => ['secret'], 'offices' => ['secret', 'token', 'token_until']];

    /** What this house says of a group, and no other is told: in no zip. */
    private const HOUSES = ['groups' => ['learners_most', 'people_most', 'closed_at', 'removing_at', 'turn'], 'learners' => ['turn'], 'meetings' => ['turn']];

    /** @return list<string> what is in a zip, in the order it is read in */
    public static function parts(): array
    {
        return ['users', ...array_keys(self::ALONG)];
    }

    /** @return list<string> the columns of a table that are written, not reckoned */
    public static function columns(string $table): array
    {
        static $known = [];

        return $known[$table] ??= array_values(array_diff(array_map(
            static fn (array $column): string => $column['name'],
            array_filter(Schema::getColumns($table), static fn (array $column): bool => $column['generation'] === null),
        ), self::HOUSES[$table] ?? [], self::isKnownByParent($table) ? ['group_id'] : []));
    }

    /** @return list<string> what tells its rows apart */
    public static function key(string $table): array
    {
        static $known = [];
        if (! isset($known[$table])) {
            foreach (Schema::getIndexes($table) as $index) {
                if ($index['primary']) {
                    $known[$table] = $index['columns'];
                }
            }
        }

        return $known[$table] ?? [];
    }

    /** @return array<string, string> what a row of the table says of its group beside what a zip says */
    public static function known(string $table, string $group): array
    {
        return self::isKnownByParent($table) ? ['group_id' => $group] : [];
    }

    /** What is a group's by what it refers to says so, too, for the database's own references; a zip, which is one group's, does not say it row by row. */
    private static function isKnownByParent(string $table): bool
    {
        return ! in_array(self::ALONG[$table] ?? 'id', ['id', 'group_id'], true);
    }

    /** A group's rows, in the order of their key. */
    public static function rows(string $table, string $group): Builder
    {
        $rows = DB::table($table);
        // Asked for beforehand: what is deleted by a question within the question is looked for through the whole table.
        $of = static fn (string $parent): array => DB::table($parent)->where('group_id', $group)->pluck('id')->all();
        match (self::ALONG[$table]) {
            'id' => $rows->where('id', $group),
            'learner_id' => $rows->whereIn('learner_id', $of('learners')),
            'meeting_id' => $rows->whereIn('meeting_id', $of('meetings')),
            'list_id' => $rows->whereIn('list_id', $of('status_lists')),
            default => $rows->where('group_id', $group),
        };
        foreach (self::key($table) as $column) {
            $rows->orderBy($column);
        }

        return $rows;
    }
}
