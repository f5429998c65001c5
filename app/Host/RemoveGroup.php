<?php

declare(strict_types=1);

namespace App\Host;

use App\Along\GroupTables;
use App\Course\KeptPlan;
use App\Crew\GoneList;
use App\Crew\KeptBoard;
use App\Models\Group;
use App\Work\Hold;
use App\Work\LongWork;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Removes a group that nobody sees any more, some rows at a time, so that nobody else waits for it. Broken off anywhere, it goes on from
 * there; the group's own row goes last, together with the work itself.
 */
final class RemoveGroup implements LongWork
{
    /** Rows that go at a time. */
    private const ROWS = 1000;

    /** Seconds until it is tried again. */
    private const PATIENCE = 30;

    /** What a group does not take along, and is its own all the same. */
    private const BESIDES = ['standings', 'practice_cards', 'invitations'];

    public static function kind(): string
    {
        return 'remove';
    }

    public function patience(int $tries): int
    {
        return min($tries, 20) * self::PATIENCE;
    }

    public function do(Group $group, Hold $hold): void
    {
        if ($group->removing_at === null) {
            return;
        }
        $rows = array_map(static fn (string $table): Builder => DB::table($table)->where('group_id', $group->id), self::BESIDES);
        foreach (DB::table('kept_files')->where('group_id', $group->id)->pluck('id') as $file) {
            $rows[] = DB::table('kept_file_parts')->where('file_id', $file);
        }
        $rows[] = DB::table('kept_files')->where('group_id', $group->id);
        foreach (array_diff(array_reverse(array_keys(GroupTables::ALONG)), ['groups', 'memberships']) as $table) {
            $rows[] = GroupTables::rows($table, $group->id)->reorder();
        }
        foreach ($rows as $done => $some) {
            while ($some->limit(self::ROWS)->delete() > 0) {
                $hold->at($done, count($rows));
            }
            $hold->at($done + 1, count($rows));
        }
        DB::transaction(fn () => $this->last($group), 3);
        KeptBoard::forget($group);
        KeptPlan::forget($group);
        GoneList::changed();
    }

    /** The people who belonged to it alone go with it. */
    private function last(Group $group): void
    {
        $people = DB::table('memberships')->where('group_id', $group->id)->pluck('user_id')->all();
        DB::table('memberships')->where('group_id', $group->id)->delete();
        $elsewhere = DB::table('memberships')->whereIn('user_id', $people)->pluck('user_id')->all();
        $gone = array_values(array_diff($people, $elsewhere, DB::table('hosts')->whereIn('user_id', $people)->pluck('user_id')->all()));
        // A device that has kept something of it does not go on with another group.
        DB::table('devices')->where('group_id', $group->id)->whereIn('user_id', $elsewhere)->update(['revoked_at' => CarbonImmutable::now()]);
        DB::table('devices')->where('group_id', $group->id)->update(['group_id' => null]);
        foreach (['sessions', 'remembered', 'resets', 'remotes', 'devices'] as $table) {
            DB::table($table)->whereIn('user_id', $gone)->delete();
        }
        DB::table('users')->whereIn('id', $gone)->delete();
        DB::table('works')->where('group_id', $group->id)->delete();
        DB::table('groups')->where('id', $group->id)->delete();
    }
}
