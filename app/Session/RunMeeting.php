<?php

declare(strict_types=1);

namespace App\Session;

use App\Course\AcceptPlan;
use App\Course\Plans;
use App\Models\BlockRun;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\Turn;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Run\BlockState;
use Compadre\Core\Teaching\Run\Clock;
use Compadre\Core\Teaching\Run\ClockBlock;
use Compadre\Core\Teaching\Run\ClockStep;
use Illuminate\Support\Facades\DB;

/**
 * Keeps the clock of a meeting as the core runs it: started, block after block, and ended. A phone without a network tells of its
 * steps later, each with how long ago it was taken.
 */
final readonly class RunMeeting
{
    public function __construct(private Plans $plans, private Library $library)
    {
    }

    /** @param  Fields  $asked  step; block or place; ago_s, seconds since it was taken; shown, the blocks it began from where they are not the server's */
    public function __invoke(Group $group, Meeting $meeting, Fields $asked): void
    {
        $step = $asked->text('step');
        $at = CarbonImmutable::now()->subSeconds($asked->whole('ago_s', 0))->startOfSecond();
        DB::transaction(function () use ($group, $meeting, $asked, $step, $at): void {
            // One step at a time: two leaders may tap at once.
            Turn::at('meetings', $meeting->id);
            $meeting->refresh();
            if ($step === 'start') {
                $this->start($group, $meeting, $asked->has('shown') ? $this->shown($asked) : null, $at);

                return;
            }
            $clock = $this->clock($meeting) ?? throw Refusal::of('/step', $step, 'session.start_first');
            if ($step === 'end') {
                $this->write($meeting, $clock, $clock->end($at));

                return;
            }
            $place = $asked->wholeOrNull('place') ?? $this->placeOf($meeting, $asked->textOrNull('block'));
            $after = $clock->step(ClockStep::from($step), $place, $at);
            if ($step === ClockStep::Carry->value) {
                $this->carry($group, $meeting, $clock->block($place));
            }
            $this->write($meeting, $clock, $after);
        });
    }

    /** Starts it now, from the plan as it stands. */
    public function begin(Group $group, Meeting $meeting): void
    {
        DB::transaction(fn () => $this->start($group, $meeting, null, CarbonImmutable::now()->startOfSecond()));
    }

    /** @param  ?list<array<mixed>>  $shown */
    private function start(Group $group, Meeting $meeting, ?array $shown, CarbonImmutable $at): void
    {
        if ($meeting->started_at !== null) {
            return;
        }
        $day = $at->setTimezone($group->time_zone)->format('Y-m-d');
        if ($meeting->date !== $day || $meeting->cancelled_at !== null) {
            throw Refusal::of('/step', 'start', 'session.that_day', ['day' => $day]);
        }
        $planned = $shown ?? array_map(static fn (Block $one): array => $one->toArray(), $this->plans->of($group)->kept()->meetings[$meeting->id] ?? []);
        $read = array_map(static fn (array $one): Fields => Fields::of($one), $planned);
        $clock = Clock::start(array_map(static fn (Fields $one): array => ['knot' => $one->textOrNull('knot'), 'minutes' => $one->number('minutes')], $read), $at);
        foreach ($clock->blocks as $number => $block) {
            $meeting->blocks()->create(self::columns($block) + ['group_id' => $meeting->group_id, 'kind' => $read[$number]->text('kind'), 'stations' => $planned[$number]]);
        }
        $meeting->update(['started_at' => $at]);
    }

    /** @return list<array<mixed>> the blocks that were on the device when it started, each with a knot there is */
    private function shown(Fields $asked): array
    {
        foreach ($asked->objects('shown') as $block) {
            foreach ([$block, ...$block->objects('beside')] as $station) {
                if ($station->has('knot')) {
                    $this->library->knot($station->text('knot'), $station->place('knot'));
                }
            }
        }

        return array_map(static fn (Fields $block): array => $block->raw(), $asked->objects('shown'));
    }

    /** The knots taught in the block wait for the next meeting. */
    private function carry(Group $group, Meeting $meeting, ClockBlock $block): void
    {
        $next = $group->term()->get()->firstWhere('date', '>', $meeting->date);
        if ($next === null) {
            throw Refusal::of('/block', $block->place, 'session.no_later');
        }
        foreach ($this->row($meeting, $block->place)->each() as $station) {
            $knot = in_array($station['kind'] ?? null, ['new', 'again'], true) ? $station['knot'] ?? null : null;
            if (is_string($knot)) {
                AcceptPlan::pin($group, $knot, $next->id);
            }
        }
    }

    private function clock(Meeting $meeting): ?Clock
    {
        return $meeting->started_at === null ? null : new Clock($meeting->started_at, $meeting->ended_at, array_values($meeting->blocks()->get()->map(
            static fn (BlockRun $run): ClockBlock => new ClockBlock($run->position, $run->knot, $run->planned, BlockState::from($run->state), $run->started_at, $run->ended_at),
        )->all()));
    }

    private function write(Meeting $meeting, Clock $before, Clock $after): void
    {
        foreach ($after->blocks as $block) {
            if ($block->cutFrom !== null) {
                $whole = $this->row($meeting, $block->cutFrom);
                $meeting->blocks()->create(self::columns($block) + ['group_id' => $meeting->group_id, 'kind' => $whole->kind, 'stations' => $whole->stations]);
            } elseif (! $block->isSameAs($before->block($block->place))) {
                $this->row($meeting, $block->place)->update(self::columns($block));
            }
        }
        $meeting->update(['ended_at' => $after->endedAt]);
    }

    /** @return array<string, mixed> */
    private static function columns(ClockBlock $block): array
    {
        return ['position' => $block->place, 'knot' => $block->knot, 'planned' => $block->planned, 'state' => $block->state->value, 'started_at' => $block->startedAt, 'ended_at' => $block->endedAt];
    }

    private function row(Meeting $meeting, int $place): BlockRun
    {
        return $meeting->blocks()->where('position', $place)->first() ?? throw Refusal::of('/block', $place, 'session.block');
    }

    private function placeOf(Meeting $meeting, ?string $id): int
    {
        $block = $id === null ? null : $meeting->blocks()->find($id);

        return $block instanceof BlockRun ? $block->position : throw Refusal::of('/block', $id, 'session.block');
    }
}
