<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\GroupBadge;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Rounds\Remedy;
use Illuminate\Support\Facades\DB;

/**
 * Does what a plan named as a remedy, and what else changes the whole of it; the plan that comes of it stands.
 */
final readonly class MendPlan
{
    public function __construct(private Plans $plans, private AcceptPlan $accept, private AddMeeting $add)
    {
    }

    public function __invoke(Group $group, PlanChange $change): void
    {
        $remedy = $change->remedy ?? throw Refusal::of('/remedy', null, 'course.remedy');
        DB::transaction(function () use ($group, $remedy): void {
            match ($remedy->kind) {
                'unpin' => $this->accept->unpin($group, $remedy->what),
                'drop' => AcceptPlan::pin($group, $remedy->what, null),
                'minutes', 'checker' => $this->meeting($group, $remedy),
                'date' => $this->later($group, $remedy),
                default => $this->another($group),
            };
            // Laid out with the change made, from what stands.
            $this->accept($group);
        });
    }

    /** @param  string  $pace  soon or keep */
    public function pace(Group $group, string $pace): void
    {
        DB::transaction(function () use ($group, $pace): void {
            $group->update(['pace' => $pace]);
            $this->accept($group);
        });
    }

    private function accept(Group $group): void
    {
        ($this->accept)($group, $this->plans->of($group)->anew());
    }

    private function meeting(Group $group, Remedy $remedy): void
    {
        $meeting = $group->term()->get()->first(fn (Meeting $one): bool => $one->id === $remedy->what && $one->isAhead($group->today()))
            ?? throw Refusal::of('/remedy/what', $remedy->what, 'course.meeting_ahead');
        if ($remedy->kind === 'minutes') {
            $this->add->holdFree($group, $meeting->date, $meeting->starts_at, $meeting->minutes + $remedy->by, '/remedy/by', $meeting);
        }
        $meeting->update(['minutes' => $meeting->minutes + ($remedy->kind === 'minutes' ? $remedy->by : 0), 'checkers' => $meeting->checkers + ($remedy->kind === 'checker' ? $remedy->by : 0), 'sequence' => $meeting->sequence + 1]);
    }

    private function later(Group $group, Remedy $remedy): void
    {
        $badge = $group->badges()->get()->first(fn (GroupBadge $one): bool => $one->badge === explode('@', $remedy->what)[0] && $one->due_on !== null)
            ?? throw Refusal::of('/remedy/what', $remedy->what, 'course.badge_due');
        $badge->update(['due_on' => CarbonImmutable::parse((string) $badge->due_on)->addDays($remedy->by)->format('Y-m-d')]);
    }

    /** A meeting like the last, a week after it. */
    private function another(Group $group): void
    {
        $last = $group->term()->reorder('date', 'desc')->orderByDesc('starts_at')->first() ?? throw Refusal::of('/remedy/what', null, 'course.no_meeting');
        $more = $this->add->write($group, max($group->today(), CarbonImmutable::parse($last->date)->addWeek()->format('Y-m-d')), $last->starts_at, $last->minutes, $last->checkers, $last->place, '/remedy/what');
        $more->update(['objects' => $last->objects]);
    }
}
