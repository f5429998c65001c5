<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryFit;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Prediction;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * How a knot is forgotten, held against going through the calendar a day at a time; and figures fitted to a group, held against trying every
 * other one by one.
 */

/** The day so many days after the first of the year. */
function dayOfYear(int $days): string
{
    return (new DateTimeImmutable('2026-01-01'))->modify("+$days days")->format('Y-m-d');
}

/**
 * Day by day: what the chance was on each day on which it was tied again, and what came of it; and what is left at the end.
 *
 * @param  array<string, list<Verdict>>  $tied  by day
 * @param  array{start: float, hard_start: float, clean: float, prompts: float, again: float, least: float}  $model
 * @return array{list<array{string, float, bool}>, ?float, ?string} said before each later day; half-life and the day it is since
 */
function dayByDay(array $tied, bool $isHard, array $model, int $days): array
{
    [$said, $halfLife, $since, $chance] = [[], null, null, 0.0];
    for ($n = 0; $n <= $days; $n++) {
        $day = dayOfYear($n);
        // A night passes: it is a little less likely.
        $chance = $halfLife === null ? 0.0 : $chance * 2 ** (-1 / $halfLife);
        $verdicts = array_map(static fn (Verdict $one): string => $one->value, $tied[$day] ?? []);
        if ($verdicts === []) {
            continue;
        }
        if ($halfLife === null) {
            if (in_array('has_it', $verdicts, true)) {
                [$halfLife, $since, $chance] = [$isHard ? $model['hard_start'] : $model['start'], $day, 1.0];
            }

            continue;
        }
        $isAgain = in_array('tie_again', $verdicts, true);
        $isPrompted = array_intersect($verdicts, ['with_help', 'tidy_it', 'feed_tail']) !== [];
        if (! $isAgain && ! $isPrompted && ! in_array('has_it', $verdicts, true)) {
            continue;
        }
        $said[] = [$day, $chance, ! $isAgain && ! in_array('with_help', $verdicts, true)];
        $halfLife = match (true) {
            $isAgain => max($model['least'], $halfLife * $model['again']),
            $isPrompted => $halfLife * $model['prompts'],
            default => $halfLife * $model['clean'],
        };
        [$since, $chance] = [$day, 1.0];
    }

    return [$said, $halfLife, $since];
}

/**
 * @return array{list<DayResult>, array<string, list<Verdict>>} in any order, and by day
 */
function tiedByChance(Randomizer $random, int $days): array
{
    $verdicts = [Verdict::HasIt, Verdict::HasIt, Verdict::HasIt, Verdict::WithHelp, Verdict::TidyIt, Verdict::FeedTail, Verdict::TieAgain, Verdict::Incomplete];
    [$results, $byDay] = [[], []];
    for ($n = $random->getInt(1, 14); $n > 0; $n--) {
        $day = dayOfYear($random->getInt(0, $days));
        $results[] = new DayResult($day, $byDay[$day][] = $verdicts[$random->getInt(0, count($verdicts) - 1)]);
    }

    return [$random->shuffleArray($results), $byDay];
}

it('remembers as going through the calendar does', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(90));
    [$known, $never] = [0, 0];
    for ($case = 0; $case < 500; $case++) {
        [$results, $byDay] = tiedByChance($random, 120);
        $isHard = $random->getInt(0, 1) === 1;
        $figures = ['start' => $random->getInt(20, 300) / 10, 'hard_start' => $random->getInt(10, 200) / 10, 'clean' => $random->getInt(10, 36) / 10, 'prompts' => $random->getInt(7, 20) / 10, 'again' => $random->getInt(2, 10) / 10, 'least' => $random->getInt(5, 50) / 10];
        [$said, $halfLife, $since] = dayByDay($byDay, $isHard, $figures, 120);
        $model = MemoryModel::from(Fields::of($figures));
        $memory = Memory::from($results, $isHard, $model);
        expect($memory?->lastDay)->toBe($since, "case $case")->and($memory === null ? null : round($memory->halfLife, 9))->toBe($halfLife === null ? null : round($halfLife, 9));
        $predictions = Memory::predictions($results, $isHard, $model);
        expect(array_map(static fn (Prediction $one): array => [$one->day, round($one->chance, 9), $one->known], $predictions))
            ->toBe(array_map(static fn (array $one): array => [$one[0], round($one[1], 9), $one[2]], $said), "case $case");
        if ($memory === null) {
            $never++;

            continue;
        }
        // Due on the first day on which going on from there finds it below 0.7, and on none before.
        $known++;
        $on = new DateTimeImmutable($since);
        for ($chance = 1.0; $chance >= 0.7 - 1e-12; $chance *= 2 ** (-1 / $halfLife)) {
            expect($chance > 0.7 + 1e-9 && $memory->due($on->format('Y-m-d')))->toBeFalse("case $case");
            $on = $on->modify('+1 day');
        }
        expect($memory->dueOn())->toBe($on->format('Y-m-d'), "case $case")->and($memory->due($memory->dueOn()))->toBeTrue();
    }
    expect($known)->toBeGreaterThan(300)->and($never)->toBeGreaterThan(20);
});

it('fits figures that no other single one betters, and says of both how right they were', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(91));
    $grid = (new ReflectionClassConstant(MemoryFit::class, 'GRID'))->getValue();
    for ($case = 0; $case < 6; $case++) {
        $histories = $byDays = [];
        for ($n = 0; $n < 60; $n++) {
            [$results, $byDay] = tiedByChance($random, 150);
            $histories[] = [$results, $n % 5 === 0];
            $byDays[] = [$byDay, $n % 5 === 0];
        }
        $fit = MemoryFit::of($histories);
        $score = static function (array $figures, string $from, bool $isLater) use ($byDays): float {
            $misses = [];
            foreach ($byDays as [$byDay, $isHard]) {
                foreach (dayByDay($byDay, $isHard, $figures, 150)[0] as [$day, $chance, $isKnown]) {
                    if (($day >= $from) === $isLater) {
                        $misses[] = ($chance - ($isKnown ? 1 : 0)) ** 2;
                    }
                }
            }

            return array_sum($misses) / count($misses);
        };
        $days = [];
        foreach ($byDays as [$byDay, $isHard]) {
            array_push($days, ...array_column(dayByDay($byDay, $isHard, MemoryModel::usual()->toArray(), 150)[0], 0));
        }
        sort($days);
        expect($fit->results)->toBe(count($days))->toBeGreaterThan(200)->and($fit->own)->not->toBeNull();
        $from = $days[(int) floor(0.7 * count($days))];
        $own = $fit->own->toArray();
        expect($fit->judgedOn)->toBe(count(array_filter($days, static fn (string $day): bool => $day >= $from)))
            ->and($fit->ownScore)->toEqualWithDelta($score($own, $from, true), 1e-9)
            ->and($fit->usualScore)->toEqualWithDelta($score(MemoryModel::usual()->toArray(), $from, true), 1e-9)
            ->and($fit->isBetter())->toBe($fit->ownScore < $fit->usualScore - 1e-9);
        $least = $score($own, $from, false);
        expect($least)->toBeLessThanOrEqual($score(MemoryModel::usual()->toArray(), $from, false) + 1e-12);
        if ($case < 2) {
            foreach ($grid as $figure => $values) {
                foreach ($values as $value) {
                    expect($score($fit->own->with(...[$figure => $value])->toArray(), $from, false))->toBeGreaterThanOrEqual($least - 1e-9, "case $case: $figure $value");
                }
            }
        }
    }
});
