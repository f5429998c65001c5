<?php

declare(strict_types=1);

use Compadre\Core\Rigs\Member;
use Compadre\Core\Rigs\PolesInHand;
use Compadre\Core\Rigs\PolesServed;
use Compadre\Core\Rigs\PoleStock;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The slow way: each pole for itself, every way of giving them out.
 *
 * @param  list<Member>  $wanted  one entry for each pole
 * @param  list<PoleStock>  $poles  one entry for each pole
 */
function most(array $wanted, array $poles): int
{
    if ($wanted === []) {
        return 0;
    }
    $first = array_shift($wanted);
    $best = most($wanted, $poles);
    foreach ($poles as $n => $pole) {
        if ($pole->length >= $first->length && $pole->diameter >= 0.9 * $first->diameter && $pole->diameter <= 1.1 * $first->diameter) {
            $rest = $poles;
            unset($rest[$n]);
            $best = max($best, 1 + most($wanted, array_values($rest)));
        }
    }

    return $best;
}

$leg = static fn (float $length, float $diameter, int $count = 1): Member => new Member('leg', 'pole', 'Leg', $count, $length, $diameter, [], []);

it('serves as many as any way of giving the poles out would', function () use ($leg): void {
    $random = new Randomizer(new Xoshiro256StarStar(17));
    $short = 0;
    for ($case = 0; $case < 400; $case++) {
        $members = $stocks = $wanted = $poles = [];
        for ($n = $random->getInt(1, 3); $n > 0; $n--) {
            $members[] = $member = $leg($random->getInt(10, 14) * 200.0, $random->getInt(10, 14) * 5.0, $random->getInt(1, 2));
            array_push($wanted, ...array_fill(0, $member->count, $member));
        }
        for ($n = $random->getInt(1, 3); $n > 0; $n--) {
            $stocks[] = $stock = new PoleStock("p$n", "Pole $n", $random->getInt(10, 14) * 5.0, $random->getInt(10, 14) * 200.0, $random->getInt(1, 2));
            array_push($poles, ...array_fill(0, $stock->count, $stock));
        }
        $served = (new PolesInHand($stocks))->serve($members);
        $missing = array_sum(array_map(static fn (PolesServed $one): int => $one->missing, $served));
        expect(count($wanted) - $missing)->toBe(most($wanted, $poles), "case $case");
        $short += $missing > 0 ? 1 : 0;
        // Nothing is given out twice, and nothing that does not serve.
        $used = [];
        foreach ($served as $index => $one) {
            expect(array_sum(array_column($one->taken, 'count')) + $one->missing)->toBe($members[$index]->count);
            foreach ($one->taken as $taken) {
                $used[$taken['pole']->id] = ($used[$taken['pole']->id] ?? 0) + $taken['count'];
                expect($taken['pole']->length)->toBeGreaterThanOrEqual($members[$index]->length)->and(abs($taken['pole']->diameter / $members[$index]->diameter - 1))->toBeLessThanOrEqual(0.1 + 1e-9);
            }
        }
        foreach ($stocks as $stock) {
            expect($used[$stock->id] ?? 0)->toBeLessThanOrEqual($stock->count);
        }
    }
    expect($short)->toBeGreaterThan(50)->toBeLessThan(390);
});

it('leaves the long pole for what needs it, and passes over what is no pole', function () use ($leg): void {
    $rope = new Member('rope', 'rope', 'Rope', 1, 5000.0, 8.0, [], []);
    $poles = new PolesInHand([new PoleStock('long', 'Long', 60.0, 4000.0, 1), new PoleStock('short', 'Short', 60.0, 2000.0, 1)]);
    $served = $poles->serve([$rope, $leg(1500, 60), $leg(3000, 60)]);
    expect(array_keys($served))->toBe([1, 2])->and($served[1]->taken[0]['pole']->id)->toBe('short')->and($served[2]->taken[0]['pole']->id)->toBe('long');
    expect($poles->serve([$leg(1500, 45)])[0]->missing)->toBe(1)->and($poles->serve([$leg(4001, 60)])[0]->missing)->toBe(1);
});
