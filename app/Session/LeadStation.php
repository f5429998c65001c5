<?php

declare(strict_types=1);

namespace App\Session;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\User;
use Compadre\Core\Knots\Library;
use Illuminate\Support\Facades\DB;

/**
 * Somebody says that they lead a knot's stations at a meeting, or that they do not.
 */
final readonly class LeadStation
{
    public function __construct(private Library $library)
    {
    }

    public function __invoke(Group $group, Meeting $meeting, string $knot, User $by, bool $leads): void
    {
        $key = ['meeting_id' => $meeting->id, 'knot' => $this->library->knot($knot, '/knot')->id, 'user_id' => $by->id];
        $leads ? DB::table('station_leads')->insertOrIgnore($key + ['group_id' => $group->id]) : DB::table('station_leads')->where($key)->delete();
    }

    /** @return array<string, list<array{id: string, name: string}>> who leads, by knot */
    public static function of(Meeting $meeting): array
    {
        $leads = [];
        foreach (DB::table('station_leads')->join('users', 'users.id', '=', 'station_leads.user_id')->where('meeting_id', $meeting->id)->orderBy('users.name')->get(['knot', 'users.id', 'users.name']) as $row) {
            $leads[(string) $row->knot][] = ['id' => (string) $row->id, 'name' => (string) $row->name];
        }

        return $leads;
    }
}
