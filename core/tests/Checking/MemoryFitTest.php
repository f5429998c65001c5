<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryFit;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * Learners who forget by a known model: on each later day the knot is known with just the chance the model gives.
 *
 * @return list<array{list<DayResult>, bool}>
 */
function forgetful(MemoryModel $truth, int $learners, int $seed): array
{
    mt_srand($seed);
    $histories = [];
    for ($n = 0; $n < $learners; $n++) {
        $day = new DateTimeImmutable('2026-01-0'.mt_rand(1, 7));
        $results = [new DayResult($day->format('Y-m-d'), Verdict::HasIt)];
        for ($later = 0; $later < 6; $later++) {
            $day = $day->modify('+'.mt_rand(3, 21).' days');
            $chance = Memory::from($results, false, $truth)?->chance($day->format('Y-m-d'));
            $results[] = new DayResult($day->format('Y-m-d'), mt_rand() / mt_getrandmax() < $chance ? Verdict::HasIt : Verdict::TieAgain);
        }
        $histories[] = [$results, false];
    }

    return $histories;
}

it('predicts by hand-worked chances', function (): void {
    $results = [new DayResult('2026-11-01', Verdict::HasIt), new DayResult('2026-11-08', Verdict::HasIt), new DayResult('2026-11-15', Verdict::WithHelp)];
    $made = array_map(static fn ($one): array => [$one->day, round($one->chance, 4), $one->known], Memory::predictions($results, false));
    // 2^(-7/7) = 0.5; then h = 7 x 2.2 = 15.4: 2^(-7/15.4) = 0.7297.
    expect($made)->toBe([['2026-11-08', 0.5, true], ['2026-11-15', 0.7297, false]]);
    expect(Memory::predictions([new DayResult('2026-11-01', Verdict::TieAgain), new DayResult('2026-11-08', Verdict::TieAgain)], false))->toBe([]);
});

it('fits nothing to too little', function (): void {
    $fit = MemoryFit::of(forgetful(MemoryModel::usual(), 33, 3));
    expect($fit->results)->toBe(198)->and($fit->own)->toBeNull()->and($fit->isBetter())->toBeFalse();
});

it('finds learners who keep knots longer, and predicts them better than the usual figures', function (): void {
    $truth = MemoryModel::usual()->with(start: 19.0, clean: 3.0, again: 0.8);
    $fit = MemoryFit::of(forgetful($truth, 150, 11));
    expect($fit->results)->toBe(900)->and($fit->judgedOn)->toBeGreaterThan(200)->toBeLessThan(300);
    expect($fit->own->start)->toBeGreaterThan(11.0);
    expect($fit->isBetter())->toBeTrue()->and($fit->ownScore)->toBeLessThan(0.8 * $fit->usualScore);
});

it('does not claim to be better where the usual figures are right', function (): void {
    $wins = 0;
    for ($seed = 1; $seed <= 4; $seed++) {
        $fit = MemoryFit::of(forgetful(MemoryModel::usual(), 120, $seed));
        $wins += $fit->ownScore < 0.97 * $fit->usualScore ? 1 : 0;
    }
    expect($wins)->toBe(0);
});

it('gives the same fit for the same history', function (): void {
    $histories = forgetful(MemoryModel::usual()->with(start: 4.0), 60, 5);
    expect(MemoryFit::of(array_reverse($histories))->own?->toArray())->toBe(MemoryFit::of($histories)->own?->toArray());
});

it('keeps a model through its figures, and refuses impossible ones', function (): void {
    $model = MemoryModel::usual()->with(start: 10.0);
    expect($model->hardStart)->toBe(7.14);
    expect(MemoryModel::from(Fields::of($model->toArray()))->toArray())->toBe($model->toArray());
    expect(fn () => MemoryModel::from(Fields::of(['again' => 1.5] + $model->toArray())))->toThrow(Refusal::class, 'again');
});
