<?php

declare(strict_types=1);

use Compadre\Core\Compute\Command;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Mistakes\Judge;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\Outcome;
use Compadre\Core\Refusal;

// The slow way to everything a task promises: by the drawing, step by step, crossing by crossing.

function computed(string $operation, array $input): array
{
    static $command = null;
    $command ??= new Command(dirname(__DIR__, 3).'/packs');

    return Json::arrays(Json::read($command->run($operation, Json::write($input))));
}

/** @return list<array{KnotPack, Method}> every way of tying every knot that learners see */
function ways(): array
{
    static $ways = [];
    if ($ways !== []) {
        return $ways;
    }
    foreach (Library::at(dirname(__DIR__, 3).'/packs')->all() as $knot) {
        foreach ($knot->isTaught() ? $knot->methods : [] as $method) {
            $ways[] = [$knot, $method];
        }
    }

    return $ways;
}

/** @return array{Diagram, list<StepState>} a way of tying as it is drawn, and its steps */
function drawnAs(KnotPack $knot, Method $method): array
{
    static $drawn = [];

    return $drawn["$knot->id $method->id"] ??= [$diagram = DiagramBuilder::loose($method, $knot->file), StepStates::of($method, $diagram, $knot->file)];
}

/** @return ?array what is asked; null where this knot has nothing to ask of that kind, which is said */
function practised(string $kind, KnotPack $knot, Method $method, int $seed, array $more = []): ?array
{
    try {
        return computed('practice', ['kind' => $kind, 'knot' => $knot->id, 'method' => $method->id, 'seed' => $seed] + $more);
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe('/kind')->and($refusal->value)->toBe($kind);

        return null;
    }
}

/** What a form comes to, by its fingerprint. */
function comesTo(KnotPack $knot, Method $method, array $words): Outcome
{
    static $index = null;
    static $known = [];
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $index ??= KnotIndex::forLearners($library);
    // At which crossings it goes another way than the drawing does.
    $flips = [];
    foreach (array_keys(drawnAs($knot, $method)[0]->crossings) as $crossing) {
        $other = formWords($knot, $method, [$crossing]);
        foreach (formWords($knot, $method, []) as $rope => $right) {
            for ($visit = 0; $visit < strlen($right); $visit++) {
                if ($other[$rope][$visit] !== $right[$visit] && $words[$rope][$visit] !== $right[$visit]) {
                    $flips[$crossing] = $crossing;
                }
            }
        }
    }
    $code = KnotIndex::code($knot, $method);

    return $known["$knot->id $method->id ".implode(',', $flips)] ??= (new Judge($library, $index, $knot, $code))->outcome($code->flipped(array_values($flips)));
}

function isGoodForm(KnotPack $knot, Method $method, array $words): bool
{
    return comesTo($knot, $method, $words)->isGood();
}

/**
 * The slow way to the words of a form: every visit of every rope, and on which side of it the crossings named lie now.
 *
 * @param  list<int>  $flips
 */
function formWords(KnotPack $knot, Method $method, array $flips): array
{
    $diagram = drawnAs($knot, $method)[0];
    $words = [];
    foreach ($diagram->strands as $number => $strand) {
        $at = [];
        foreach ($diagram->crossings as $crossing => $one) {
            foreach ([[$one->over, $one->overAt, 'o'], [$one->under, $one->underAt, 'u']] as [$on, $place, $letter]) {
                if ($on === $number) {
                    $at[] = [$place, in_array($crossing, $flips, true) ? strtr($letter, 'ou', 'uo') : $letter];
                }
            }
        }
        sort($at);
        if ($strand->kind->isRope()) {
            $words[$strand->id] = implode('', array_column($at, 1));
        }
    }

    return $words;
}

/** The step that lays a place of a strand, from 1; 0 for what lies there before. */
function laidBy(KnotPack $knot, Method $method, string $strand, float $at): int
{
    $reached = 0.0;
    foreach (drawnAs($knot, $method)[1] as $number => $state) {
        $reached = $state->moved[$strand][0] ?? $reached;
        $isFar = isset($state->far[$strand]) && $at >= $state->far[$strand][1];
        if (isset($state->moved[$strand]) && $at > $state->moved[$strand][0] && $at <= $state->moved[$strand][1] || $isFar) {
            return $number + 1;
        }
    }

    return 0;
}

/** @return array{array, array} what lies on top at a crossing and what lies under it: strand, place and step that lays it */
function meetingAt(KnotPack $knot, Method $method, int $crossing): array
{
    $diagram = drawnAs($knot, $method)[0];
    $one = $diagram->crossings[$crossing];

    return array_map(fn (int $strand, float $at): array => [$diagram->strands[$strand]->id, $at, $diagram->strands[$strand]->kind->isRope() ? laidBy($knot, $method, $diagram->strands[$strand]->id, $at) : max(0, $diagram->strands[$strand]->appears > 1 ? $diagram->strands[$strand]->appears : 0)], [$one->over, $one->under], [$one->overAt, $one->underAt]);
}
