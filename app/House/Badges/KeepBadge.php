<?php

declare(strict_types=1);

namespace App\House\Badges;

use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Pursuit;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\BadgePack;
use Illuminate\Support\Facades\DB;

/**
 * A group's badges: written or brought along as a pack, worked toward by a date, and learners moved to a newer version.
 */
final readonly class KeepBadge
{
    public function __construct(private Library $library)
    {
    }

    /**
     * A new badge, or the next version of one there is.
     *
     * @param  array<mixed>  $pack  as packs/schema/badge.schema.json; its version is set here
     */
    public function save(User $by, array $pack): BadgePack
    {
        $group = $by->group;
        $badge = $this->read($group, $pack);

        return DB::transaction(function () use ($by, $group, $badge, $pack): BadgePack {
            $shelf = $group->shelf();
            $version = $shelf->has($badge->id) ? $shelf->badge($badge->id)->version + 1 : 1;
            $made = $group->badgePacks()->create(['badge' => $badge->id, 'version' => $version, 'pack' => ['version' => $version] + $pack, 'made_by' => $by->id]);

            return $made->read();
        });
    }

    /**
     * The badge, or every fault it has.
     *
     * @param  array<mixed>  $pack
     */
    public function read(Group $group, array $pack): BadgePack
    {
        $pack = ['version' => 1] + $pack;
        Schema::hold(json_decode(Json::write($pack)), Json::arrays(Json::file(config()->string('app.packs').'/schema/badge.schema.json')));
        $badge = BadgePack::from(Fields::of($pack));
        $group->shelf()->hold($badge, $this->library);

        return $badge;
    }

    /**
     * The group works toward it, by a date or without one; learners whose ages it fits begin.
     *
     * @param  bool  $firm  whether what is met after the date does not count
     */
    public function choose(Group $group, string $id, ?string $dueOn, bool $firm = true): void
    {
        $badge = $group->shelf()->badge($id);
        DB::transaction(function () use ($group, $badge, $dueOn, $firm): void {
            $new = ! $group->badges()->where('badge', $badge->id)->exists();
            $group->badges()->updateOrCreate(['badge' => $badge->id], ['due_on' => $dueOn, 'firm' => $firm]);
            foreach ($new ? $group->learners()->get() : [] as $learner) {
                if ($learner->age_band->yearsShared($badge->ageFrom, $badge->ageTo) > 0) {
                    Pursuit::query()->firstOrCreate(['learner_id' => $learner->id, 'badge' => $badge->id], ['group_id' => $group->id, 'version' => $badge->version]);
                }
            }
        });
    }

    /** The group no longer works toward it; what was learned stays learned. */
    public function leave(Group $group, string $id): void
    {
        DB::transaction(function () use ($group, $id): void {
            Pursuit::query()->where('badge', $id)->whereIn('learner_id', $group->learners()->pluck('id'))->delete();
            $group->badges()->where('badge', $id)->delete();
        });
    }

    /**
     * What moving learners to the latest version of a badge would change for each.
     *
     * @return list<array{learner: string, name: string, from: int, to: int, before: array{int, int}, after: array{int, int}}>
     */
    public function moves(Group $group, string $id): array
    {
        $state = GroupState::of($group);
        $latest = $group->shelf()->badge($id);
        $moves = [];
        foreach ($state->learners as $learner) {
            $pursuit = $learner->pursuits->firstWhere('badge', $id);
            if ($pursuit === null || $pursuit->version === $latest->version) {
                continue;
            }
            $now = $state->shelf->inVersion($id, $pursuit->version) ?? $latest;
            $moves[] = [
                'learner' => $learner->id, 'name' => $learner->name, 'from' => $pursuit->version, 'to' => $latest->version,
                'before' => $now->requirement->progress(GroupState::levels($learner), GroupState::ticked($learner)),
                'after' => $latest->requirement->progress(GroupState::levels($learner), GroupState::ticked($learner)),
            ];
        }

        return $moves;
    }

    public function move(Group $group, string $id): void
    {
        $latest = $group->shelf()->badge($id);
        Pursuit::query()->where('badge', $id)->whereIn('learner_id', $group->learners()->pluck('id'))->update(['version' => $latest->version]);
    }

    /** Ticks a requirement that is no knot, or takes the tick back. */
    public function tick(User $by, Learner $learner, string $note, bool $met): void
    {
        $met
            ? $learner->ticks()->updateOrCreate(['note' => $note], ['group_id' => $learner->group_id, 'ticked_by' => $by->id])
            : $learner->ticks()->where('note', $note)->delete();
    }
}
