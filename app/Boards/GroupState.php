<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Attendance;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Teaching\PlanLearner;
use Illuminate\Database\Eloquent\Collection;

/**
 * The learners of a group with their standings and badges, read in three queries.
 */
final readonly class GroupState
{
    /**
     * @param  Collection<int, Learner>  $learners  with standings and pursuits
     * @param  array<string, BadgePack>  $badges  by id, those the group works toward
     * @param  array<string, ?string>  $dates  by badge id
     */
    private function __construct(public Collection $learners, public array $badges, public array $dates, public string $today)
    {
    }

    public static function of(Group $group, BadgeShelf $shelf): self
    {
        $badges = [];
        $dates = [];
        foreach ($group->badges()->get() as $chosen) {
            $badges[$chosen->badge] = $shelf->badge($chosen->badge);
            $dates[$chosen->badge] = $chosen->due_on;
        }

        return new self($group->learners()->with(['standings', 'pursuits'])->get(), $badges, $dates, $group->today());
    }

    /** @return array<string, Level> by knot */
    public static function levels(Learner $learner): array
    {
        $levels = [];
        foreach ($learner->standings as $standing) {
            if ($standing->level !== null) {
                $levels[$standing->knot] = $standing->level;
            }
        }

        return $levels;
    }

    /** @return list<BadgePack> the badges a learner is under way to */
    public function badgesOf(Learner $learner): array
    {
        $badges = [];
        foreach ($learner->pursuits->sortBy('badge') as $pursuit) {
            if (isset($this->badges[$pursuit->badge])) {
                $badges[] = $this->badges[$pursuit->badge];
            }
        }

        return $badges;
    }

    /**
     * As the planner sees them: whoever is marked away from a meeting still to come is not expected there.
     *
     * @param  Collection<int, Meeting>  $meetings
     * @return list<PlanLearner>
     */
    public function planLearners(Collection $meetings): array
    {
        $away = Attendance::query()->whereIn('meeting_id', $meetings->modelKeys())->where('present', false)->get()->groupBy('learner_id');

        return array_values($this->learners->map(fn (Learner $learner): PlanLearner => new PlanLearner(
            $learner->id, $learner->age_band, self::levels($learner), self::memories($learner),
            array_map(fn (BadgePack $badge): string => $badge->id, $this->badgesOf($learner)),
            array_values(array_map(strval(...), ($away[$learner->id] ?? collect())->pluck('meeting_id')->all())),
        ))->all());
    }

    /** @return array<string, Memory> by knot */
    private static function memories(Learner $learner): array
    {
        $memories = [];
        foreach ($learner->standings as $standing) {
            $memory = Marks::memory($standing);
            if ($memory !== null) {
                $memories[$standing->knot] = $memory;
            }
        }

        return $memories;
    }

    /** @return array{badge: string, name: string, met: int, needed: int, complete: bool} */
    public static function progress(BadgePack $badge, Learner $learner): array
    {
        [$met, $needed] = $badge->requirement->progress(self::levels($learner));

        return ['badge' => $badge->id, 'name' => $badge->name, 'met' => $met, 'needed' => $needed, 'complete' => $met >= $needed];
    }
}
