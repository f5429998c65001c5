<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;

/**
 * Which groups of a house are looked at.
 */
enum GroupsShown: string
{
    case All = 'all';
    case Open = 'open';
    /** Closed, moved elsewhere, or being removed. */
    case Shut = 'shut';
    /** Open, and nothing was checked of late. */
    case Quiet = 'quiet';

    /**
     * @param  Builder<Group>  $groups
     * @param  string  $since  the first day that counts as lately
     */
    public function among(Builder $groups, string $since): void
    {
        match ($this) {
            self::All => null,
            self::Open => self::open($groups),
            self::Shut => $groups->where(static fn (Builder $any): Builder => $any->whereNotNull('closed_at')->orWhereNotNull('left_at')->orWhereNotNull('removing_at')),
            self::Quiet => self::open($groups)->whereNotIn('groups.id', DB::query()->fromSub(self::lastDays(), 'latest')->where('latest.day', '>=', $since)->select('group_id')),
        };
    }

    /** The day of each group's last check: read from the index alone, where any check since would be looked for through all of them. */
    public static function lastDays(): Query
    {
        return DB::table('check_events')->groupBy('group_id')->selectRaw('group_id, max(day) as day');
    }

    /**
     * @param  Builder<Group>  $groups
     * @return Builder<Group>
     */
    private static function open(Builder $groups): Builder
    {
        return $groups->whereNull('closed_at')->whereNull('left_at')->whereNull('removing_at');
    }
}
