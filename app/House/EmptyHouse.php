<?php

declare(strict_types=1);

namespace App\House;

use App\Http\PlainCode;
use App\Models\Group;
use App\Models\Membership;
use App\Models\Place;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Support\Facades\DB;

/**
 * Room for a group: a house without any, which whoever has its set-up code may take, or a place that whoever hosts the house has made. Each
 * is taken once, by one.
 */
final class EmptyHouse
{
    /** Whether nobody has been here yet: no group, and no host. */
    public static function waits(): bool
    {
        return Group::query()->doesntExist() && DB::table('hosts')->doesntExist();
    }

    /**
     * @template Known
     *
     * @param  callable(): Known  $known  who has an account here already: asked before anything is written
     * @param  callable(Known): Membership  $act  sets the group up, and gives who leads it
     */
    public static function take(string $code, bool $fromNetwork, callable $known, callable $act): Membership
    {
        // Two first visits at once: the second waits here, and then finds the house taken.
        DB::select("select get_lock('compadre-setup', 10)");
        try {
            self::hold($code, $fromNetwork);
            $place = self::place($code);
            $who = $known();
            $lead = DB::transaction(static function () use ($place, $who, $act): Membership {
                $lead = $act($who);
                $place === null ? null : self::settle($place, $lead->group);

                return $lead;
            });
            $place === null ? SetUpCode::spend() : null;

            return $lead;
        } finally {
            DB::select("select release_lock('compadre-setup')");
        }
    }

    public static function hold(string $code, bool $fromNetwork): void
    {
        if (self::place($code) === null) {
            self::holdWaits($fromNetwork);
            SetUpCode::hold($code);
        }
    }

    /** There is room for somebody: what is brought is looked at only with a code. */
    public static function holdRoom(bool $fromNetwork): void
    {
        if (Place::open()->doesntExist()) {
            self::holdWaits($fromNetwork);
        }
    }

    /** Whoever sets an empty house up sits at the machine: it is no network's to take. */
    private static function holdWaits(bool $fromNetwork): void
    {
        if ($fromNetwork || ! self::waits()) {
            throw new AuthorizationException;
        }
    }

    private static function place(string $code): ?Place
    {
        return Place::open()->where('code_hash', Place::hash(PlainCode::read($code)))->first();
    }

    /** The group has what the place allows, and the place is gone. */
    private static function settle(Place $place, Group $group): void
    {
        $group->update(['learners_most' => $place->learners_most, 'people_most' => $place->people_most]);
        $group->limits()->holdLearners(0, $group->learners()->count());
        $group->limits()->holdPeople(0, $group->memberships()->count());
        $place->delete();
    }
}
