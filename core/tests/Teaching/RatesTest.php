<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\LearnerName;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\PassRates;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Mean and spread of how likely a try passes, weighing each chance by what was seen: added up in many small steps. */
function weighed(int $tries, int $passes): array
{
    [$weight, $mean, $square] = [0.0, 0.0, 0.0];
    for ($n = 0; $n < 20000; $n++) {
        $chance = ($n + 0.5) / 20000;
        // As if 4.2 of six tries had passed before.
        $density = $chance ** ($passes + 4.2 - 1) * (1 - $chance) ** ($tries - $passes + 1.8 - 1);
        $weight += $density;
        $mean += $density * $chance;
        $square += $density * $chance ** 2;
    }

    return [$mean / $weight, sqrt($square / $weight - ($mean / $weight) ** 2)];
}

it('says how likely a first try passes, and how sure that is, as weighing every chance does', function (): void {
    foreach ([[0, 0], [1, 0], [1, 1], [4, 3], [10, 2], [25, 24], [60, 31]] as [$tries, $passes]) {
        [$mean, $spread] = weighed($tries, $passes);
        $rates = PassRates::from(['bowline' => [$tries, $passes]]);
        [$about] = $rates->about();
        expect($rates->byKnot()['bowline'])->toEqualWithDelta($mean, 1e-4)
            ->and($about)->toMatchArray(['knot' => 'bowline', 'tries' => $tries])
            ->and($about['from'])->toEqualWithDelta(max(0, $mean - $spread), 2e-3)->and($about['to'])->toEqualWithDelta(min(1, $mean + $spread), 2e-3);
    }
    expect(PassRates::from([])->byKnot())->toBe([]);
});

it('learns how long a group takes from what it timed, and forgives what was not timed in earnest', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(21));
    for ($case = 0; $case < 200; $case++) {
        $runs = $logs = $lessons = $ofKnots = [];
        for ($n = $random->getInt(0, 12); $n > 0; $n--) {
            $run = ['kind' => ['new', 'again', 'game'][$random->getInt(0, 2)], 'planned' => (float) $random->getInt(2, 30), 'taken' => $random->getInt(1, 900) / 10, 'knot' => ['bowline', 'overhand', null][$random->getInt(0, 2)]];
            $runs[] = $run;
            if ($run['taken'] < $run['planned'] / 5 || $run['taken'] > 5 * $run['planned']) {
                continue;
            }
            $log = log($run['taken']) - log($run['planned']);
            $logs[$run['kind']][] = $log;
            if ($run['kind'] !== 'game') {
                $lessons[] = $log;
                $run['knot'] === null || $ofKnots[$run['knot']][] = $log;
            }
        }
        $pace = Pace::from($runs);
        foreach (['new', 'again', 'game'] as $kind) {
            // Three blocks that ran to time count along.
            $all = [0.0, 0.0, 0.0, ...($logs[$kind] ?? [])];
            expect($pace->factor($kind))->toEqualWithDelta(exp(array_sum($all) / count($all)), 1e-9, "case $case");
            $about = $pace->about($kind);
            expect($about['runs'])->toBe(count($all) - 3)->and($about['from'])->toBeLessThanOrEqual($about['factor'])->and($about['to'])->toBeGreaterThanOrEqual($about['factor']);
        }
        // A knot's lessons count beside three that took what lessons take here.
        $usual = array_sum($lessons) / (count($lessons) + 3);
        expect($pace->lessons())->toEqualWithDelta(exp($usual), 1e-9)->and(array_keys($pace->byKnot()))->toEqualCanonicalizing(array_keys($ofKnots));
        foreach ($ofKnots as $knot => $own) {
            expect($pace->byKnot()[$knot])->toEqualWithDelta(exp((array_sum($own) + 3 * $usual) / (count($own) + 3)), 1e-9, "case $case: $knot");
        }
        foreach ($pace->aboutKnots() as $one) {
            expect($one['runs'])->toBe(count($ofKnots[$one['knot']]))->and($one['factor'])->toEqualWithDelta($pace->byKnot()[$one['knot']], 6e-4);
        }
    }
    expect(Pace::from([])->factor('new'))->toBe(1.0)
        ->and(fn () => Pace::from([['kind' => 'new', 'planned' => 10.0, 'taken' => 5.0], ['kind' => 'new', 'planned' => 0.0, 'taken' => 5.0]]))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe('/runs/1/planned'));
});

it('tells any number of learners of one name apart, however it is written', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(22));
    for ($case = 0; $case < 100; $case++) {
        $taken = [];
        for ($n = 0; $n < 30; $n++) {
            $name = LearnerName::tidy(str_repeat(' ', $random->getInt(0, 2)).['ada', 'Ada', 'ADA', 'Zoë', 'zoË', 'Ada 2'][$random->getInt(0, 5)]."\u{A0} ".['P.', 'p.', ''][$random->getInt(0, 2)]);
            expect($name)->toBe(trim($name))->and(LearnerName::tidy($name))->toBe($name)->not->toContain('  ');
            $told = LearnerName::apart($name, $taken);
            expect($told)->toStartWith($name)->and(array_map(LearnerName::key(...), $taken))->not->toContain(LearnerName::key($told));
            // The lowest number that is free: no name in between was left out.
            for ($number = 2; $told !== $name && "$name $number" !== $told; $number++) {
                expect(array_map(LearnerName::key(...), $taken))->toContain(LearnerName::key("$name $number"));
            }
            $taken[] = $told;
        }
        expect(array_unique(array_map(LearnerName::key(...), $taken)))->toHaveCount(30);
    }
});
