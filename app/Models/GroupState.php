<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Teaching\PlanLearner;
use Illuminate\Database\Eloquent\Collection;

/**
 * The learners of a group with their standings and badges, read in a handful of queries.
 */
final readonly class GroupState
{
    /** What is read with each learner. */
    public const OF_A_LEARNER = ['standings', 'pursuits', 'awards', 'ticks', 'uses'];

    /**
     * @param  Collection<int, Learner>  $learners  with standings, pursuits, awards, ticks and uses
     * @param  array<string, BadgePack>  $badges  those the group works toward, by id; an older version someone is under way in by id@version
     * @param  array<string, ?string>  $dates  by the same
     * @param  array<string, true>  $wished  by the same: those whose date is only wished
     */
    private function __construct(public Collection $learners, public array $badges, public array $dates, public array $wished, public string $today, public BadgeShelf $shelf)
    {
    }

    public static function of(Group $group): self
    {
        $shelf = $group->shelf();
        $learners = $group->learners()->with(self::OF_A_LEARNER)->get();
        $badges = $dates = $wished = [];
        foreach ($group->badges()->get() as $chosen) {
            $badges[$chosen->badge] = $shelf->badge($chosen->badge);
            $dates[$chosen->badge] = $chosen->due_on;
            $wished += $chosen->firm ? [] : [$chosen->badge => true];
        }
        foreach ($learners->flatMap(fn (Learner $learner): Collection => $learner->pursuits) as $pursuit) {
            $older = isset($badges[$pursuit->badge]) ? $shelf->inVersion($pursuit->badge, $pursuit->version) : null;
            if ($older !== null && $older->version !== $badges[$pursuit->badge]->version) {
                $badges["{$older->id}@{$older->version}"] = $older;
                $dates["{$older->id}@{$older->version}"] = $dates[$pursuit->badge];
                $wished += isset($wished[$pursuit->badge]) ? ["{$older->id}@{$older->version}" => true] : [];
            }
        }

        return new self($learners, $badges, $dates, $wished, $group->today(), $shelf);
    }

    /** A learner with all that is read with them; those who are archived are not among the others. */
    public function own(Learner $learner): Learner
    {
        return $this->learners->find($learner->id) ?? $learner->load(self::OF_A_LEARNER);
    }

    /** @return array<string, Level> by knot */
    public static function levels(Learner $learner): array
    {
        return $learner->levels();
    }

    /** @return array<string, Level> the level of each knot that the learner's open badges still ask for, by knot */
    public function wantedBy(Learner $learner): array
    {
        $levels = self::levels($learner);
        $ticked = self::ticked($learner);
        $wanted = [];
        foreach ($this->openBadgesOf($learner) as $badge) {
            foreach (self::progress($badge, $learner)['complete'] ? [] : $badge->requirement->leaves() as $leaf) {
                if (! $leaf->metBy($levels[$leaf->knot] ?? null, $ticked) && (! isset($wanted[$leaf->knot]) || $leaf->level->rung() > $wanted[$leaf->knot]->rung())) {
                    $wanted[$leaf->knot] = $leaf->level;
                }
            }
        }

        return $wanted;
    }

    /** @return list<BadgePack> the badges a learner is under way to */
    public function badgesOf(Learner $learner): array
    {
        $badges = [];
        foreach ($learner->pursuits->sortBy('badge') as $pursuit) {
            $badge = $this->badges["{$pursuit->badge}@{$pursuit->version}"] ?? $this->badges[$pursuit->badge] ?? null;
            if ($badge !== null) {
                $badges[] = $badge;
            }
        }

        return $badges;
    }

    /** @return list<BadgePack> of these, the badges that the learner does not hold yet */
    private function openBadgesOf(Learner $learner): array
    {
        return array_values(array_filter($this->badgesOf($learner), static fn (BadgePack $badge): bool => ! $learner->holds($badge->id)));
    }

    /**
     * As the planner sees them: whoever is marked away from a meeting still to come is not expected there.
     *
     * @param  Collection<int, Meeting>  $meetings
     * @return list<PlanLearner>
     */
    public function planLearners(Collection $meetings): array
    {
        $practised = PracticeDay::lastDays($this->learners);
        $away = Attendance::query()->whereIn('meeting_id', $meetings->modelKeys())->where('present', false)->get()->groupBy('learner_id');

        return array_values($this->learners->map(fn (Learner $learner): PlanLearner => new PlanLearner(
            $learner->id, $learner->age_band, self::levels($learner), self::memories($learner),
            array_map($this->key(...), $this->openBadgesOf($learner)),
            array_values(array_map(strval(...), ($away[$learner->id] ?? collect())->pluck('meeting_id')->all())), self::ticked($learner), $learner->patrol, $practised[$learner->id] ?? [],
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

    /** What a badge, in this version, is found by. */
    private function key(BadgePack $badge): string
    {
        return (string) array_search($badge, $this->badges, true);
    }

    /** @return array<string, true> what is ticked off beside the ladder, by hand or by a knot used in a rig, by its names in records */
    public static function ticked(Learner $learner): array
    {
        return array_fill_keys(array_keys($learner->credited()), true);
    }

    /** @return array{badge: string, name: string, met: int, needed: int, complete: bool, held: bool} a badge that is held is complete, however it came to be */
    public static function progress(BadgePack $badge, Learner $learner): array
    {
        [$met, $needed] = $badge->requirement->progress(self::levels($learner), self::ticked($learner));
        $held = $learner->holds($badge->id);

        return ['badge' => $badge->id, 'name' => $badge->name, 'met' => $met, 'needed' => $needed, 'complete' => $held || $met >= $needed, 'held' => $held];
    }
}
