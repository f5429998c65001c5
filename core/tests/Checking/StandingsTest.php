<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Standing;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Checking\Verdict;

function checked(string $id, Verdict $verdict, string $at = '2026-11-03 19:00:00', array $more = []): CheckEvent
{
    $about = $more + ['kind' => Kind::Result, 'learner' => 'ada', 'knot' => 'bowline', 'device' => 'phone', 'seq' => (int) $id, 'by' => 'maren', 'target' => null, 'day' => substr($at, 0, 10)];

    return new CheckEvent($id, $about['kind'], $about['learner'], $about['knot'], $about['device'], $about['seq'], $at, $about['day'], $about['by'], $verdict, Seen::Yes, Seen::Yes, Seen::Yes, 0, $about['target']);
}

function only(array $events): Standing
{
    $standings = Standings::derive($events);
    expect($standings)->toHaveCount(1);

    return $standings[0];
}

it('follows a learner from trying to keeping', function (): void {
    $standing = only([
        checked('1', Verdict::TieAgain), checked('2', Verdict::HasIt, '2026-11-03 19:10:00'), checked('3', Verdict::HasIt, '2026-11-10 19:00:00'),
    ]);
    expect($standing->level)->toBe(Level::Kept);
    expect($standing->hasItSince)->toBe('2026-11-03');
    expect($standing->keptSince)->toBe('2026-11-10');
    expect($standing->current->id)->toBe('3');
    expect($standing->memory->halfLife)->toEqualWithDelta(15.4, 1e-9);
});

it('gives the same standings for the same set in any order', function (): void {
    $events = [];
    mt_srand(7);
    for ($n = 1; $n <= 40; $n++) {
        $verdict = Verdict::cases()[mt_rand(0, 5)];
        $events[] = checked((string) $n, $verdict, sprintf('2026-11-%02d 19:%02d:00', mt_rand(1, 28), mt_rand(0, 59)), [
            'learner' => ['ada', 'bram'][mt_rand(0, 1)], 'knot' => ['bowline', 'overhand'][mt_rand(0, 1)], 'device' => ['phone', 'tablet', 'laptop'][mt_rand(0, 2)], 'by' => ['maren', 'tobin'][mt_rand(0, 1)],
            ...($n % 9 === 0 ? ['kind' => Kind::Retract, 'target' => (string) mt_rand(1, 40)] : []),
        ]);
    }
    $expected = serialize(Standings::derive($events));
    for ($round = 0; $round < 30; $round++) {
        shuffle($events);
        expect(serialize(Standings::derive($events)))->toBe($expected);
    }
});

it('takes back what was retracted, before or after it arrives', function (): void {
    $pass = checked('1', Verdict::HasIt);
    $back = checked('2', Verdict::Incomplete, '2026-11-03 19:01:00', ['kind' => Kind::Retract, 'target' => '1']);
    expect(Standings::derive([$pass, $back]))->toBe([]);
    expect(Standings::derive([$back, $pass]))->toBe([]);
    expect(Standings::derive([$back]))->toBe([]);
});

it('does not let one learner’s retract touch another’s check', function (): void {
    $pass = checked('1', Verdict::HasIt);
    $back = checked('2', Verdict::Incomplete, '2026-11-03 19:01:00', ['kind' => Kind::Retract, 'target' => '1', 'learner' => 'bram']);
    expect(only([$pass, $back])->level)->toBe(Level::HasIt);
});

it('lets a leader decide otherwise, and take that back', function (): void {
    $first = checked('1', Verdict::TieAgain);
    $otherwise = checked('2', Verdict::HasIt, '2026-11-03 19:05:00', ['kind' => Kind::Overrule, 'target' => '1']);
    $sorry = checked('3', Verdict::Incomplete, '2026-11-03 19:06:00', ['kind' => Kind::Retract, 'target' => '2']);
    expect(only([$first, $otherwise])->results)->toHaveCount(1);
    expect(only([$first, $otherwise])->level)->toBe(Level::HasIt);
    expect(only([$first, $otherwise, $sorry])->level)->toBe(Level::Seen);
});

it('counts a decision on the day it is about, and the last of several', function (): void {
    $monday = checked('1', Verdict::HasIt, '2026-11-03 19:00:00');
    $week = checked('2', Verdict::TieAgain, '2026-11-10 19:00:00');
    // Decided a week later, about the second evening: right on another day, so it is kept since that one.
    $otherwise = checked('3', Verdict::HasIt, '2026-11-17 20:00:00', ['kind' => Kind::Overrule, 'target' => '2']);
    $standing = only([$monday, $week, $otherwise]);
    expect($standing->level)->toBe(Level::Kept);
    expect($standing->keptSince)->toBe('2026-11-10');
    expect(array_map(fn ($result): string => $result->day, $standing->results))->toBe(['2026-11-03', '2026-11-10']);
    // Decided once more, about the decision; and once more about the same check: the last word counts.
    $again = checked('4', Verdict::WithHelp, '2026-11-18 20:00:00', ['kind' => Kind::Overrule, 'target' => '3']);
    expect(only([$monday, $week, $otherwise, $again])->current->verdict)->toBe(Verdict::WithHelp);
    $last = checked('5', Verdict::TieAgain, '2026-11-19 20:00:00', ['kind' => Kind::Overrule, 'target' => '2']);
    expect(only([$last, $otherwise, $week, $monday])->current->verdict)->toBe(Verdict::TieAgain);
    // About nothing that has arrived, it stands for itself; two about each other come to an end.
    expect(only([$otherwise])->results[0]->day)->toBe('2026-11-17');
    $a = checked('6', Verdict::HasIt, more: ['kind' => Kind::Overrule, 'target' => '7']);
    $b = checked('7', Verdict::HasIt, more: ['kind' => Kind::Overrule, 'target' => '6']);
    expect(only([$monday, $a, $b])->results)->toHaveCount(1);
});

it('trusts a device’s own count over its clock', function (): void {
    // The phone's clock jumped back an hour between its events 1 and 2.
    $events = [checked('1', Verdict::TieAgain, '2026-11-03 19:30:00'), checked('2', Verdict::HasIt, '2026-11-03 18:35:00')];
    expect(only($events)->current->verdict)->toBe(Verdict::HasIt);
    expect(only(array_reverse($events))->current->verdict)->toBe(Verdict::HasIt);
});

it('orders each knot by itself, whatever else a device recorded', function (): void {
    // The phone's clock fell back after another knot: that says nothing of what the tablet saw of the bowline meanwhile.
    $overhand = checked('1', Verdict::HasIt, '2026-11-03 19:30:00', ['knot' => 'overhand']);
    $bowline = [checked('2', Verdict::TieAgain, '2026-11-03 18:35:00'), checked('3', Verdict::HasIt, '2026-11-03 19:00:00', ['device' => 'tablet'])];
    $alone = only($bowline)->current->id;
    expect($alone)->toBe('3');
    expect(Standings::derive([$overhand, ...$bowline])[0]->current->id)->toBe($alone);
});

it('orders two devices by corrected time and says that there were two leaders', function (): void {
    $standing = only([
        checked('1', Verdict::HasIt, '2026-11-03 19:30:00', ['device' => 'phone', 'by' => 'maren']),
        checked('2', Verdict::TieAgain, '2026-11-03 19:10:00', ['device' => 'tablet', 'by' => 'tobin']),
    ]);
    expect($standing->current->verdict)->toBe(Verdict::HasIt);
    expect($standing->twoLeaders())->toBeTrue();
    expect($standing->leaders)->toBe(['tobin', 'maren']);
});

it('does not call yesterday’s leader a second one', function (): void {
    $standing = only([
        checked('1', Verdict::HasIt, '2026-11-03 19:30:00', ['by' => 'maren']), checked('2', Verdict::HasIt, '2026-11-10 19:10:00', ['by' => 'tobin']),
    ]);
    expect($standing->twoLeaders())->toBeFalse();
});

it('counts what a learner had before the app', function (): void {
    $standing = only([checked('1', Verdict::HasIt, '2026-11-03 19:00:00', ['kind' => Kind::Prior])]);
    expect($standing->level)->toBe(Level::HasIt);
    expect($standing->memory->halfLife)->toBe(7.0);
});

it('keeps learners and knots apart', function (): void {
    $standings = Standings::derive([
        checked('1', Verdict::HasIt, more: ['learner' => 'bram']), checked('2', Verdict::HasIt, more: ['knot' => 'overhand']), checked('3', Verdict::HasIt),
    ]);
    expect(array_map(fn (Standing $one): string => "$one->learner $one->knot", $standings))->toBe(['ada bowline', 'ada overhand', 'bram bowline']);
});
