<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Models\Award;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Office;
use App\Models\Submission;
use App\Work\StartWork;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Wish;

/**
 * Notes what the office is to be told: in the transaction of what it is told of.
 */
final readonly class TellOffice
{
    public function __construct(private StartWork $start)
    {
    }

    /** @param  list<Award>  $awards */
    public function held(Group $group, array $awards): void
    {
        $office = $awards === [] ? null : Office::of($group);
        if ($office === null) {
            return;
        }
        foreach ($awards as $award) {
            $office->submissions()->create(['award_id' => $award->id, 'group_id' => $group->id, 'passage' => Passage::Waiting, 'wish' => Wish::Held]);
        }
        ($this->start)($group, RunErrand::class);
    }

    /** @param  list<string>  $awards  ids */
    public function takenBack(Group $group, array $awards): void
    {
        $this->wish($group, $awards, Wish::TakenBack);
    }

    /** Nothing of the learner is to stay there. */
    public function erased(Group $group, Learner $learner): void
    {
        $awards = Award::query()->where('learner_id', $learner->id)->get(['id']);
        $this->wish($group, array_values($awards->map(static fn (Award $award): string => $award->id)->all()), Wish::Forgotten);
    }

    /** @param  list<string>  $awards */
    private function wish(Group $group, array $awards, Wish $wish): void
    {
        $known = Submission::query()->where('group_id', $group->id)->whereIn('award_id', $awards)->lockForUpdate()->get();
        foreach ($known as $one) {
            match (true) {
                // What never left the house is known to nobody.
                $one->passage === Passage::Waiting && $one->list === null => $one->delete(),
                $one->passage === Passage::Refused && $wish === Wish::TakenBack => $one->update(['wish' => $wish]),
                default => $one->update(['wish' => $wish, 'told' => false]),
            };
        }
        if ($known->isNotEmpty()) {
            ($this->start)($group, RunErrand::class);
        }
    }
}
