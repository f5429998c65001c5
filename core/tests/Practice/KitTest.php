<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Practice\Drawn;
use Compadre\Core\Practice\Kit;
use Compadre\Core\Practice\Rest;
use Compadre\Core\Practice\TaskMaker;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Words\Catalogue;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/Slowly.php';

/** @return array{tasks: list<array<string, mixed>>, forms: array<string, array<string, mixed>>} as a device gets it */
function kitOf($knot, $method, string $hand): array
{
    static $kit = null;
    if ($kit === null) {
        $packs = dirname(__DIR__, 3).'/packs';
        $library = Library::at($packs);
        $rope = Fields::of(Json::arrays(Json::file("$packs/materials/rope.json")));
        $index = KnotIndex::forLearners($library);
        $kit = new Kit(new TaskMaker($library, $index, new Chooser($library, TailRule::fromPack($rope), Friction::fromPack($rope))), new Drawn($library, $index), Catalogue::english());
    }

    /** @var array<string, string> $written made once for all tests */
    static $written = [];

    return Json::arrays(Json::read($written["$knot->id $method->id $hand"] ??= Json::write($kit->of($knot, $method, $hand))));
}

it('packs every knot with all it takes to ask and to answer', function (): void {
    $asked = 0;
    foreach (ways() as [$knot, $method]) {
        $kit = kitOf($knot, $method, 'right');
        expect($kit['tasks'])->not->toBe([])->and(array_unique(array_column($kit['tasks'], 'id')))->toHaveCount(count($kit['tasks']));
        foreach ($kit['tasks'] as $task) {
            $asked++;
            $where = "$knot->id $method->id {$task['id']}";
            // Of one thing nothing else is said: the operation asks the same.
            [$kind, $seed] = [$task['kind'], (int) substr($task['id'], strlen($task['kind']) + 1)];
            $made = practised($kind, $knot, $method, $seed);
            expect([$task['question'], $task['answer'], $task['reason']])->toBe([$made['question'], $made['answer'], $made['reason']], $where);
            expect($task['options'])->toHaveCount(count($made['options']));
            foreach ([...array_column($task['options'], 'form'), ...array_intersect_key($task['shows'], ['form' => 0])] as $form) {
                $form === null || expect($kit['forms'])->toHaveKey($form, message: $where);
            }
            foreach ($task['options'] as $place => $option) {
                if (isset($made['options'][$place]['crossing'])) {
                    expect($option['at'])->toBe(drawnCrossings($knot, $method)[$made['options'][$place]['crossing']], $where)->and($option['spoken'])->toBeString();
                }
            }
        }
    }
    expect($asked)->toBeGreaterThan(500);
});

it('draws each form of a task as it is told', function (): void {
    foreach (ways() as [$knot, $method]) {
        $kit = kitOf($knot, $method, 'right');
        foreach ($kit['tasks'] as $task) {
            if ($task['kind'] !== 'spot') {
                continue;
            }
            $made = practised('spot', $knot, $method, (int) substr($task['id'], 5));
            foreach ($task['options'] as $place => $option) {
                // Of every crossing the drawing names who lies over; a rope over itself is told by its words alone.
                $drawing = $kit['forms'][$option['form']];
                expect($drawing['crossings'])->toHaveCount(count($kit['forms']['right']['crossings']));
                expect(array_sum(array_map(fn (string $word): int => substr_count($word, 'o'), $made['options'][$place]['words'])))->toBeLessThanOrEqual(count($drawing['crossings']));
                expect($option['form'] === 'right')->toBe($place === $task['answer'], "$knot->id $method->id {$task['id']}");
            }
        }
    }
});

it('stops the end before the open crossing, where no rope lies yet', function (): void {
    $stopped = 0;
    foreach (ways() as [$knot, $method]) {
        foreach (kitOf($knot, $method, 'right')['tasks'] as $task) {
            if ($task['kind'] !== 'over-under') {
                continue;
            }
            $made = practised('over-under', $knot, $method, (int) substr($task['id'], 11));
            $crossing = drawnAs($knot, $method)[0]->crossings[$made['shows']['crossing']];
            $strands = drawnAs($knot, $method)[0]->strands;
            ['reach' => $reach, 'far' => $far] = $task['shows']['moment'];
            $lies = fn (int $strand, float $at): bool => $at <= ($reach[$strands[$strand]->id] ?? INF) + 1e-3 || $at >= ($far[$strands[$strand]->id] ?? INF) - 1e-3;
            // Of the two that meet there one is not there yet.
            expect($lies($crossing->over, $crossing->overAt) && $lies($crossing->under, $crossing->underAt))->toBeFalse("$knot->id $method->id {$task['id']}");
            $stopped++;
        }
    }
    expect($stopped)->toBeGreaterThan(120);
});

it('gives the left hand the mirror image of the same, and the sides in its words', function (): void {
    $sides = $checked = 0;
    foreach (ways() as [$knot, $method]) {
        $right = kitOf($knot, $method, 'right');
        $left = kitOf($knot, $method, 'left');
        expect(array_keys($left['forms']))->toBe(array_keys($right['forms']));
        foreach ($right['tasks'] as $n => $task) {
            $mirrored = $left['tasks'][$n];
            expect([$mirrored['question'], $mirrored['answer']])->toBe([$task['question'], $task['answer']]);
            // Word for word the same, but for the sides: and what is asked for the left hand says the same.
            $without = static fn (string $said): string => (string) preg_replace('/left|right/i', 'side', $said);
            $sides += substr_count($task['reason'], 'ight over left');
            expect($without($mirrored['reason']))->toBe($without($task['reason']))
                ->and(substr_count($mirrored['reason'], 'eft over right'))->toBe(substr_count($task['reason'], 'ight over left'))
                ->and(substr_count($mirrored['reason'], 'ight over left'))->toBe(substr_count($task['reason'], 'eft over right'));
            [$kind, $seed] = [$task['kind'], (int) substr($task['id'], strlen($task['kind']) + 1)];
            $sides === $checked || expect(practised($kind, $knot, $method, $seed, ['hand' => 'left'])['reason'] ?? null)->toBe($mirrored['reason']);
            $checked = $sides;
            foreach ($task['options'] as $place => $option) {
                isset($option['at']) && expect($mirrored['options'][$place]['at'])->toEqual([-$option['at'][0], $option['at'][1]]);
            }
        }
        foreach ($right['forms'] as $key => $form) {
            // Who lies over whom stays.
            expect(array_map(fn (array $one): array => [$one['over'], $one['under'], -$one['at'][0]], $form['crossings']))->toEqual(array_map(fn (array $one): array => [$one['over'], $one['under'], $one['at'][0]], $left['forms'][$key]['crossings']));
        }
    }
    expect($sides)->toBeGreaterThan(8);
});

it('lets a knot rest as long as the memory says', function (): void {
    $table = Rest::table(MemoryModel::usual());
    // Easy every time it is due: day for day what the memory makes of clean results.
    $day = new DateTimeImmutable('2026-11-24');
    $results = [];
    $rung = null;
    for ($n = 0; $n < 7; $n++) {
        $results[] = new DayResult($day->format('Y-m-d'), Rest::FELT['easy']);
        $rung = $rung === null ? $table['first']['easy'] : $table['next']['easy'][$rung];
        $due = (string) Memory::from($results, false)?->dueOn();
        expect($day->modify("+{$table['rests'][$rung]} days")->format('Y-m-d'))->toBe($due);
        $day = new DateTimeImmutable($due);
    }
    // By any other days: never further from the memory's half-life than half a rung, taken day by day.
    $lots = new Randomizer(new Mt19937(7));
    $wrong = 0;
    for ($case = 0; $case < 300; $case++) {
        $model = MemoryModel::usual()->with(start: $lots->getInt(30, 140) / 10, clean: $lots->getInt(150, 300) / 100);
        $table = Rest::table($model);
        $halfLives = [$model->least, ...array_map(fn (int $n): float => $model->start * $model->clean ** $n, range(0, 7))];
        foreach ($halfLives as $from => $halfLife) {
            foreach (Rest::FELT as $felt => $verdict) {
                $after = $model->after($halfLife, $verdict);
                $to = $halfLives[$table['next'][$felt][$from]];
                foreach ($halfLives as $other) {
                    $wrong += abs(log($other) - log($after)) < abs(log($to) - log($after)) - 1e-9 ? 1 : 0;
                }
            }
        }
        foreach ($halfLives as $n => $halfLife) {
            // Due on the first whole day on which seven in ten would no longer know it.
            $days = 1;
            while (2 ** (-$days / $halfLife) >= 0.7) {
                $days++;
            }
            expect($table['rests'][$n])->toBe($days);
        }
    }
    expect($wrong)->toBe(0);
});

it('marks what closes or tightens, and nothing that is taught first', function (): void {
    $marked = array_map(fn ($knot): string => $knot->id, array_values(array_filter(Library::at(dirname(__DIR__, 3).'/packs')->all(), fn ($knot): bool => $knot->isTaught() && $knot->withAdult)));
    sort($marked);
    expect($marked)->toBe(['constrictor', 'slip-loop', 'truckers-hitch', 'twist-stick-line']);
});

/** @return list<array{float, float}> where the crossings lie, by their number */
function drawnCrossings($knot, $method): array
{
    return array_map(fn ($crossing): array => array_map(fn (float $one): float|int => Json::read(Json::write(round($one, 3))), [$crossing->at->x, $crossing->at->y]), drawnAs($knot, $method)[0]->crossings);
}
