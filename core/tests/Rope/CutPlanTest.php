<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Rope\CutPlan;
use Compadre\Core\Rope\Cutting;

/**
 * The least [pieces wanting, mm wasted, cuts, stocks opened] by trying every stock for every piece.
 *
 * @param  list<int>  $pieces
 * @param  list<int>  $stock
 */
function cutByTrying(array $pieces, array $stock, int $keep, int $allowance): array
{
    // What is a piece already goes first: of the same length, then up to one allowance longer, the shortest for the shortest.
    $whole = 0;
    sort($pieces);
    sort($stock);
    foreach ([0, $allowance] as $longer) {
        foreach ($stock as $number => $length) {
            foreach ($pieces as $place => $piece) {
                if ($length >= $piece && $length - $piece <= $longer) {
                    unset($stock[$number], $pieces[$place]);
                    $whole++;
                    break;
                }
            }
        }
    }
    [$pieces, $stock] = [array_values($pieces), array_values($stock)];
    $best = null;
    $try = function (int $place, array $cut) use (&$try, &$best, $pieces, $stock, $keep, $allowance): void {
        if ($place < count($pieces)) {
            foreach ([-1, ...array_keys($stock)] as $number) {
                $try($place + 1, $number < 0 ? $cut : array_replace($cut, [$number => [...$cut[$number], $pieces[$place]]]));
            }

            return;
        }
        $cost = [count($pieces) - count(array_merge(...$cut)), 0, 0, 0];
        foreach ($cut as $number => $of) {
            if ($of === []) {
                continue;
            }
            $left = $stock[$number] - array_sum($of) - (count($of) - 1) * $allowance;
            if ($left !== 0 && $left < $allowance) {
                return;
            }
            $cuts = $left === 0 ? count($of) - 1 : count($of);
            $offcut = $left === 0 ? 0 : $left - $allowance;
            $cost = [$cost[0], $cost[1] + $cuts * $allowance + ($offcut < $keep ? $offcut : 0), $cost[2] + $cuts, $cost[3] + 1];
        }
        $best = $best === null ? $cost : min($best, $cost);
    };
    $try(0, array_fill(0, count($stock), []));
    $best[3] += $whole;

    return $best;
}

/** The same figures read off a plan, after checking that it cuts nothing that is not there. */
function cutAsPlanned(CutPlan $plan, array $stock, int $keep, int $allowance): array
{
    [$waste, $cuts] = [0, 0];
    foreach ($plan->cuts as $cut) {
        $length = $stock[$cut['stock']];
        if (count($cut['pieces']) === 1 && $length - $cut['pieces'][0] <= $allowance) {
            expect($cut['offcut'])->toBe(0);

            continue;
        }
        $of = $length === array_sum($cut['pieces']) + (count($cut['pieces']) - 1) * $allowance ? count($cut['pieces']) - 1 : count($cut['pieces']);
        expect(array_sum($cut['pieces']) + $of * $allowance + $cut['offcut'])->toBe($length);
        $cuts += $of;
        $waste += $of * $allowance + ($cut['offcut'] < $keep ? $cut['offcut'] : 0);
    }
    expect($plan->waste)->toBe($waste);

    return [array_sum(array_column($plan->unmet, 'count')), $waste, $cuts, count($plan->cuts)];
}

it('cuts as well as trying every way', function (): void {
    mt_srand(7);
    foreach (range(1, 400) as $seed) {
        $stock = [];
        foreach (range(0, mt_rand(0, 2)) as $number) {
            $stock["s$number"] = mt_rand(0, 1) === 0 ? mt_rand(4, 40) * 100 : mt_rand(4, 40) * 100 + 20 * mt_rand(0, 3);
        }
        $wanted = [];
        foreach (range(0, mt_rand(0, 2)) as $kind) {
            $wanted[] = ['length' => mt_rand(3, 18) * 100, 'count' => mt_rand(1, 2)];
        }
        $pieces = array_merge(...array_map(fn (array $one): array => array_fill(0, $one['count'], $one['length']), $wanted));
        $plan = Cutting::plan($wanted, array_map(fn (string $id): array => ['id' => $id, 'length' => $stock[$id]], array_keys($stock)));
        expect($plan->proven)->toBeTrue();
        expect($plan->bound)->toBe($plan->waste);
        expect(cutAsPlanned($plan, $stock, CutPlan::KEEP, CutPlan::ALLOWANCE))->toBe(cutByTrying($pieces, array_values($stock), CutPlan::KEEP, CutPlan::ALLOWANCE), "seed $seed");
    }
});

it('leaves a piece of the right length alone and uses a stock up exactly', function (): void {
    $plan = Cutting::plan([['length' => 1000, 'count' => 3], ['length' => 700, 'count' => 1]], [['id' => 'coil', 'length' => 50000], ['id' => 'three', 'length' => 3040], ['id' => 'right', 'length' => 700]]);
    expect($plan->cuts)->toBe([['stock' => 'right', 'pieces' => [700], 'offcut' => 0], ['stock' => 'three', 'pieces' => [1000, 1000, 1000], 'offcut' => 0]]);
    expect($plan->waste)->toBe(40);
});

it('plans more than it can prove, with a bound', function (): void {
    $plan = Cutting::plan(array_map(fn (int $n): array => ['length' => 500 + 130 * $n, 'count' => 12], range(0, 7)), array_map(fn (int $n): array => ['id' => "coil $n", 'length' => 21000 + 333 * $n], range(0, 9)));
    expect($plan->unmet)->toBe([])->and($plan->bound)->toBeLessThanOrEqual($plan->waste)->and($plan->bound)->toBeGreaterThan(0);
});

it('says what no stock is left for, and refuses what cannot be', function (): void {
    expect(Cutting::plan([['length' => 900, 'count' => 3]], [['id' => 'short', 'length' => 1900]])->unmet)->toBe([['length' => 900, 'count' => 1]]);
    expect(fn () => Cutting::plan([['length' => 0, 'count' => 1]], []))->toThrow(Refusal::class, '/pieces/0/length is 0');
    expect(fn () => Cutting::plan([], [['id' => 'a', 'length' => 5], ['id' => 'a', 'length' => 6]]))->toThrow(Refusal::class, 'no other stock has');
});

it('proves forty pieces of four lengths best, and says nothing that is not so of more', function (): void {
    $stock = array_map(fn (int $number, int $length): array => ['id' => "s$number", 'length' => $length], range(0, 6), [20000, 30000, 3840, 12141, 30000, 18820, 29715]);
    $plan = Cutting::plan([['length' => 1500, 'count' => 7], ['length' => 750, 'count' => 16], ['length' => 1400, 'count' => 7], ['length' => 1000, 'count' => 10]], $stock);
    // Two stocks are used up to the end: thirty-eight cuts, and nothing can do with fewer.
    expect([$plan->proven, $plan->unmet, $plan->waste, $plan->bound])->toBe([true, [], 760, 760]);
    foreach ([62200, 100000] as $length) {
        $plan = Cutting::plan([['length' => 1100, 'count' => 1], ['length' => 1000, 'count' => 61]], [['id' => 'coil', 'length' => $length]]);
        // By hand: 61 x 1000 and 60 cuts are 62200 to the end; all 62 and 62 cuts are 63340.
        $best = $length === 62200 ? ['unmet' => [['length' => 1100, 'count' => 1]], 'waste' => 1200] : ['unmet' => [], 'waste' => 1240];
        expect(['unmet' => $plan->unmet, 'waste' => $plan->waste])->toBe($best)->and($plan->bound)->toBeLessThanOrEqual($plan->waste);
    }
});

it('never says of a plan made to be found that none does so well', function (): void {
    mt_srand(11);
    for ($case = 0; $case < 120; $case++) {
        // Built backwards: stocks that some pieces use up exactly, so that a plan of so much waste is known.
        [$wanted, $stock, $waste] = [[], [], 0];
        $lengths = [mt_rand(40, 90) * 10, mt_rand(91, 150) * 10, mt_rand(151, 240) * 10];
        foreach (range(1, mt_rand(2, 5)) as $number) {
            $of = array_map(fn (): int => $lengths[mt_rand(0, 2)], range(1, mt_rand(8, 25)));
            foreach ($of as $length) {
                $wanted[$length] = ($wanted[$length] ?? 0) + 1;
            }
            $stock[] = ['id' => "s$number", 'length' => array_sum($of) + 20 * (count($of) - 1)];
            $waste += 20 * (count($of) - 1);
        }
        $plan = Cutting::plan(array_map(fn (int $length, int $count): array => ['length' => $length, 'count' => $count], array_keys($wanted), $wanted), $stock);
        expect($plan->unmet === [] && $plan->proven ? $plan->waste : 0)->toBeLessThanOrEqual($waste, "case $case");
        expect($plan->bound)->toBeLessThanOrEqual($waste, "case $case");
    }
});

it('uses a stock that is the piece already, or a little longer, before anything is cut', function (): void {
    $plan = Cutting::plan([['length' => 1000, 'count' => 2], ['length' => 400, 'count' => 2]], [['id' => 'piece', 'length' => 1000], ['id' => 'near', 'length' => 1015], ['id' => 'coil', 'length' => 5000]]);
    expect($plan->cuts)->toBe([['stock' => 'coil', 'pieces' => [400, 400], 'offcut' => 4160], ['stock' => 'near', 'pieces' => [1000], 'offcut' => 0], ['stock' => 'piece', 'pieces' => [1000], 'offcut' => 0]]);
    expect($plan->waste)->toBe(40);
    // Whatever that costs in count: cut up, it would have met two.
    expect(Cutting::plan([['length' => 1000, 'count' => 1], ['length' => 490, 'count' => 2]], [['id' => 'piece', 'length' => 1000]])->unmet)->toBe([['length' => 490, 'count' => 2]]);
    expect(Cutting::plan([['length' => 1000, 'count' => 1]], [['id' => 'longer', 'length' => 1010]])->unmet)->toBe([]);
    expect(Cutting::plan([['length' => 1000, 'count' => 1]], [['id' => 'too-short', 'length' => 999]])->unmet)->toHaveCount(1);
});
