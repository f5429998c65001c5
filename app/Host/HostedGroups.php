<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The groups of a house, as whoever hosts it looks through them: a page at a time, by a part of their name, in an order. Counts of each, and
 * no name but theirs.
 */
final readonly class HostedGroups
{
    private const PAGE = 50;

    /** @param  string  $since  the first day that counts as lately */
    public function __construct(private string $since)
    {
    }

    /**
     * @param  string  $find  part of a name; empty: all
     * @param  int  $page  from 1; past the last it is the last
     * @return array{found: int, page: int, pages: int, groups: list<array<string, mixed>>}
     */
    public function look(string $find, GroupsShown $shown, GroupsOrder $order, int $page): array
    {
        $groups = Group::query();
        $shown->among($groups, $this->since);
        if (trim($find) !== '') {
            $groups->where('name', 'like', '%'.addcslashes(trim($find), '%_\\').'%');
        }
        $found = $groups->count();
        $pages = max(1, (int) ceil($found / self::PAGE));
        $page = min($page, $pages);
        $order->order($groups);

        return ['found' => $found, 'page' => $page, 'pages' => $pages, 'groups' => $this->rows(array_values($groups->forPage($page, self::PAGE)->get(['groups.*'])->all()))];
    }

    /**
     * @param  list<Group>  $groups
     * @return list<array<string, mixed>>
     */
    private function rows(array $groups): array
    {
        $ids = array_column($groups, 'id');
        // Each is one question, however many groups there are.
        $of = static fn (string $table): Builder => DB::table($table)->whereIn('group_id', $ids)->groupBy('group_id');
        $count = static fn (Builder $rows): array => $rows->selectRaw('group_id, count(*) as count')->pluck('count', 'group_id')->map(static fn (mixed $count): int => (int) $count)->all();
        $learners = $count($of('learners')->whereNull('archived_at'));
        $people = $count($of('memberships')->whereNull('until'));
        $checks = $count($of('check_events')->where('day', '>=', $this->since));
        $last = GroupsShown::lastDays()->whereIn('group_id', $ids)->pluck('day', 'group_id');
        $bytes = $of('kept_files')->selectRaw('group_id, sum(bytes) as bytes')->pluck('bytes', 'group_id');
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
}
