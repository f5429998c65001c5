<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * In which order the groups of a house are looked through.
 */
enum GroupsOrder: string
{
    case Name = 'name';
    /** Those first in which nothing was ever checked, then those in which that was longest ago. */
    case Quiet = 'quiet';
    /** The largest first. */
    case Learners = 'learners';
    /** The newest first. */
    case New = 'new';

    /** @param  Builder<Group>  $groups */
    public function order(Builder $groups): void
    {
        match ($this) {
            self::Name => null,
            self::Quiet => $groups->leftJoinSub(GroupsShown::lastDays(), 'last', 'last.group_id', '=', 'groups.id')->orderByRaw('last.day is not null, last.day'),
            self::Learners => $groups->leftJoinSub(DB::table('learners')->whereNull('archived_at')->groupBy('group_id')->selectRaw('group_id, count(*) as count'), 'here', 'here.group_id', '=', 'groups.id')->orderByDesc('here.count'),
            self::New => $groups->orderByDesc('groups.created_at'),
        };
        $groups->orderBy('name')->orderBy('groups.id');
    }
}
