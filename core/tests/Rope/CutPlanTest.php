<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Rope\CutPlan;

/**
 * The least [pieces wanting, mm wasted, cuts, stocks opened] by trying every stock for every piece.
 *
 * @param  list<int>  $pieces
 * @param  list<int>  $stock
 */
function cutByTrying(array $pieces, array $stock, int $keep, int $allowance): array
{
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

    return $best;
}

/** The same figures read off a plan, after checking that it cuts nothing that is not there. */
function cutAsPlanned(CutPlan $plan, array $stock, int $keep, int $allowance): array
{
    [$waste, $cuts] = [0, 0];
    foreach ($plan->cuts as $cut) {
        $length = $stock[$cut['stock']];
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
    foreach (range(1, 200) as $seed) {
        $stock = [];
        foreach (range(0, mt_rand(0, 2)) as $number) {
            $stock["s$number"] = mt_rand(0, 1) === 0 ? mt_rand(4, 40) * 100 : mt_rand(4, 40) * 100 + 20 * mt_rand(0, 3);
        }
        $wanted = [];
        foreach (range(0, mt_rand(0, 2)) as $kind) {
            $wanted[] = ['length' => mt_rand(3, 18) * 100, 'count' => mt_rand(1, 2)];
        }
        $pieces = array_merge(...array_map(fn (array $one): array => array_fill(0, $one['count'], $one['length']), $wanted));
        $plan = CutPlan::of($wanted, array_map(fn (string $id): array => ['id' => $id, 'length' => $stock[$id]], array_keys($stock)));
        expect($plan->proven)->toBeTrue();
        expect($plan->bound)->toBe($plan->waste);
        expect(cutAsPlanned($plan, $stock, CutPlan::KEEP, CutPlan::ALLOWANCE))->toBe(cutByTrying($pieces, array_values($stock), CutPlan::KEEP, CutPlan::ALLOWANCE), "seed $seed");
    }
});

it('leaves a piece of the right length alone and uses a stock up exactly', function (): void {
    $plan = CutPlan::of([['length' => 1000, 'count' => 3], ['length' => 700, 'count' => 1]], [['id' => 'coil', 'length' => 50000], ['id' => 'three', 'length' => 3040], ['id' => 'right', 'length' => 700]]);
    expect($plan->cuts)->toBe([['stock' => 'right', 'pieces' => [700], 'offcut' => 0], ['stock' => 'three', 'pieces' => [1000, 1000, 1000], 'offcut' => 0]]);
    expect($plan->waste)->toBe(40);
});

it('plans more than it can prove, with a bound', function (): void {
    $plan = CutPlan::of(array_map(fn (int $n): array => ['length' => 500 + 130 * $n, 'count' => 12], range(0, 7)), array_map(fn (int $n): array => ['id' => "coil $n", 'length' => 21000 + 333 * $n], range(0, 9)));
    expect($plan->unmet)->toBe([])->and($plan->bound)->toBeLessThanOrEqual($plan->waste)->and($plan->bound)->toBeGreaterThan(0);
});

it('says what no stock is left for, and refuses what cannot be', function (): void {
    expect(CutPlan::of([['length' => 900, 'count' => 3]], [['id' => 'short', 'length' => 1900]])->unmet)->toBe([['length' => 900, 'count' => 1]]);
    expect(fn () => CutPlan::of([['length' => 0, 'count' => 1]], []))->toThrow(Refusal::class, '/pieces/0/length is 0');
    expect(fn () => CutPlan::of([], [['id' => 'a', 'length' => 5], ['id' => 'a', 'length' => 6]]))->toThrow(Refusal::class, 'no other stock has');
});
