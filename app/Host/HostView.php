<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use App\Models\Place;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A house of many groups as whoever hosts it sees it: how many of each, how much, how it fares. No name but those of groups.
 */
final class HostView
{
    /** Days that count as lately. */
    private const LATELY = 28;

    /** @return array<string, mixed> */
    public static function look(): array
    {
        $groups = array_values(Group::query()->orderBy('name')->orderBy('id')->get()->all());

        return [
            'days' => self::LATELY,
            'groups' => self::groups($groups),
            'places' => Place::open()->get()->map(static fn (Place $one): array => [
                'id' => $one->id, 'name' => $one->name, 'learners_most' => $one->learners_most, 'people_most' => $one->people_most, 'expires_at' => $one->expires_at->toIso8601ZuluString(),
            ])->values()->all(),
            'health' => self::health(),
        ];
    }

    /**
     * @param  list<Group>  $groups
     * @return list<array<string, mixed>>
     */
    private static function groups(array $groups): array
    {
        $since = CarbonImmutable::now()->subDays(self::LATELY);
        // Each is one question, however many groups there are.
        $learners = self::count('learners', 'archived_at is null');
        $people = self::count('memberships', 'until is null');
        $checks = self::count('check_events', 'day >= ?', [$since->format('Y-m-d')]);
        $last = DB::table('check_events')->groupBy('group_id')->selectRaw('group_id, max(day) as day')->pluck('day', 'group_id');
        $bytes = DB::table('kept_files')->whereNotNull('group_id')->groupBy('group_id')->selectRaw('group_id, sum(bytes) as bytes')->pluck('bytes', 'group_id');
        $rows = [];
        foreach ($groups as $group) {
            $day = $last->get($group->id);
            $rows[] = [
                'id' => $group->id, 'name' => $group->name, 'since' => $group->created_at?->setTimezone($group->time_zone)->format('Y-m-d'), 'learners' => $learners[$group->id] ?? 0, 'learners_most' => $group->learners_most,
                'people' => $people[$group->id] ?? 0, 'people_most' => $group->people_most, 'checks' => $checks[$group->id] ?? 0, 'last_day' => is_string($day) ? substr($day, 0, 10) : null, 'kept_bytes' => (int) $bytes->get($group->id, 0),
                'state' => match (true) {
                    $group->removing_at !== null => 'removing',
                    $group->closed_at !== null => 'closed',
                    $group->left_at !== null => 'moved',
                    default => 'open',
                },
            ];
        }

        return $rows;
    }

    /**
     * @param  literal-string  $where
     * @param  list<string>  $values
     * @return array<string, int> rows by group
     */
    private static function count(string $table, string $where, array $values = []): array
    {
        return DB::table($table)->whereRaw($where, $values)->groupBy('group_id')->selectRaw('group_id, count(*) as count')->pluck('count', 'group_id')->map(static fn (mixed $count): int => (int) $count)->all();
    }

    /** @return array<string, mixed> */
    private static function health(): array
    {
        $waiting = DB::table('works')->where('state', '!=', 'done');
        $oldest = (clone $waiting)->min('created_at');

        return [
            'works_waiting' => $waiting->count(), 'works_troubled' => (clone $waiting)->whereNotNull('trouble')->count(),
            'oldest_minutes' => is_string($oldest) ? (int) CarbonImmutable::parse($oldest)->diffInMinutes(CarbonImmutable::now()) : null,
            'disk_free_mb' => (int) (((float) disk_free_space(storage_path())) / 1_000_000), 'left_checks' => DB::table('left_checks')->count(),
        ];
    }
}
