<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\GoodFor;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

require_once __DIR__.'/Slowly.php';

it('asks over or under where only one of them is right', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        foreach (range(0, 3) as $seed) {
            $task = practised('over-under', $knot, $method, $seed);
            if ($task === null) {
                expect($knot->hasFingerprint() && $method->steps !== [])->toBeFalse("$knot->id $method->id");

                continue;
            }
            $asked++;
            $crossing = $task['shows']['crossing'];
            expect($task['options'])->toBe([['say' => 'over'], ['say' => 'under']]);
            [$over, $under] = meetingAt($knot, $method, $crossing);
            // Whoever comes there later is asked about; one rope comes to itself with its end.
            $isOver = $over[2] === $under[2] ? $over[1] > $under[1] : $over[2] > $under[2];
            expect($task['answer'])->toBe($isOver ? 0 : 1, "$knot->id $method->id $crossing")->and($task['shows']['step'])->toBe(max(1, $over[2], $under[2]));
            expect(isGoodForm($knot, $method, formWords($knot, $method, [])))->toBeTrue()->and(isGoodForm($knot, $method, formWords($knot, $method, [$crossing])))->toBeFalse("$knot->id $method->id $crossing");
        }
    }
    expect($asked)->toBeGreaterThan(160);
});

it('hides one right form among wrong ones that come to different things', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        foreach ([0, 1] as $seed) {
            $task = practised('spot', $knot, $method, $seed);
            if ($task === null) {
                continue;
            }
            $asked++;
            $good = array_map(fn (array $option): bool => isGoodForm($knot, $method, $option['words']), $task['options']);
            expect(array_keys(array_filter($good)))->toBe([$task['answer']], "$knot->id $method->id")->and($task['options'][$task['answer']]['words'])->toBe(formWords($knot, $method, []));
            $becomes = array_map(fn (array $option): string => comesTo($knot, $method, $option['words'])->key(), $task['options']);
            expect(array_unique($becomes))->toHaveCount(count($becomes));
        }
    }
    expect($asked)->toBeGreaterThan(80);
    // And so says the operation that names knots.
    $task = computed('practice', ['kind' => 'spot', 'knot' => 'square-knot', 'seed' => 4]);
    foreach ($task['options'] as $place => $option) {
        $guess = computed('name', ['knot' => 'square-knot', 'answers' => $option['words'], 'audience' => 'learners'])['guesses'][0];
        expect($guess['against'])->toBe(0)->and(in_array($guess['becomes']['kind'], ['same', 'equally-good'], true))->toBe($place === $task['answer']);
    }
});

it('asks for the one crossing that is wrong: mending any other leaves it wrong', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        foreach ([0, 1] as $seed) {
            $task = practised('where', $knot, $method, $seed);
            if ($task === null) {
                continue;
            }
            $asked++;
            $wrong = $task['options'][$task['answer']]['crossing'];
            expect($task['shows']['words'])->toBe(formWords($knot, $method, [$wrong]))->and(isGoodForm($knot, $method, $task['shows']['words']))->toBeFalse();
            foreach ($task['options'] as $place => ['crossing' => $crossing]) {
                expect(isGoodForm($knot, $method, formWords($knot, $method, $crossing === $wrong ? [] : [$wrong, $crossing])))->toBe($place === $task['answer'], "$knot->id $method->id $crossing");
            }
            expect(array_unique(array_column($task['options'], 'crossing')))->toHaveCount(count($task['options']));
        }
    }
    expect($asked)->toBeGreaterThan(80);
});

it('puts steps in the only order they can be done in', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        foreach (range(0, 3) as $seed) {
            $task = practised('order', $knot, $method, $seed);
            if ($task === null) {
                continue;
            }
            $asked++;
            $steps = array_map(fn (int $place): int => $task['options'][$place]['step'], $task['answer']);
            $sorted = $steps;
            sort($sorted);
            expect($steps)->toBe($sorted)->and(array_unique($steps))->toHaveCount(count($task['options']))->and(array_column($task['options'], 'step'))->not->toBe($steps);
            // What each step lays, crossing by crossing: whatever stands between two neighbours is needed by the later one.
            $needs = [];
            $states = drawnAs($knot, $method)[1];
            foreach ($states as $later => $state) {
                foreach ($states as $before => $first) {
                    if ($before < $later && array_intersect(array_keys($first->moved), array_keys($state->moved)) !== []) {
                        $needs[$later + 1][$before + 1] = true;
                    }
                }
            }
            foreach (array_keys(drawnAs($knot, $method)[0]->crossings) as $crossing) {
                [$over, $under] = meetingAt($knot, $method, $crossing);
                $needs[max($over[2], $under[2])][min($over[2], $under[2])] = true;
            }
            $reaches = function (int $later, int $before) use (&$reaches, $needs): bool {
                foreach (array_keys($needs[$later] ?? []) as $one) {
                    if ($one === $before || $one > $before && $one < $later && $reaches($one, $before)) {
                        return true;
                    }
                }

                return false;
            };
            for ($place = 1; $place < count($steps); $place++) {
                expect($reaches($steps[$place], $steps[$place - 1]))->toBeTrue("$knot->id $method->id: {$steps[$place]} after {$steps[$place - 1]}");
            }
        }
    }
    expect($asked)->toBeGreaterThan(180);
});

it('offers for a job one knot that fits and others that do not', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        foreach ($method === $knot->methods[0] ? range(0, 5) : [] as $seed) {
            $task = practised('which', $knot, $method, $seed);
            if ($task === null) {
                expect($knot->uses->goodFor)->toBe([], $knot->id);

                continue;
            }
            $asked++;
            $fits = array_column(computed('choose', $task['shows']['job'])['answers'], 'knot');
            $offered = array_column($task['options'], 'knot');
            expect($offered[$task['answer']])->toBe($knot->id)->and(array_unique($offered))->toHaveCount(count($offered));
            foreach ($offered as $place => $other) {
                $place === $task['answer'] || expect($fits)->not->toContain($other);
            }
            expect($task['question'])->toEndWith('Which knot?');
            // What is for the same, or nearly so, is wrong only where something is said against it.
            $job = $task['shows']['job'];
            foreach ($offered as $other) {
                $tasks = array_map(fn (GoodFor $use): string => $use->task, Library::at(dirname(__DIR__, 3).'/packs')->knot($other)->uses->goodFor);
                if ($other !== $knot->id && in_array($job['task'], $tasks, true)) {
                    expect(str_contains($task['reason'], 'the '.lcfirst(Library::at(dirname(__DIR__, 3).'/packs')->knot($other)->names[0]).': made for something else'))->toBeFalse("$knot->id $seed $other");
                }
            }
        }
    }
    expect($asked)->toBeGreaterThan(200);
});

it('asks the same for the same seed, and by other seeds for all there is to ask', function (): void {
    $open = [];
    foreach (range(1, 60) as $seed) {
        $task = computed('practice', ['kind' => 'over-under', 'knot' => 'bowline', 'seed' => $seed]);
        expect(computed('practice', ['kind' => 'over-under', 'knot' => 'bowline', 'seed' => $seed]))->toBe($task);
        $open[$task['shows']['crossing']] = true;
    }
    $right = DiagramBuilder::loose(Library::at(dirname(__DIR__, 3).'/packs')->knot('bowline')->methods[0], 'a test');
    expect(count($open))->toBeGreaterThan(count($right->crossings) / 2);
    $left = computed('practice', ['kind' => 'spot', 'knot' => 'bowline', 'seed' => 5, 'hand' => 'left']);
    $usual = computed('practice', ['kind' => 'spot', 'knot' => 'bowline', 'seed' => 5]);
    expect($left['view'])->toBe('left')->and($usual['view'])->toBe('learner')->and(array_diff_key($left, ['view' => 1]))->toBe(array_diff_key($usual, ['view' => 1]));
});

it('has at least four things to ask of every way of tying a knot, and two of a lashing', function (): void {
    foreach (ways() as [$knot, $method]) {
        if ($method->steps === []) {
            continue;
        }
        $kinds = array_filter(['over-under', 'spot', 'where', 'order', 'which'], fn (string $kind): bool => practised($kind, $knot, $method, 0) !== null);
        expect(count($kinds))->toBeGreaterThanOrEqual($knot->hasFingerprint() ? 4 : 2, "$knot->id $method->id: ".implode(' ', $kinds));
    }
});

it('names nothing that is for leaders only, and takes no task of it', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $hidden = array_filter($library->all(), fn (KnotPack $knot): bool => ! $knot->isForAll());
    expect($hidden)->not->toBe([]);
    $said = '';
    foreach (ways() as [$knot, $method]) {
        foreach (['over-under', 'spot', 'where', 'order', 'which'] as $kind) {
            $said .= Json::write(practised($kind, $knot, $method, 0));
        }
    }
    foreach ($hidden as $knot) {
        expect($said)->not->toContain($knot->id)->and(stripos($said, $knot->names[0]))->toBeFalse($knot->names[0]);
        expect(fn () => computed('practice', ['kind' => 'order', 'knot' => $knot->id, 'seed' => 1]))->toThrow(Refusal::class);
    }
});

it('refuses what it has nothing to ask of, with what it has', function (): void {
    try {
        computed('practice', ['kind' => 'spot', 'knot' => 'square-lashing', 'seed' => 1]);
        $this->fail('it was not refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe('/kind')->and($refusal->value)->toBe('spot')->and($refusal->allowed)->toContain('order');
    }
    expect(fn () => computed('practice', ['kind' => 'spot', 'knot' => 'granny-knot', 'seed' => 1]))->toThrow(Refusal::class, 'no usual mistake');
});
