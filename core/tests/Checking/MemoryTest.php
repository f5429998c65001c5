<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\Verdict;

function remembered(array $results, bool $hard = false): ?Memory
{
    return Memory::from(array_map(fn (array $one): DayResult => new DayResult($one[0], $one[1]), $results), $hard);
}

// p = 2^(-days / h), worked by hand.
it('halves after its half-life', function (): void {
    $memory = remembered([['2026-11-01', Verdict::HasIt]]);
    expect($memory->halfLife)->toBe(7.0);
    expect($memory->chance('2026-11-01'))->toBe(1.0);
    expect($memory->chance('2026-11-08'))->toBe(0.5);
    expect($memory->chance('2026-11-15'))->toBe(0.25);
});

it('starts shorter for a hard knot', function (): void {
    expect(remembered([['2026-11-01', Verdict::HasIt]], true)->halfLife)->toBe(5.0);
});

it('knows nothing before the first has it', function (): void {
    expect(remembered([]))->toBeNull();
    expect(remembered([['2026-11-01', Verdict::TieAgain], ['2026-11-02', Verdict::WithHelp]]))->toBeNull();
});

it('changes once a day, by the day’s worst result', function (array $later, float $halfLife): void {
    expect(remembered([['2026-11-01', Verdict::HasIt], ...$later])->halfLife)->toEqualWithDelta($halfLife, 1e-9);
})->with([
    'clean: x 2.2' => [[['2026-11-08', Verdict::HasIt]], 15.4],
    'with prompts: x 1.4' => [[['2026-11-08', Verdict::WithHelp]], 9.8],
    'tidy it counts as a prompt' => [[['2026-11-08', Verdict::TidyIt]], 9.8],
    'feed tail too' => [[['2026-11-08', Verdict::FeedTail]], 9.8],
    'tie again: x 0.5' => [[['2026-11-08', Verdict::TieAgain]], 3.5],
    'never below 3' => [[['2026-11-08', Verdict::TieAgain], ['2026-11-09', Verdict::TieAgain]], 3.0],
    'the worst of a day, in either order' => [[['2026-11-08', Verdict::HasIt], ['2026-11-08', Verdict::TieAgain]], 3.5],
    'twice clean on a day counts once' => [[['2026-11-08', Verdict::HasIt], ['2026-11-08', Verdict::HasIt]], 15.4],
    'two days' => [[['2026-11-08', Verdict::HasIt], ['2026-11-20', Verdict::HasIt]], 33.88],
    'a look that was not finished changes nothing' => [[['2026-11-08', Verdict::Incomplete]], 7.0],
    'the first day itself changes nothing' => [[['2026-11-01', Verdict::TieAgain]], 7.0],
]);

it('takes results in any order', function (): void {
    $forward = [['2026-11-01', Verdict::HasIt], ['2026-11-08', Verdict::TieAgain], ['2026-11-10', Verdict::HasIt]];
    expect(remembered(array_reverse($forward))->halfLife)->toBe(remembered($forward)->halfLife)->toEqualWithDelta(7.7, 1e-9);
});

it('is due below 0.7, and says from when', function (): void {
    $memory = remembered([['2026-11-01', Verdict::HasIt]]);
    // 7 x log2(1 / 0.7) = 3.6 days
    expect($memory->due('2026-11-04'))->toBeFalse();
    expect($memory->due('2026-11-05'))->toBeTrue();
    expect($memory->dueOn())->toBe('2026-11-05');
});

it('counts days across a change of the clocks', function (): void {
    expect(remembered([['2026-10-20', Verdict::HasIt]])->chance('2026-10-27'))->toBe(0.5);
});

it('does not know the future', function (): void {
    expect(remembered([['2026-11-10', Verdict::HasIt]])->chance('2026-11-01'))->toBe(1.0);
});
