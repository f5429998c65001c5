<?php

declare(strict_types=1);

use Compadre\Core\Awards\Act;
use Compadre\Core\Awards\Due;
use Compadre\Core\Awards\DueBadge;
use Compadre\Core\Awards\Evidence;
use Compadre\Core\Awards\Met;
use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Note;

const AWARD_DAYS = ['2026-11-03', '2026-11-10', '2026-11-17', '2026-11-24'];
const AWARD_TONIGHT = '2026-11-24';

/** @param  array<mixed>  $requirement  @param  list<string>  $after */
function dueBadge(string $id, array $requirement, array $after = []): BadgePack
{
    return BadgePack::from(Fields::of(['id' => $id, 'version' => 1, 'name' => ucfirst($id), 'about' => 'Ties it.', 'ages' => ['from' => 7, 'to' => 9], 'requirement' => $requirement, 'after' => $after]));
}

function awardCheck(string $id, Kind $kind, string $knot, string $day, int $turn, string $by, Verdict $verdict, ?string $target = null): CheckEvent
{
    return new CheckEvent($id, $kind, 'ada', $knot, 'phone', $turn, sprintf('%s 18:%02d:00', $day, $turn % 60), $day, $by, $verdict, Seen::Yes, Seen::Yes, Seen::Yes, 0, $target);
}

/** A requirement at random, and nothing that cannot be read. @return array<string, mixed> */
function awardTree(int $depth): array
{
    $kind = mt_rand(0, $depth > 0 ? 5 : 3);
    $knot = ['overhand', 'bowline', 'clove-hitch', 'square-knot'][mt_rand(0, 3)];
    if ($kind === 3) {
        return mt_rand(0, 1) === 0 ? ['say' => ['what a bowline is for', 'how to whip an end'][mt_rand(0, 1)]] : ['knot' => $knot, 'level' => ['uses_it', 'teaches_it'][mt_rand(0, 1)]] + (mt_rand(0, 1) === 0 ? ['in' => 'a tripod'] : []);
    }
    if ($kind < 3) {
        return ['knot' => $knot, 'level' => ['has_it', 'has_it', 'kept'][$kind]];
    }
    $parts = array_map(static fn (): array => awardTree($depth - 1), range(1, mt_rand(1, 3)));

    return $kind === 4 ? ['all' => $parts] : ['choose' => mt_rand(1, count($parts)), 'of' => $parts];
}

/** What a single requirement is called in records. */
function awardKey(array $leaf): string
{
    return isset($leaf['say']) ? (new Note('say', $leaf['say']))->key() : (new Leaf($leaf['knot'], Level::from($leaf['level']), $leaf['in'] ?? null))->key();
}

/** Whether a tree is met, by nothing but the days of clean passes. @param  array<string, list<string>>  $passes  @param  list<string>  $keys */
function awardMet(array $tree, array $passes, array $keys): bool
{
    if (isset($tree['say'])) {
        return in_array(awardKey($tree), $keys, true);
    }
    if (isset($tree['knot'])) {
        $days = count(array_unique($passes[$tree['knot']] ?? []));

        return match ($tree['level']) {
            'has_it' => $days >= 1,
            'kept' => $days >= 2,
            default => $days >= 1 && in_array(awardKey($tree), $keys, true),
        };
    }
    $parts = $tree['all'] ?? $tree['of'];

    return count(array_filter($parts, static fn (array $part): bool => awardMet($part, $passes, $keys))) >= ($tree['choose'] ?? count($parts));
}

/** @return list<array<mixed>> every single requirement in a tree */
function awardLeaves(array $tree): array
{
    return isset($tree['say']) || isset($tree['knot']) ? [$tree] : array_merge(...array_map(awardLeaves(...), $tree['all'] ?? $tree['of']));
}

it('tells what is ready, and each one thing that would make it so, as the slow way does', function (int $seed): void {
    mt_srand($seed);
    $kinds = [0, 0, 0];
    foreach (range(1, 60) as $ignored) {
        $tree = ['all' => array_map(static fn (): array => awardTree(2), range(1, mt_rand(1, 3)))];
        $leaves = awardLeaves($tree);
        [$events, $passes, $number] = [[], [], 0];
        foreach (AWARD_DAYS as $day) {
            foreach (['overhand', 'bowline', 'clove-hitch', 'square-knot'] as $knot) {
                if (mt_rand(0, 2) > 0) {
                    continue;
                }
                $id = 'e'.++$number;
                $prior = mt_rand(0, 9) === 0;
                $verdict = $prior || mt_rand(0, 3) > 0 ? Verdict::HasIt : [Verdict::WithHelp, Verdict::TieAgain][mt_rand(0, 1)];
                $events[] = awardCheck($id, $prior ? Kind::Prior : Kind::Result, $knot, $day, $number, 'maren', $verdict);
                $fate = mt_rand(0, 9);
                if ($fate === 0) {
                    $events[] = awardCheck("r$id", Kind::Retract, $knot, $day, ++$number, 'maren', $verdict, $id);

                    continue;
                }
                if ($fate === 1) {
                    // On another day than that which it decides about.
                    $verdict = $verdict === Verdict::HasIt ? Verdict::TieAgain : Verdict::HasIt;
                    $events[] = awardCheck("o$id", Kind::Overrule, $knot, AWARD_TONIGHT, ++$number, 'tobin', $verdict, $id);
                    $prior = false;
                }
                if ($verdict === Verdict::HasIt) {
                    $passes[$knot][] = $prior ? 'before' : $day;
                }
            }
        }
        shuffle($events);
        $keys = $ticks = [];
        foreach ($leaves as $leaf) {
            $key = awardKey($leaf);
            if (mt_rand(0, 2) > 0 && (isset($leaf['say']) || in_array($leaf['level'], ['uses_it', 'teaches_it'], true))) {
                $keys[] = $key;
                $ticks[$key] = new Met('2026-11-10', 'tobin');
            }
        }
        $due = Due::of([dueBadge('rigger', $tree)], [], Evidence::ofChecks($events, $ticks), AWARD_TONIGHT)[0];
        $met = awardMet($tree, $passes, $keys);
        expect($due->isComplete)->toBe($met)->and($due->isReady())->toBe($met);
        $slow = [];
        foreach ($met ? [] : $leaves as $leaf) {
            $knot = $leaf['knot'] ?? null;
            if ($knot !== null && awardMet($tree, array_merge_recursive($passes, [$knot => [AWARD_TONIGHT]]), $keys)) {
                $slow[] = "check $knot";
            }
            $key = awardKey($leaf);
            if ((isset($leaf['say']) || in_array($leaf['level'], ['uses_it', 'teaches_it'], true)) && awardMet($tree, $passes, [...$keys, $key])) {
                $slow[] = "tick $key";
            }
        }
        $found = array_map(static fn (Act $act): string => $act->key === null ? "check $act->knot" : "tick $act->key", $due->acts);
        $slow = array_values(array_unique($slow));
        sort($slow);
        sort($found);
        expect($found)->toBe($slow);
        $kinds[$met ? 0 : ($slow === [] ? 1 : 2)]++;
    }
    // All three come up.
    expect(min($kinds))->toBeGreaterThan(0);
})->with(range(1, 12));

it('says which check met a requirement: the first that did, by whom, and on the day that was decided about', function (): void {
    $badge = dueBadge('rigger', ['all' => [['knot' => 'overhand', 'level' => 'kept'], ['knot' => 'bowline', 'level' => 'has_it'], ['knot' => 'clove-hitch', 'level' => 'uses_it', 'in' => 'tripod'], ['say' => 'what it is for'], ['knot' => 'sheet-bend']]]);
    $uses = (new Leaf('clove-hitch', Level::UsesIt, 'tripod'))->key();
    $evidence = Evidence::ofChecks([
        awardCheck('a', Kind::Result, 'overhand', '2026-11-03', 1, 'maren', Verdict::HasIt),
        awardCheck('b', Kind::Result, 'overhand', '2026-11-10', 2, 'maren', Verdict::HasIt),
        awardCheck('b-back', Kind::Retract, 'overhand', '2026-11-10', 3, 'maren', Verdict::HasIt, 'b'),
        awardCheck('c', Kind::Result, 'overhand', '2026-11-17', 4, 'tobin', Verdict::HasIt),
        awardCheck('d', Kind::Result, 'overhand', '2026-11-24', 5, 'wren', Verdict::HasIt),
        awardCheck('e', Kind::Result, 'bowline', '2026-11-10', 6, 'tobin', Verdict::TieAgain),
        awardCheck('f', Kind::Overrule, 'bowline', '2026-11-24', 7, 'maren', Verdict::HasIt, 'e'),
        awardCheck('g', Kind::Prior, 'clove-hitch', '2026-11-03', 8, 'maren', Verdict::HasIt),
    ], [$uses => new Met('2026-11-17', 'wren', rig: 'Tripod')]);
    $parts = $evidence->outline($badge->requirement)['parts'];
    expect($parts[0]['since'])->toEqual(new Met('2026-11-17', 'tobin', false, 'c'));
    expect($parts[1]['since'])->toEqual(new Met('2026-11-10', 'maren', false, 'f'));
    expect($parts[2]['since'])->toEqual(new Met('2026-11-17', 'wren', rig: 'Tripod'));
    // Of what was awarded earlier, nothing that came later is claimed.
    $then = Evidence::ofChecks([
        awardCheck('a', Kind::Result, 'overhand', '2026-11-03', 1, 'maren', Verdict::HasIt),
        awardCheck('c', Kind::Result, 'overhand', '2026-11-17', 4, 'tobin', Verdict::HasIt),
        awardCheck('d', Kind::Result, 'bowline', '2026-11-17', 5, 'tobin', Verdict::HasIt),
    ], [$uses => new Met('2026-11-17', 'wren')], '2026-11-10');
    expect($then->levels)->toBe(['overhand' => Level::HasIt])->and($then->completes($badge->requirement))->toBeFalse()->and($then->outline($badge->requirement)['parts'][2]['met'])->toBeFalse();
    expect($parts[3])->toMatchArray(['met' => false])->not->toHaveKey('since')->and($parts[4])->not->toHaveKey('since');
});

it('finds the same from standings as from all checks', function (int $seed): void {
    mt_srand($seed);
    $tree = ['all' => [awardTree(2), awardTree(2)]];
    $events = $hasIt = [];
    foreach (AWARD_DAYS as $number => $day) {
        foreach (['overhand', 'bowline', 'clove-hitch', 'square-knot'] as $place => $knot) {
            if (mt_rand(0, 1) === 0) {
                $prior = mt_rand(0, 4) === 0;
                $events[] = awardCheck("e$number$place", $prior ? Kind::Prior : Kind::Result, $knot, $day, 4 * $number + $place, 'maren', $prior || mt_rand(0, 2) > 0 ? Verdict::HasIt : Verdict::WithHelp);
            }
        }
    }
    $levels = [];
    foreach (\Compadre\Core\Checking\Standings::derive($events) as $standing) {
        $levels[$standing->knot] = $standing->level;
        if ($standing->hasItSince !== null) {
            $hasIt[$standing->knot] = new Met($standing->hasItSince, null, array_filter($events, static fn (CheckEvent $event): bool => $event->kind === Kind::Prior && $event->knot === $standing->knot) !== []);
        }
    }
    $acts = static fn (Evidence $evidence): array => array_map(static fn (DueBadge $due): array => [$due->isComplete, $due->acts], Due::of([dueBadge('rigger', $tree)], [], $evidence, AWARD_TONIGHT));
    expect($acts(Evidence::standing($levels, $hasIt, [])))->toEqual($acts(Evidence::ofChecks($events, [])));
})->with(range(1, 200));

it('waits for a badge that comes before, as long as the learner works toward it and does not hold it', function (): void {
    $knot = static fn (string $id): array => ['all' => [['knot' => $id, 'level' => 'has_it']]];
    [$first, $second, $third] = [dueBadge('first', $knot('overhand')), dueBadge('second', $knot('bowline'), ['first']), dueBadge('third', $knot('bowline'), ['second'])];
    $evidence = Evidence::ofChecks([awardCheck('a', Kind::Result, 'bowline', '2026-11-03', 1, 'maren', Verdict::HasIt)], []);
    $ready = static fn (array $pursued, array $held = []): array => array_map(static fn (DueBadge $due): string => $due->badge->id, array_values(array_filter(Due::of($pursued, $held, $evidence, AWARD_TONIGHT), static fn (DueBadge $due): bool => $due->isReady())));
    expect($ready([$first, $second, $third]))->toBe([]);
    expect(Due::of([$first, $second, $third], [], $evidence, AWARD_TONIGHT)[2]->waitsFor)->toBe(['second']);
    expect($ready([$first, $second, $third], ['first']))->toBe(['second', 'third']);
    expect($ready([$second, $third]))->toBe(['second', 'third']);
    expect($ready([$first, $second, $third], ['first', 'second', 'third']))->toBe([]);
    // One thing short, but something else comes before it.
    $evidence = Evidence::ofChecks([], []);
    expect(array_map(static fn (DueBadge $due): int => count($due->acts), Due::of([$first, $second], [], $evidence, AWARD_TONIGHT)))->toBe([1, 0]);
});
