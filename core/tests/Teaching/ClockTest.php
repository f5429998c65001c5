<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Run\BlockState;
use Compadre\Core\Teaching\Run\Clock;
use Compadre\Core\Teaching\Run\ClockBlock;
use Compadre\Core\Teaching\Run\ClockStep;

function at(string $time): DateTimeImmutable
{
    return new DateTimeImmutable("2026-11-24 $time UTC");
}

/** Welcome, two lessons and clearing up, begun at a quarter to seven. */
function evening(): Clock
{
    return Clock::start([['knot' => null, 'minutes' => 5], ['knot' => 'bowline', 'minutes' => 20.04], ['knot' => 'overhand', 'minutes' => 15], ['knot' => null, 'minutes' => 5]], at('18:45'));
}

/** @return list<array{int, string, float, ?string, ?string}> place, state, minutes, begun, over */
function blocksOf(Clock $clock): array
{
    return array_map(static fn (ClockBlock $one): array => [$one->place, $one->state->value, $one->planned, $one->startedAt?->format('H:i'), $one->endedAt?->format('H:i')], $clock->blocks);
}

it('runs one block after the other', function (): void {
    $clock = evening()->step(ClockStep::Next, 0, at('18:52'))->step(ClockStep::Next, 10, at('19:10'));
    expect(blocksOf($clock))->toBe([[0, 'done', 5.0, '18:45', '18:52'], [10, 'done', 20.0, '18:52', '19:10'], [20, 'running', 15.0, '19:10', null], [30, 'waiting', 5.0, null, null]]);
    $ended = $clock->end(at('19:30'));
    expect($ended->endedAt)->toEqual(at('19:30'));
    expect(array_slice(blocksOf($ended), 2))->toBe([[20, 'done', 15.0, '19:10', '19:30'], [30, 'skipped', 5.0, null, null]]);
    expect($ended->end(at('19:45')))->toBe($ended);
});

it('takes no step twice', function (): void {
    $once = evening()->step(ClockStep::Next, 0, at('18:52'));
    // The other leader's tap, on the block that both saw running.
    expect($once->step(ClockStep::Next, 0, at('18:52')))->toBe($once);
    expect($once->step(ClockStep::Skip, 0, at('18:53')))->toBe($once);
    // A block that waits is skipped, but not done.
    expect($once->step(ClockStep::Next, 20, at('18:53')))->toBe($once);
    expect($once->step(ClockStep::Skip, 20, at('18:53'))->block(20)->state)->toBe(BlockState::Skipped);
    expect($once->step(ClockStep::Skip, 20, at('18:53'))->block(10)->state)->toBe(BlockState::Running);
});

it('goes on where what follows is over already', function (): void {
    $clock = evening()->step(ClockStep::Skip, 10, at('18:46'))->step(ClockStep::Carry, 20, at('18:47'))->step(ClockStep::Next, 0, at('18:50'));
    expect(array_column(blocksOf($clock), 1))->toBe(['done', 'skipped', 'carried', 'running']);
    expect(array_column(blocksOf($clock->step(ClockStep::Next, 30, at('18:55'))), 1))->toBe(['done', 'skipped', 'carried', 'done']);
});

it('splits a block: half now, half after the next, each half in a place of its own', function (): void {
    $clock = evening()->step(ClockStep::Split, 10, at('18:46'));
    expect(array_map(static fn (array $one): array => array_slice($one, 0, 3), blocksOf($clock)))->toBe([[0, 'running', 5.0], [10, 'waiting', 10.0], [20, 'waiting', 15.0], [21, 'waiting', 10.0], [30, 'waiting', 5.0]]);
    expect($clock->block(21)->knot)->toBe('bowline')->and($clock->block(21)->cutFrom)->toBe(10);
    // The first half once more, and the last block, after which nothing follows.
    $more = $clock->step(ClockStep::Split, 10, at('18:46'))->step(ClockStep::Split, 30, at('18:46'));
    expect(array_map(static fn (array $one): array => [$one[0], $one[2]], blocksOf($more)))->toBe([[0, 5.0], [10, 5.0], [20, 15.0], [21, 10.0], [22, 5.0], [30, 2.5], [31, 2.5]]);
});

it('dates no step before the one that came before it', function (): void {
    $clock = evening()->step(ClockStep::Next, 0, at('18:52'))->step(ClockStep::Next, 10, at('18:40'));
    expect(array_slice(blocksOf($clock), 1, 2))->toBe([[10, 'done', 20.0, '18:52', '18:52'], [20, 'running', 15.0, '18:52', null]]);
    expect($clock->end(at('18:50'))->endedAt)->toEqual(at('18:52'));
});

it('says what it cannot do', function (ClockStep $step, ?int $place, string $allowed): void {
    try {
        evening()->step(ClockStep::Next, 0, at('18:50'))->step($step, $place, at('18:52'));
        expect(true)->toBeFalse();
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe('/block')->and($refusal->allowed)->toContain($allowed);
    }
})->with([
    'a block that is not there' => [ClockStep::Next, 5, 'a block of this meeting'],
    'none named' => [ClockStep::Skip, null, 'a block of this meeting'],
    'nothing to carry' => [ClockStep::Carry, 30, 'a block with a knot'],
    'over already' => [ClockStep::Split, 0, 'that is not over'],
]);
