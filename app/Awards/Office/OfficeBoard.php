<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Awards\DueList;
use App\Models\Award;
use App\Models\Group;
use App\Models\Office;
use App\Models\Submission;
use App\Work\WorkView;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Wish;
use Illuminate\Support\Facades\DB;

/**
 * What the award office has taken, refused, or not been told yet.
 */
final class OfficeBoard
{
    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $office = Office::of($group);

        return [
            'office' => $office === null ? null : ['address' => $office->address, 'client' => $office->client],
            'awards' => $office === null ? [] : $this->awards($office),
            'never_sent' => $office === null ? [] : $this->neverSent($group, $office),
            'not_forgotten' => $this->notForgotten($group),
            'work' => WorkView::last($group, RunErrand::kind()),
        ];
    }

    /** @return list<array<string, mixed>> the refused first, then what waits, then what was taken, the latest first */
    private function awards(Office $office): array
    {
        $submissions = $office->submissions()->with(['award' => fn ($award) => $award->select(Award::SHOWN), 'award.learner:id,name'])->where('wish', '!=', Wish::Forgotten)
            ->orderByRaw("field(passage, 'refused', 'sent', 'waiting', 'taken')")->orderByDesc('answered_at')->orderBy('award_id')->get();
        $rows = [];
        foreach ($submissions as $one) {
            if ($one->award !== null) {
                $rows[] = self::award($one->award) + [
                    'state' => self::state($one), 'receipt' => $one->receipt, 'requirement' => $one->requirement, 'reason' => $one->reason, 'answered_at' => $one->answered_at?->toIso8601ZuluString(),
                ];
            }
        }

        return $rows;
    }

    /** What is to be shown of it: waiting, taken, refused, taking_back or taken_back. */
    private static function state(Submission $one): string
    {
        return match (true) {
            $one->wish === Wish::TakenBack && $one->passage === Passage::Taken => $one->told ? 'taken_back' : 'taking_back',
            $one->passage === Passage::Sent => 'waiting',
            default => $one->passage->value,
        };
    }

    /** @return list<array<string, mixed>> awards in force that the office was never told of */
    private function neverSent(Group $group, Office $office): array
    {
        $awards = $group->awards()->with('learner:id,name')->whereNull('taken_back_on')
            ->whereNotExists(fn ($known) => $known->select(DB::raw(1))->from('submissions')->whereColumn('submissions.award_id', 'awards.id')->where('office_id', $office->id))
            ->orderByDesc('decided_on')->orderBy('id')->get(Award::SHOWN);

        return array_values($awards->map(self::award(...))->all());
    }

    /** @return array<string, mixed> */
    private static function award(Award $award): array
    {
        return ['award' => $award->id, 'name' => $award->name, 'learner' => DueList::learner($award->learner), 'decided_on' => $award->decided_on];
    }

    /** @return list<array{address: string, left: bool, awards: int}> offices that are still to forget awards of learners who were erased */
    private function notForgotten(Group $group): array
    {
        $open = [];
        foreach (Office::query()->where('group_id', $group->id)->orderBy('address')->get() as $office) {
            $awards = $office->submissions()->where('wish', Wish::Forgotten)->whereNotExists(fn ($there) => $there->select(DB::raw(1))->from('awards')->whereColumn('awards.id', 'submissions.award_id'))->count();
            if ($awards > 0) {
                $open[] = ['address' => $office->address, 'left' => $office->left_at !== null, 'awards' => $awards];
            }
        }

        return $open;
    }
}
