<?php

declare(strict_types=1);

namespace App\Awards;

use App\Models\BadgeTick;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\User;
use Compadre\Core\Awards\Due;
use Compadre\Core\Awards\DueBadge;
use Compadre\Core\Awards\Evidence;
use Compadre\Core\Awards\Met;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\BadgePack;
use Illuminate\Support\Facades\DB;

/**
 * What stands to learners' credit: what is due to them, and what met each requirement, by whom and where.
 */
final class Credit
{
    /** @var ?array<array-key, mixed> names of whoever belonged to the group, by id */
    private ?array $people = null;

    public function __construct(private readonly Group $group)
    {
    }

    /**
     * @return array<string, list<DueBadge>> by learner, of those who work toward anything
     */
    public function due(GroupState $state): array
    {
        $prior = DB::table('check_events')->where('group_id', $this->group->id)->where('kind', Kind::Prior->value)->whereNotExists(CheckEvent::takenBack(...))->get(['learner_id', 'knot']);
        $before = [];
        foreach ($prior as $row) {
            $before["$row->learner_id $row->knot"] = true;
        }
        $due = [];
        foreach ($state->learners as $learner) {
            $hasIt = [];
            foreach ($learner->standings as $standing) {
                if ($standing->has_it_since !== null) {
                    $hasIt[$standing->knot] = new Met($standing->has_it_since, null, isset($before["$learner->id $standing->knot"]) && $standing->level !== Level::Kept);
                }
            }
            $found = Due::of($state->badgesOf($learner), $learner->held(), Evidence::standing($learner->levels(), $hasIt, $this->ticks($learner)), $state->today);
            if ($found !== []) {
                $due[$learner->id] = $found;
            }
        }

        return $due;
    }

    /**
     * What each requirement of a badge was met by, with people by their names: for a page, and to be kept with an award.
     *
     * @param  ?string  $until  the last day that counts; null: all of them
     * @return array{about: string, outline: array<mixed>}
     */
    public function proof(BadgePack $badge, Learner $learner, ?string $until = null): array
    {
        return $this->proofs([$badge], $learner, $until)[0];
    }

    /**
     * @param  list<BadgePack>  $badges
     * @return list<array{about: string, outline: array<mixed>}>
     */
    public function proofs(array $badges, Learner $learner, ?string $until = null): array
    {
        if ($badges === []) {
            return [];
        }
        $knots = array_values(array_unique(array_merge(...array_map(static fn (BadgePack $badge): array => $badge->knots(), $badges))));
        $evidence = Evidence::ofChecks(CheckEvent::coreOf(array_map(static fn (string $knot): array => [$learner->id, $knot], $knots)), $this->ticks($learner), $until);
        $places = $this->places($learner);

        return array_map(fn (BadgePack $badge): array => ['about' => $badge->about, 'outline' => $this->named($evidence->outline($badge->requirement), $places)], $badges);
    }

    public function person(?string $id): ?string
    {
        $this->people ??= User::everOf($this->group)->pluck('name', 'id')->all();
        $name = $id === null ? null : $this->people[$id] ?? null;

        return is_string($name) ? $name : null;
    }

    /** @return array<string, Met> by their names in records */
    private function ticks(Learner $learner): array
    {
        return array_map(fn (BadgeTick|CheckEvent $one): Met => $one instanceof BadgeTick
            ? new Met($one->created_at->setTimezone($this->group->time_zone)->format('Y-m-d'), $one->ticked_by)
            : new Met($one->day, $one->by, event: $one->id, rig: $one->rig_name), $learner->credited());
    }

    /** @return array<array-key, mixed> where the checks of a learner were, by check */
    private function places(Learner $learner): array
    {
        return DB::table('check_events')->join('meetings', 'meetings.id', '=', 'check_events.meeting_id')->where('learner_id', $learner->id)->whereNotNull('place')->pluck('place', 'check_events.id')->all();
    }

    /**
     * @param  array<mixed>  $outline
     * @param  array<array-key, mixed>  $places
     * @return array<mixed>
     */
    private function named(array $outline, array $places): array
    {
        if (is_array($outline['parts'] ?? null)) {
            $outline['parts'] = array_map(fn (mixed $part): array => $this->named((array) $part, $places), $outline['parts']);
        }
        $met = $outline['since'] ?? null;
        if ($met instanceof Met) {
            $outline['since'] = ['day' => $met->day, 'by' => $this->person($met->by), 'prior' => $met->prior, 'rig' => $met->rig, 'place' => $met->event === null ? null : $places[$met->event] ?? null];
        }

        return $outline;
    }
}
