<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Run\Clock;
use Compadre\Core\Teaching\Run\ClockBlock;
use Compadre\Core\Teaching\Run\ClockStep;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * The clock of a meeting held against a table that is kept by hand: rows of place, knot, minutes, state, begun, over; and whatever is tapped,
 * by whom and in what order, what a meeting cannot be without.
 */

/** A table of blocks, and the tap put into it as a leader with a pencil would. */
final class ByPencil
{
    /** @var array<int, array{knot: ?string, minutes: float, state: string, begun: ?int, over: ?int}> by place */
    public array $rows = [];

    public ?int $ended = null;

    /** @param  list<array{knot: ?string, minutes: float}>  $planned */
    public function __construct(array $planned, public readonly int $began)
    {
        foreach ($planned as $number => $one) {
            $this->rows[10 * $number] = ['knot' => $one['knot'], 'minutes' => round($one['minutes'], 1), 'state' => $number === 0 ? 'running' : 'waiting', 'begun' => $number === 0 ? $began : null, 'over' => null];
        }
    }

    /** @return bool whether it may be tapped */
    public function tap(string $step, int $place, int $at): bool
    {
        $row = $this->rows[$place] ?? null;
        if ($row === null || $step === 'carry' && $row['knot'] === null) {
            return false;
        }
        $isOpen = in_array($row['state'], ['waiting', 'running'], true);
        if ($step === 'split') {
            if (! $isOpen || $row['minutes'] < 2) {
                return false;
            }
            $this->split($place);

            return true;
        }
        if (! $isOpen || $step === 'next' && $row['state'] === 'waiting') {
            return true;
        }
        $at = max($at, $this->latest());
        $this->rows[$place]['state'] = ['next' => 'done', 'skip' => 'skipped', 'carry' => 'carried'][$step];
        if ($row['state'] === 'running') {
            $this->rows[$place]['over'] = $at;
            foreach ($this->rows as $next => $other) {
                if ($next > $place && $other['state'] === 'waiting') {
                    $this->rows[$next] = ['state' => 'running', 'begun' => $at] + $other;
                    break;
                }
            }
        }

        return true;
    }

    public function end(int $at): void
    {
        if ($this->ended !== null) {
            return;
        }
        $this->ended = $at = max($at, $this->latest());
        foreach ($this->rows as $place => $row) {
            if ($row['state'] === 'running') {
                $this->rows[$place] = ['state' => 'done', 'over' => $at] + $row;
            } elseif ($row['state'] === 'waiting') {
                $this->rows[$place]['state'] = 'skipped';
            }
        }
    }

    private function split(int $place): void
    {
        $half = round($this->rows[$place]['minutes'] / 2, 1);
        $after = $place;
        foreach ($this->rows as $next => $other) {
            if ($next > $place && $other['state'] === 'waiting') {
                $after = $next;
                break;
            }
        }
        $free = $after + 1;
        while (isset($this->rows[$free])) {
            $free++;
        }
        $rest = round($this->rows[$place]['minutes'] - $half, 1);
        $this->rows[$place]['minutes'] = $half;
        $this->rows[$free] = ['knot' => $this->rows[$place]['knot'], 'minutes' => $rest, 'state' => 'waiting', 'begun' => null, 'over' => null];
        ksort($this->rows);
    }

    private function latest(): int
    {
        return max($this->began, ...array_filter([...array_column($this->rows, 'begun'), ...array_column($this->rows, 'over')]), ...[0]);
    }
}

/** @return array<int, array<string, mixed>> */
function rowsOf(Clock $clock): array
{
    $rows = [];
    foreach ($clock->blocks as $block) {
        $rows[$block->place] = ['knot' => $block->knot, 'minutes' => $block->planned, 'state' => $block->state->value, 'begun' => $block->startedAt?->getTimestamp(), 'over' => $block->endedAt?->getTimestamp()];
    }

    return $rows;
}

it('runs a meeting as a table kept by hand would, whatever is tapped in whatever order', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(88));
    [$taps, $refused, $split] = [0, 0, 0];
    for ($case = 0; $case < 400; $case++) {
        $planned = [];
        for ($n = $random->getInt(1, 6); $n > 0; $n--) {
            $planned[] = ['knot' => $random->getInt(0, 2) === 0 ? null : "knot $n", 'minutes' => $random->getInt(5, 300) / 10];
        }
        $now = 1_795_000_000 + 60 * $case;
        $clock = Clock::start($planned, new DateTimeImmutable("@$now"));
        $table = new ByPencil($planned, $now);
        $minutes = array_sum(array_column($table->rows, 'minutes'));
        for ($tap = $random->getInt(3, 25); $tap > 0; $tap--) {
            // Some taps are told of late: a phone had no network.
            $at = $now += $random->getInt(-120, 600);
            if ($random->getInt(0, 29) === 0) {
                $clock = $clock->end(new DateTimeImmutable("@$at"));
                $table->end($at);
            }
            $step = ['next', 'next', 'skip', 'carry', 'split'][$random->getInt(0, 4)];
            $places = [...array_keys($table->rows), 7];
            $place = $places[$random->getInt(0, count($places) - 1)];
            $may = $table->tap($step, $place, $at);
            $taps++;
            try {
                $clock = $clock->step(ClockStep::from($step), $place, new DateTimeImmutable("@$at"));
                expect($may)->toBeTrue("case $case: $step at $place");
            } catch (Refusal $refusal) {
                expect($may)->toBeFalse("case $case: $step at $place")->and($refusal->field)->toBe('/block');
                $refused++;
            }
            $split += $may && $step === 'split' ? 1 : 0;
            expect(rowsOf($clock))->toEqual($table->rows, "case $case: $step at $place")->and($clock->endedAt?->getTimestamp())->toBe($table->ended);
            // One block at a time; no minute is lost by halving; nothing is over before it began.
            expect(count(array_filter($clock->blocks, static fn (ClockBlock $block): bool => $block->state->value === 'running')))->toBeLessThanOrEqual(1)
                ->and(array_sum(array_map(static fn (ClockBlock $block): float => $block->planned, $clock->blocks)))->toEqualWithDelta($minutes, 1e-6);
            foreach ($clock->blocks as $block) {
                expect($block->endedAt === null || $block->startedAt !== null && $block->endedAt >= $block->startedAt)->toBeTrue();
            }
            if ($step !== 'split' && $may) {
                // The other leader's tap, a moment later, at what both saw.
                expect($clock->step(ClockStep::from($step), $place, new DateTimeImmutable('@'.($at + 2))))->toEqual($clock);
            }
        }
    }
    expect($taps)->toBeGreaterThan(4000)->and($refused)->toBeGreaterThan(500)->and($split)->toBeGreaterThan(100);
});
