<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\User;
use App\Session\MarkAttendance;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\LearnerName;
use Illuminate\Support\Facades\DB;

/**
 * Takes in learners who just came along, by the id the device gave them, maybe hours ago without a network. The same one sent
 * twice is one; a name the group has already is told apart by a number, since nobody is there to be asked.
 */
final readonly class WalkIn
{
    public function __construct(private AddLearners $add, private MarkAttendance $mark)
    {
    }

    /**
     * @param  list<Fields>  $entries
     * @return list<array{id: string, name: string}>
     */
    public function __invoke(Group $group, User $by, array $entries): array
    {
        return DB::transaction(function () use ($group, $by, $entries): array {
            // Two phones that send the same one at the same time take turns.
            $group->takeTurns();
            $gone = GoneLearner::among($group, array_map(fn (Fields $entry): string => strtolower($entry->text('id')), $entries));
            $answers = [];
            foreach ($entries as $entry) {
                $id = strtolower($entry->text('id'));
                $known = Learner::query()->find($id);
                if ($known !== null && $known->group_id !== $group->id) {
                    throw Refusal::of($entry->place('id'), $id, 'crew.new_id');
                }
                $learner = $known ?? (array_key_exists($id, $gone) ? null : $this->take($group, $id, $entry));
                $meeting = $this->meeting($group, $entry);
                if ($learner !== null && $known === null && $meeting !== null) {
                    ($this->mark)($meeting, $learner, $by, true);
                }
                $answers[] = ['id' => $id, 'name' => $learner->name ?? LearnerName::tidy($entry->text('name'))];
            }

            return $answers;
        });
    }

    private function take(Group $group, string $id, Fields $entry): Learner
    {
        $name = LearnerName::apart(LearnerName::tidy($entry->text('name')), $group->learners()->pluck('name')->all());

        return ($this->add)($group, [Fields::of(['id' => $id, 'name' => $name, 'age_band' => $this->band($group)->value])], true)[0];
    }

    /** The band most of the group is in; nobody asked. */
    private function band(Group $group): AgeBand
    {
        $bands = $group->learners()->get()->countBy(fn (Learner $learner): string => $learner->age_band->value)->sortDesc()->keys();

        return AgeBand::tryFrom((string) $bands->first()) ?? AgeBand::of($group->age_from);
    }

    private function meeting(Group $group, Fields $entry): ?Meeting
    {
        $id = $entry->textOrNull('meeting');

        return $id === null ? null : ($group->meetings()->find($id) ?? throw Refusal::of($entry->place('meeting'), $id, 'course.meeting'));
    }
}
