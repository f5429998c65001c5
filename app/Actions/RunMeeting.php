<?php

declare(strict_types=1);

namespace App\Actions;

use App\Boards\CourseView;
use App\Models\BlockRun;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\PlanPlace;
use Carbon\CarbonImmutable;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * The clock of a meeting: started, block after block, and ended. A step names the block it was asked at; when another leader
 * was quicker, nothing happens twice.
 */
final readonly class RunMeeting
{
    public function __construct(private CourseView $course)
    {
    }

    /** @param  ?string  $block  the block the step is about */
    public function __invoke(Group $group, Meeting $meeting, string $step, ?string $block): void
    {
        DB::transaction(function () use ($group, $meeting, $step, $block): void {
            // One step at a time: two leaders may tap at once.
            DB::table('meetings')->where('id', $meeting->id)->lockForUpdate()->first();
            $meeting->refresh();
            match ($step) {
                'start' => $this->start($group, $meeting),
                'next' => $this->leave($meeting, $block, 'done'),
                'skip' => $this->leave($meeting, $block, 'skipped'),
                'carry' => $this->carry($group, $meeting, $block),
                'split' => $this->split($meeting, $block),
                'end' => $this->end($meeting),
                default => throw Refusal::of('/step', $step, 'start, next, skip, carry, split or end'),
            };
        });
    }

    private function start(Group $group, Meeting $meeting): void
    {
        if ($meeting->started_at !== null) {
            return;
        }
        if ($meeting->date !== $group->today() || $meeting->cancelled_at !== null) {
            throw Refusal::of('/step', 'start', 'a meeting of today, '.$group->today());
        }
        $plan = $this->course->plans($group)->kept();
        $now = CarbonImmutable::now();
        foreach ($plan->meetings[$meeting->id] ?? [] as $position => $one) {
            $meeting->blocks()->create([
                'position' => 10 * $position, 'kind' => $one->kind, 'knot' => $one->knot, 'stations' => $one->toArray(), 'planned' => round($one->minutes, 1),
                'state' => $position === 0 ? 'running' : 'waiting', 'started_at' => $position === 0 ? $now : null,
            ]);
        }
        $meeting->update(['started_at' => $now]);
    }

    private function leave(Meeting $meeting, ?string $id, string $as): void
    {
        $block = $this->block($meeting, $id);
        if (! in_array($block->state, ['waiting', 'running'], true)) {
            return;
        }
        $now = CarbonImmutable::now();
        $running = $block->state === 'running';
        if ($as === 'done' && ! $running) {
            return;
        }
        $block->update(['state' => $as, 'ended_at' => $running ? $now : null]);
        if ($running) {
            $next = $meeting->blocks()->get()->firstWhere('state', 'waiting');
            $next?->update(['state' => 'running', 'started_at' => $now]);
        }
    }

    /** The block's knot waits for the next meeting. */
    private function carry(Group $group, Meeting $meeting, ?string $id): void
    {
        $block = $this->block($meeting, $id);
        if ($block->knot === null) {
            throw Refusal::of('/block', $id, 'a block with a knot: there is nothing else to carry over');
        }
        $next = $group->term()->get()->firstWhere('date', '>', $meeting->date);
        if ($next === null) {
            throw Refusal::saying('/block', $id, 'a meeting still to come', 'There is no later meeting to carry it to: add one first.');
        }
        $this->leave($meeting, $id, 'carried');
        if (in_array($block->kind, ['new', 'again'], true)) {
            PlanPlace::query()->upsert([['group_id' => $group->id, 'knot' => $block->knot, 'meeting_id' => $next->id, 'pinned' => true, 'created_at' => CarbonImmutable::now(), 'updated_at' => CarbonImmutable::now()]], ['group_id', 'knot'], ['meeting_id', 'pinned', 'updated_at']);
        }
    }

    /** Half of it now, half after the block that follows. */
    private function split(Meeting $meeting, ?string $id): void
    {
        $block = $this->block($meeting, $id);
        if (! in_array($block->state, ['waiting', 'running'], true) || $block->planned < 2) {
            throw Refusal::of('/block', $id, 'a block of at least two minutes that is not over');
        }
        $after = $meeting->blocks()->get()->where('state', 'waiting')->firstWhere('position', '>', $block->position);
        $half = round($block->planned / 2, 1);
        $meeting->blocks()->create(['position' => ($after->position ?? $block->position) + 1, 'kind' => $block->kind, 'knot' => $block->knot, 'stations' => $block->stations, 'planned' => $block->planned - $half]);
        $block->update(['planned' => $half]);
    }

    private function end(Meeting $meeting): void
    {
        if ($meeting->started_at === null) {
            throw Refusal::of('/step', 'end', 'a meeting that was started');
        }
        if ($meeting->ended_at !== null) {
            return;
        }
        $now = CarbonImmutable::now();
        $meeting->blocks()->where('state', 'running')->update(['state' => 'done', 'ended_at' => $now]);
        $meeting->blocks()->where('state', 'waiting')->update(['state' => 'skipped']);
        $meeting->update(['ended_at' => $now]);
    }

    private function block(Meeting $meeting, ?string $id): BlockRun
    {
        $block = $id === null ? null : $meeting->blocks()->find($id);

        return $block instanceof BlockRun ? $block : throw Refusal::of('/block', $id, 'a block of this meeting');
    }
}
