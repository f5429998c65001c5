<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Note;
use Compadre\Core\Teaching\Requirement;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * What a badge asks for, held against going through every way there is: which parts of an n-of count, what is still open and what it
 * costs, whether it is met.
 */

/**
 * A tree of what may be asked for, in which no knot stands twice.
 *
 * @param  list<string>  $knots  left to be used
 * @return array<string, mixed>
 */
function askedFor(Randomizer $random, int $deep, array &$knots, int &$notes): array
{
    $kind = $random->getInt(0, 5);
    if ($deep === 0 || $kind < 2 || count($knots) < 3) {
        if ($kind === 0 || $knots === []) {
            return ['say' => 'what it is for, no. '.++$notes];
        }
        $levels = ['with_help', 'has_it', 'kept', 'uses_it'];

        return ['knot' => array_pop($knots), 'level' => $levels[$random->getInt(0, 3)]];
    }
    $parts = [];
    for ($n = $random->getInt(1, 3); $n > 0; $n--) {
        $parts[] = askedFor($random, $deep - 1, $knots, $notes);
    }

    return $kind < 4 ? ['all' => $parts] : ['choose' => $random->getInt(1, count($parts)), 'of' => $parts];
}

/** Whether a tree is met, word for word. */
function isMetPlainly(array $tree, Closure $isLeafMet, Closure $isNoteMet): bool
{
    if (isset($tree['knot'])) {
        return $isLeafMet($tree);
    }
    if (isset($tree['say'])) {
        return $isNoteMet($tree['say']);
    }
    $met = count(array_filter($tree['all'] ?? $tree['of'], static fn (array $part): bool => isMetPlainly($part, $isLeafMet, $isNoteMet)));

    return $met >= ($tree['choose'] ?? count($tree['all'] ?? $tree['of']));
}

/**
 * Every way of choosing as many parts as are asked for, all the way down.
 *
 * @return list<list<array<string, mixed>>> the knots and words of each way
 */
function everyChoice(array $tree): array
{
    if (! isset($tree['all']) && ! isset($tree['of'])) {
        return [[$tree]];
    }
    $parts = $tree['all'] ?? $tree['of'];
    $needed = $tree['choose'] ?? count($parts);
    $ways = [];
    foreach (range(0, 2 ** count($parts) - 1) as $chosen) {
        if (substr_count(decbin($chosen), '1') !== $needed) {
            continue;
        }
        $together = [[]];
        foreach ($parts as $place => $part) {
            if (($chosen >> $place & 1) === 0) {
                continue;
            }
            $more = [];
            foreach ($together as $way) {
                foreach (everyChoice($part) as $own) {
                    $more[] = [...$way, ...$own];
                }
            }
            $together = $more;
        }
        array_push($ways, ...$together);
    }

    return $ways;
}

it('is met, open and done so far as going through every way says', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(73));
    $rungs = ['with_help' => 1, 'has_it' => 2, 'kept' => 3];
    [$isMet, $isOpen] = [0, 0];
    for ($case = 0; $case < 1200; $case++) {
        $knots = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
        $notes = 0;
        $tree = ['all' => [askedFor($random, 3, $knots, $notes)]];
        $levels = $reached = $ticked = $cost = [];
        foreach (['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'] as $knot) {
            $cost[$knot] = (float) $random->getInt(1, 9);
            $at = [null, 'with_help', 'has_it', 'kept'][$random->getInt(0, 3)];
            if ($at !== null) {
                $levels[$knot] = Level::from($at);
                $reached[$knot] = $rungs[$at];
            }
            if ($random->getInt(0, 2) === 0) {
                $ticked[(new Leaf($knot, Level::UsesIt))->key()] = true;
                $uses[$case][$knot] = true;
            }
        }
        $said = [];
        for ($n = 1; $n <= $notes; $n++) {
            if ($random->getInt(0, 1) === 1) {
                $said[] = $words = "what it is for, no. $n";
                $ticked[(new Note('say', $words))->key()] = true;
            }
        }
        $isLeafMet = static fn (array $leaf): bool => $leaf['level'] === 'uses_it'
            ? ($reached[$leaf['knot']] ?? 0) >= 2 && isset($uses[$case][$leaf['knot']])
            : ($reached[$leaf['knot']] ?? 0) >= $rungs[$leaf['level']];
        $isNoteMet = static fn (string $words): bool => in_array($words, $said, true);

        $asked = Requirement::from(Fields::of($tree));
        $met = isMetPlainly($tree, $isLeafMet, $isNoteMet);
        expect($asked->isMet($levels, $ticked))->toBe($met, json_encode($tree));
        $met ? $isMet++ : $isOpen++;

        // What is open costs the least that any way of choosing costs; words cost nothing to teach.
        $open = $asked->open($levels, static fn (Leaf $leaf): float => $cost[$leaf->knot], $ticked);
        $least = INF;
        [$nearest, $furthest] = [INF, 0];
        foreach (everyChoice($tree) as $way) {
            $left = array_filter($way, static fn (array $part): bool => isset($part['knot']) && ! $isLeafMet($part));
            $least = min($least, array_sum(array_map(static fn (array $part): float => $cost[$part['knot']], $left)));
            $done = count(array_filter($way, static fn (array $part): bool => isset($part['knot']) ? $isLeafMet($part) : $isNoteMet($part['say'])));
            // So far as the way on which least is missing; of two such the one on which more is done.
            if (count($way) - $done < $nearest || count($way) - $done === $nearest && $done > $furthest) {
                [$nearest, $furthest] = [count($way) - $done, $done];
            }
        }
        expect(array_sum(array_map(static fn (Leaf $leaf): float => $cost[$leaf->knot], $open)))->toEqual($least, json_encode($tree))
            ->and($asked->progress($levels, $ticked))->toBe([$furthest, $furthest + $nearest], json_encode($tree));

        // Once what is open is known, and all words are said, it is met.
        foreach ($open as $leaf) {
            $levels[$leaf->knot] = $leaf->isTicked() ? Level::HasIt : $leaf->level;
            $leaf->isTicked() && $ticked[$leaf->key()] = true;
        }
        foreach ($asked->notes() as $note) {
            $ticked[$note->key()] = true;
        }
        expect($asked->isMet($levels, $ticked))->toBeTrue(json_encode($tree))->and($asked->open($levels, static fn (): float => 1.0, $ticked))->toBe([]);
    }
    expect($isMet)->toBeGreaterThan(150)->and($isOpen)->toBeGreaterThan(400);
});
