<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\Bigon;
use Compadre\Core\Mistakes\Bigons;
use Compadre\Core\Mistakes\Fallen;
use Compadre\Core\Mistakes\Retied;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;
use Compadre\Core\Topology\Laurent;

function gauss(string $knot, int $method = 0): GaussCode
{
    static $library = null;
    $library ??= Library::at(dirname(__DIR__, 3).'/packs');

    return DiagramBuilder::loose($library->knot($knot)->methods[$method])->code();
}

/** @return list<Bigon> those of one strand with itself, there and back or both ways alike */
function twists(GaussCode $code, bool $thereAndBack): array
{
    return array_values(array_filter(Bigons::of($code), static fn (Bigon $bigon): bool => $bigon->strand === $bigon->other && $bigon->isThereAndBack() === $thereAndBack));
}

/** Whether a rope with its ends joined is the knot of a table, in either hand; powers of t, lowest first. */
function closesTo(GaussCode $code, int $lowest, int ...$coefficients): bool
{
    $terms = [];
    foreach (Fingerprint::of($code)->closed([['r0s', 'r0w']])->terms as $exponent => $coefficient) {
        $terms[intdiv(-$exponent, 2)] = $coefficient;
    }
    $table = [];
    foreach ($coefficients as $n => $coefficient) {
        $table[2 * ($lowest + $n)] = $coefficient;
    }
    $found = Laurent::of($terms);

    return $found->equals(Laurent::of($table)) || $found->mirrored()->equals(Laurent::of($table));
}

it('finds where two strands twist round each other', function (): void {
    // A figure eight is two twists of half turns, each there and back; an overhand twists one way only.
    expect(twists(gauss('figure-eight'), true))->not->toBe([]);
    expect(twists(gauss('overhand'), true))->toBe([])->and(twists(gauss('overhand'), false))->toHaveCount(2);
    expect(twists(gauss('double-overhand'), false))->toHaveCount(4);
    foreach (['square-knot', 'bowline', 'taut-line-hitch', 'fishermans-knot'] as $knot) {
        $code = gauss($knot);
        foreach (Bigons::of($code) as $bigon) {
            [$here, $next] = array_slice($code->strands[$bigon->strand]->visits, $bigon->place, 2);
            expect([$here[0], $next[0]])->toBe([$bigon->first, $bigon->second])->and($here[1])->toBe(! $next[1]);
            $beside = $code->strands[$bigon->other]->visits;
            expect([$beside[$bigon->at][0], $beside[$bigon->at + $bigon->way][0]])->toBe([$bigon->first, $bigon->second]);
        }
    }
});

it('takes half a turn out: a figure eight becomes an overhand', function (): void {
    $code = gauss('figure-eight');
    foreach (twists($code, true) as $bigon) {
        $less = Retied::halfTurnLess($code, $bigon);
        expect($less->isPlanar())->toBeTrue()->and($less->turns)->toHaveCount(3);
        // 3_1
        expect(closesTo($less, 1, 1, 0, 1, -1))->toBeTrue();
    }
});

it('puts half a turn in: a figure eight becomes the five-crossing twist knot', function (): void {
    $code = gauss('figure-eight');
    foreach (twists($code, true) as $bigon) {
        $more = Retied::halfTurnMore($code, $bigon);
        expect($more->isPlanar())->toBeTrue()->and($more->turns)->toHaveCount(5);
        // 5_2
        expect(closesTo($more, 1, 1, -1, 2, -1, 1, -1))->toBeTrue();
        // The strands still alternate.
        $word = array_column($more->strands[0]->visits, 1);
        for ($n = 1; $n < count($word); $n++) {
            expect($word[$n])->toBe(! $word[$n - 1]);
        }
    }
});

it('puts a whole turn in', function (): void {
    foreach (twists(gauss('overhand'), false) as $bigon) {
        $more = Retied::turnMore(gauss('overhand'), $bigon);
        expect($more->isPlanar())->toBeTrue();
        // 5_1, the double overhand, in whichever hand it is drawn.
        expect(closesTo($more, 2, 1, 0, 1, -1, 1, -1))->toBeTrue();
        $double = Fingerprint::of(gauss('double-overhand'));
        expect(Fingerprint::of($more)->key())->toBeIn([$double->key(), $double->mirrored()->key()]);
    }
    foreach (twists(gauss('figure-eight'), true) as $bigon) {
        $more = Retied::turnMore(gauss('figure-eight'), $bigon);
        expect($more->isPlanar())->toBeTrue()->and($more->turns)->toHaveCount(6);
        // 6_1
        expect(closesTo($more, -4, 1, -1, 1, -2, 2, -1, 1))->toBeTrue();
    }
});

it('takes a whole turn out', function (): void {
    foreach (twists(gauss('double-overhand'), false) as $bigon) {
        $less = Retied::turnLess(gauss('double-overhand'), $bigon);
        expect($less->turns)->toHaveCount(3)->and(closesTo($less, 1, 1, 0, 1, -1))->toBeTrue();
    }
    foreach (twists(gauss('figure-eight'), true) as $bigon) {
        expect(closesTo(Retied::turnLess(gauss('figure-eight'), $bigon), 0, 1))->toBeTrue();
    }
});

it('puts a turn in and takes it out again between two ropes, and round a pole', function (string $knot): void {
    $code = gauss($knot);
    foreach (Bigons::of($code) as $bigon) {
        $more = Retied::turnMore($code, $bigon);
        expect($more->isPlanar())->toBeTrue()->and(count($more->turns))->toBe(count($code->turns) + 2);
        $new = array_values(array_diff(array_keys($more->turns), array_keys($code->turns)));
        foreach ($new as $crossing) {
            [[, , $first], [, , $second]] = $more->visitsOf($crossing);
            expect($first)->toBe(! $second);
        }
        // Without the two new crossings it is what it was.
        $back = new GaussCode(array_map(static fn ($strand) => $strand->with(array_values(array_filter($strand->visits, static fn (array $visit): bool => ! in_array($visit[0], $new, true)))), $more->strands), array_diff_key($more->turns, array_flip($new)));
        expect($back)->toEqual($code);
        expect(Fingerprint::of($more)->key())->not->toBe(Fingerprint::of($code)->key());
    }
})->with(['square-knot', 'sheet-bend', 'taut-line-hitch', 'clove-hitch', 'bowline']);

it('travels the last part the other way, and back again', function (): void {
    $code = gauss('bowline');
    $from = count($code->strands[0]->visits) - 6;
    $round = Retied::otherWayRound($code, 0, $from);
    expect($round->isPlanar())->toBeTrue();
    expect(array_slice($round->strands[0]->visits, 0, $from))->toBe(array_slice($code->strands[0]->visits, 0, $from));
    expect(array_slice($round->strands[0]->visits, $from))->toBe(array_reverse(array_slice($code->strands[0]->visits, $from)));
    expect(Retied::otherWayRound($round, 0, $from))->toEqual($code);
    // Crossings with the rest now turn the other way; those within the part do not.
    $within = array_count_values(array_column(array_slice($code->strands[0]->visits, $from), 0));
    foreach ($code->turns as $crossing => $turn) {
        expect($round->turns[$crossing])->toBe(($within[$crossing] ?? 0) === 1 ? -$turn : $turn);
    }
});

it('knows what a drawing comes to when nothing holds', function (): void {
    // One rope: whichever end it is laid from, a straight rope.
    foreach (['overhand', 'figure-eight', 'double-overhand'] as $knot) {
        expect(array_keys(Fallen::keys(gauss($knot))))->toBe(['rope rope 1|0_0a-0_0b=0:1']);
    }
    // Two ropes: the one wholly on the other, and the other on the one.
    $square = gauss('square-knot');
    foreach ([0, 1] as $top) {
        $flips = array_values(array_filter(array_keys($square->turns), static function (int $crossing) use ($square, $top): bool {
            foreach ($square->visitsOf($crossing) as [$strand, , $over]) {
                if ($strand === $top) {
                    return ! $over;
                }
            }

            return false;
        }));
        expect(Fallen::keys($square))->toHaveKey(Fingerprint::of($square->flipped($flips))->key());
    }
    expect(Fallen::keys($square))->not->toHaveKey(Fingerprint::of($square)->key());
});

it('lets a rope lie wholly before a pole, or wholly behind it', function (): void {
    // Over, under, over: hooked twice. Before or behind, each pass on top of the last or beneath it: nothing holds.
    $turns = new GaussCode([
        GaussStrand::rope('', false, [[0, true], [1, false], [2, true], [3, true], [4, false], [3, false]]),
        GaussStrand::object('pole', false, [[0, false], [1, true], [2, false], [4, true]]),
    ], [1, 1, 1, 1, 1]);
    $keys = Fallen::keys($turns);
    $before = Fingerprint::of($turns->flipped([1, 4]))->key();
    $behind = Fingerprint::of($turns->flipped([0, 2]))->key();
    expect($keys)->toHaveKey($before)->toHaveKey($behind);
    expect($keys)->not->toHaveKey(Fingerprint::of($turns)->key());
    // Poles that cross each other keep to each other as they are.
    $poles = new GaussCode([GaussStrand::object('pole', false, [[0, true]]), GaussStrand::object('pole', false, [[0, false]])], [1]);
    expect(array_keys(Fallen::keys($poles)))->toBe([Fingerprint::of($poles)->key()]);
});
