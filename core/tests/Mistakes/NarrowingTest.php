<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Untidy;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Mistakes\Narrowing;
use Compadre\Core\Topology\Fingerprint;

function narrowedFound(string $id): array
{
    static $found = [];
    static $index = null;
    $knot = narrowedPacks()->knot($id);

    return $found[$id] ??= (new MistakeFinder(narrowedPacks(), $index ??= KnotIndex::of(narrowedPacks())))->of($knot, $knot->methods[0]);
}

function narrowedPacks(): Library
{
    static $library = null;

    return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
}

/** The knots that are drawn with a fingerprint. */
function narrowedKnots(): array
{
    return array_keys(array_filter(narrowedPacks()->all(), static fn (KnotPack $knot): bool => $knot->isTaught() && $knot->hasFingerprint()));
}

/** Answers the questions as the knot in hand would. */
function narrowedTo(Narrowing $step, array $flips, int $asked = 0): array
{
    if ($step->crossing === null) {
        return [$step->left, $asked];
    }
    $next = in_array($step->crossing, $flips, true) ? $step->other : $step->asDrawn;
    expect($next)->not->toBeNull();

    return narrowedTo($next, $flips, $asked + 1);
}

it('asks three questions at the most, and what is left fits every answer', function (string $id): void {
    $possible = array_filter(narrowedFound($id), static fn (Found $one): bool => ! $one->becomes->isGood() && ($one->slip->flips ?? []) !== [] && $one->slip->exchanged === []);
    $tree = Narrowing::of(narrowedFound($id));
    if ($possible === []) {
        expect($tree)->toBeNull();

        return;
    }
    foreach ($possible as $error) {
        [$left, $asked] = narrowedTo($tree, $error->slip->flips);
        expect($asked)->toBeLessThanOrEqual(Narrowing::QUESTIONS);
        expect($left)->not->toBe([]);
        // Each that is left would have led to the same place.
        foreach ($left as $one) {
            expect(narrowedTo($tree, $one->slip->flips)[0])->toBe($left);
        }
    }
})->with('judged knots');

dataset('judged knots', fn (): array => array_combine(narrowedKnots(), array_map(static fn (string $id): array => [$id], narrowedKnots())));

it('finds the granny in a square knot by its crossings', function (): void {
    $granny = array_values(array_filter(narrowedFound('square-knot'), static fn (Found $one): bool => $one->becomes->knot === 'granny-knot' && ($one->slip->flips ?? []) !== []))[0];
    [$left] = narrowedTo(Narrowing::of(narrowedFound('square-knot')), $granny->slip->flips);
    expect(array_map(static fn (Found $one): ?string => $one->becomes->knot, $left))->toContain('granny-knot');
});

it('asks nothing where nothing can go wrong', function (): void {
    expect(Narrowing::of([]))->toBeNull();
});

it('bends a knot out of shape without changing it', function (string $id): void {
    $knot = narrowedPacks()->knot($id);
    $method = $knot->methods[0];
    $untidy = Untidy::of($method, $knot->file);
    expect($untidy)->not->toBeNull();
    $tidy = DiagramBuilder::loose($method, $knot->file);
    expect(count($untidy->crossings))->toBe(count($tidy->crossings));
    $print = static fn ($diagram): string => serialize(Fingerprint::of($diagram->code()));
    expect($print($untidy))->toBe($print($tidy));
    $moved = 0.0;
    foreach ($tidy->strands as $number => $strand) {
        foreach ($strand->curve->points as $at => $point) {
            $moved = max($moved, hypot($untidy->strands[$number]->curve->points[$at]->x - $point->x, $untidy->strands[$number]->curve->points[$at]->y - $point->y));
        }
    }
    // Far enough to be seen, in rope widths.
    expect($moved)->toBeGreaterThan(0.4);
})->with('judged knots');
