<?php

declare(strict_types=1);

use Compadre\Core\Rope\StoreUse;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The slow way: each piece by itself, every way of giving out those that are there.
 *
 * @param  list<int>  $wanted  lengths
 * @param  list<int>  $there  lengths
 */
function mostAsTheyAre(array $wanted, array $there): int
{
    if ($wanted === []) {
        return 0;
    }
    $first = array_shift($wanted);
    $best = mostAsTheyAre($wanted, $there);
    foreach ($there as $n => $length) {
        if ($length >= $first && $length <= $first + 500) {
            $rest = $there;
            unset($rest[$n]);
            $best = max($best, 1 + mostAsTheyAre($wanted, array_values($rest)));
        }
    }

    return $best;
}

it('sends a longer piece where the shorter one is wanted elsewhere', function (): void {
    $use = StoreUse::of([['length' => 2600, 'count' => 1], ['length' => 3000, 'count' => 1]], [['id' => 'short', 'length' => 3050, 'count' => 1], ['id' => 'long', 'length' => 3400, 'count' => 1]]);
    expect($use->taken)->toBe([['stock' => 'long', 'length' => 3400, 'count' => 1], ['stock' => 'short', 'length' => 3050, 'count' => 1]])->and($use->cuts->cuts)->toBe([]);
    // Where there is a choice, the shorter goes.
    $use = StoreUse::of([['length' => 3000, 'count' => 1]], [['id' => 'long', 'length' => 3400, 'count' => 1], ['id' => 'short', 'length' => 3050, 'count' => 1]]);
    expect(array_column($use->taken, 'stock'))->toBe(['short']);
});

it('has as many pieces go as they are as any way of giving them out would', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(64));
    [$all, $some] = [0, 0];
    for ($case = 0; $case < 500; $case++) {
        $wanted = $stock = $lengths = $there = [];
        for ($n = $random->getInt(1, 3); $n > 0; $n--) {
            $wanted[] = $one = ['length' => 2000 + 100 * $random->getInt(0, 12), 'count' => $random->getInt(1, 2)];
            array_push($lengths, ...array_fill(0, $one['count'], $one['length']));
        }
        for ($n = $random->getInt(1, 4); $n > 0; $n--) {
            $stock[] = $one = ['id' => "piece $n", 'length' => 1900 + 100 * $random->getInt(0, 18), 'count' => $random->getInt(1, 2)];
            array_push($there, ...array_fill(0, $one['count'], $one['length']));
        }
        $use = StoreUse::of($wanted, $stock);
        $most = mostAsTheyAre($lengths, $there);
        expect(array_sum(array_column($use->taken, 'count')))->toBe($most, "case $case: ".json_encode([$wanted, $stock]));
        $most === count($lengths) ? $all++ : $some++;
        // None is given out twice.
        foreach ($stock as $one) {
            $given = array_sum(array_column(array_filter($use->taken, static fn (array $taken): bool => $taken['stock'] === $one['id']), 'count'));
            expect($given)->toBeLessThanOrEqual($one['count']);
        }
    }
    expect($all)->toBeGreaterThan(100)->and($some)->toBeGreaterThan(100);
});
