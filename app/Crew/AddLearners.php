<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\Group;
use App\Models\GroupBadge;
use App\Models\Learner;
use App\Models\Pursuit;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\LearnerName;
use Compadre\Core\Teaching\Patrols;
use Illuminate\Support\Facades\DB;

/**
 * Adds learners, all or none, and starts each on the group's badges that fit their age best.
 */
final readonly class AddLearners
{
    /**
     * @param  list<Fields>  $entries
     * @param  bool  $isWalkIn  whether they stand there already: nobody on a field is turned away by a limit
     * @return list<Learner>
     */
    public function __invoke(Group $group, array $entries, bool $isWalkIn = false): array
    {
        return DB::transaction(function () use ($group, $entries, $isWalkIn): array {
            if (! $isWalkIn && $group->learners_most !== null) {
                // Two who add some at once take turns.
                $group->takeTurns();
                $group->limits()->holdLearners($group->learners()->count(), count($entries));
            }
            $here = $group->learners()->get();
            $names = $here->pluck('name')->map(LearnerName::key(...))->all();
            $patrols = $here->pluck('patrol')->all();
            $learners = [];
            foreach ($entries as $entry) {
                $name = LearnerName::tidy($entry->text('name'));
                if (in_array(LearnerName::key($name), $names, true)) {
                    throw Refusal::of($entry->place('name'), $name, 'crew.name_taken', ['name' => $name]);
                }
                $names[] = LearnerName::key($name);
                $learner = $group->learners()->create(array_filter(['id' => $entry->textOrNull('id')]) + ['name' => $name, 'age_band' => AgeBand::from($entry->text('age_band')), 'hand' => $entry->textOrNull('hand'), 'patrol' => $patrols[] = Patrols::meant($entry->textOrNull('patrol'), $patrols)])->refresh();
                $this->start($group, $learner);
                $learners[] = $learner;
            }

            return $learners;
        });
    }

    private function start(Group $group, Learner $learner): void
    {
        foreach ($this->fitting($group, $learner->age_band) as $badge) {
            Pursuit::query()->create(['group_id' => $group->id, 'learner_id' => $learner->id, 'badge' => $badge->id, 'version' => $badge->version]);
        }
    }

    /** @return list<BadgePack> the group's badges that share most years with the learner's ages; all, where none shares any */
    private function fitting(Group $group, AgeBand $band): array
    {
        $shelf = $group->shelf();
        $badges = array_values($group->badges()->get()->map(fn (GroupBadge $chosen): BadgePack => $shelf->badge($chosen->badge))->all());
        $shared = array_map(fn (BadgePack $badge): int => $band->yearsShared($badge->ageFrom, $badge->ageTo), $badges);
        $most = $shared === [] ? 0 : max($shared);

        return array_values(array_filter($badges, fn (int $number): bool => $shared[$number] === $most, ARRAY_FILTER_USE_KEY));
    }
}
