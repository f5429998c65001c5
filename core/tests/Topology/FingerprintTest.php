<?php

declare(strict_types=1);

use Compadre\Core\Knots\Crossing;
use Compadre\Core\Knots\Curve;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Knots\View;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;
use Compadre\Core\Topology\Laurent;
use Compadre\Core\Topology\Pairing;
use Compadre\Core\Topology\Regions;

function library(): Library
{
    static $library = null;

    return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
}

function codeOf(string $knot, int $method = 0, bool $tight = false): GaussCode
{
    $pack = library()->knot($knot);

    return ($tight ? DiagramBuilder::tight($pack->methods[$method], $pack->file) : DiagramBuilder::loose($pack->methods[$method], $pack->file))->code();
}

/**
 * The Jones polynomial in the square root of t of what results when ends are joined. The bracket is freed of the twists of
 * each rope already; crossings between ropes are counted here.
 */
function closureOf(string $knot, array $joins, int $writhe = 0): Laurent
{
    $terms = [];
    foreach (Fingerprint::of(codeOf($knot))->closed($joins)->terms as $exponent => $coefficient) {
        $terms[intdiv(-($exponent - 3 * $writhe), 2)] = $writhe % 2 === 0 ? $coefficient : -$coefficient;
    }

    return Laurent::of($terms);
}

it('closes stoppers to the knots of the tables', function (string $knot, array $terms): void {
    $jones = closureOf($knot, [['r0s', 'r0w']]);
    expect(in_array($jones->terms, [Laurent::of($terms)->terms, Laurent::of($terms)->mirrored()->terms], true))->toBeTrue();
})->with([
    'the overhand to 3_1' => ['overhand', [2 => 1, 6 => 1, 8 => -1]],
    'the figure eight to 4_1' => ['figure-eight', [-4 => 1, -2 => -1, 0 => 1, 2 => -1, 4 => 1]],
    'the double overhand to 5_1' => ['double-overhand', [4 => 1, 8 => 1, 10 => -1, 12 => 1, 14 => -1]],
    'the three-lobe stopper to 6_2' => ['three-lobe-stopper', [-2 => 1, 0 => -1, 2 => 2, 4 => -2, 6 => 2, 8 => -2, 10 => 1]],
]);

it('finds a figure eight in the packer’s knot, apart from the line it is tied round', function (): void {
    $diagram = DiagramBuilder::loose(library()->knot('packers-knot')->methods[0]);
    $rope = $diagram->strands[1];
    // From where the end has come back round the parcel.
    $from = max(array_map(static fn ($crossing): float => $crossing->over === 0 || $crossing->under === 0 ? max($crossing->overAt, $crossing->underAt) : 0.0, $diagram->crossings)) + 0.5;
    $end = new Strand('end', StrandKind::Rope, new Curve($rope->curve->between($from, $rope->curve->length()), false), 1.0, '');
    $own = [];
    foreach ($diagram->crossings as $crossing) {
        if ($crossing->over === 1 && $crossing->under === 1 && min($crossing->overAt, $crossing->underAt) > $from) {
            $own[] = new Crossing(0, $crossing->overAt - $from, 0, $crossing->underAt - $from, $crossing->at, $crossing->angle, $crossing->turn, $crossing->sign);
        }
    }
    expect($own)->toHaveCount(4);
    expect(Fingerprint::of((new Diagram([$end], $own))->code())->key())->toBe(Fingerprint::of(codeOf('figure-eight'))->key());
});

it('closes the square knot to a trefoil and its mirror image, the granny to two alike', function (): void {
    $trefoil = Laurent::of([2 => 1, 6 => 1, 8 => -1]);
    // Tail to tail and load to load: one rope is then followed backwards, and its crossings with the other change sign.
    $close = static fn (string $knot): Laurent => closureOf($knot, [['r0w', 'r1w'], ['r0s', 'r1s']], -array_sum(codeOf($knot)->turns));
    expect($close('square-knot')->terms)->toBe($trefoil->times($trefoil->mirrored())->terms);
    $hand = array_sum(codeOf('granny-knot')->turns);
    expect(abs($hand))->toBe(6);
    $half = $hand < 0 ? $trefoil : $trefoil->mirrored();
    expect($close('granny-knot')->terms)->toBe($half->times($half)->terms);
});

it('changes a knot’s hand in the mirror alone', function (string $knot): void {
    $pack = library()->knot($knot);
    foreach ($pack->methods as $method) {
        $diagram = DiagramBuilder::loose($method, $pack->file);
        $plain = Fingerprint::of($diagram->code());
        $seen = static fn (View $view): string => Fingerprint::of($view->of($diagram)->code())->key();
        expect($seen(View::Learner))->toBe($plain->key());
        expect($seen(View::Across))->toBe($plain->key());
        expect($seen(View::Behind))->toBe($plain->key());
        expect($seen(View::Left))->toBe($plain->mirrored()->key());
        expect($plain->mirrored()->mirrored()->key())->toBe($plain->key());
    }
})->with(fn (): array => array_values(array_filter(library()->ids(), static fn (string $id): bool => library()->knot($id)->hasFingerprint())));

it('tells hands apart where there are two', function (string $knot, bool $same): void {
    $print = Fingerprint::of(codeOf($knot));
    expect($print->mirrored()->key() === $print->key())->toBe($same);
})->with([['overhand', false], ['figure-eight', true], ['square-knot', true], ['granny-knot', false], ['bowline', false], ['clove-hitch', false]]);

it('draws the tight knot as the loose one', function (string $knot): void {
    foreach (library()->knot($knot)->methods as $number => $method) {
        if ($method->hasTight()) {
            expect(Fingerprint::of(codeOf($knot, $number, true))->key())->toBe(Fingerprint::of(codeOf($knot, $number))->key());
        }
    }
})->with(fn (): array => array_values(array_filter(library()->ids(), static fn (string $id): bool => library()->knot($id)->methods[0]->hasTight())));

it('tells tails from loaded ends, and nothing else by their names', function (): void {
    $square = codeOf('square-knot');
    $key = Fingerprint::of($square)->key();
    expect(Fingerprint::of($square->exchanged([0]))->key())->toBe(Fingerprint::of(codeOf('thief-knot'))->key())->not->toBe($key);
    expect(Fingerprint::of($square->exchanged([0, 1]))->key())->toBe($key);
    // Which rope is written down first does not matter.
    expect(Fingerprint::of(new GaussCode(array_reverse($square->strands), $square->turns))->key())->toBe($key);
});

it('is freed of twists, and counts a crossing more only where there is one', function (): void {
    // A rope with a single loop thrown in it is still a straight rope.
    $straight = Fingerprint::of(new GaussCode([GaussStrand::rope('', false, [])], []));
    foreach ([1, -1] as $turn) {
        foreach ([true, false] as $over) {
            $curl = new GaussCode([GaussStrand::rope('', false, [[0, $over], [0, ! $over]])], [$turn]);
            expect(Fingerprint::of($curl)->sums)->toEqual($straight->sums);
        }
    }
    // Two ropes side by side, one laid over the other and back: still side by side.
    $apart = Fingerprint::of(new GaussCode([GaussStrand::rope('', false, []), GaussStrand::rope('', false, [])], []));
    $over = new GaussCode([GaussStrand::rope('', false, [[0, true], [1, true]]), GaussStrand::rope('', false, [[0, false], [1, false]])], [1, -1]);
    expect(Fingerprint::of($over)->key())->toBe($apart->key());
    $hooked = new GaussCode([GaussStrand::rope('', false, [[0, true], [1, false]]), GaussStrand::rope('', false, [[0, false], [1, true]])], [1, 1]);
    expect(Fingerprint::of($hooked)->key())->not->toBe($apart->key());
});

it('knows what lies in the plane, and its regions', function (): void {
    foreach (library()->ids() as $id) {
        expect(codeOf($id)->isPlanar())->toBeTrue($id);
    }
    // One turn the other way and the square knot needs a handle.
    $square = codeOf('square-knot');
    expect((new GaussCode($square->strands, [-$square->turns[0]] + $square->turns))->isPlanar())->toBeFalse();
    $regions = Regions::of($square->tangle());
    $inner = array_values(array_filter($regions->regions, static fn (array $region): bool => $region[0] === []));
    expect($inner)->toHaveCount(5);
    // Round four of them the edges run one way; of the middle one's, as many run one way as the other.
    $ways = array_map(static fn (array $region): int => abs(array_sum($region[1])), $inner);
    sort($ways);
    expect($ways)->toBe([0, 2, 2, 2, 2]);
    expect(array_map(static fn (array $region): int => count($region[1]), $inner))->toContain(6);
    $around = current(array_filter($regions->regions, static fn (array $region): bool => $region[0] !== []));
    sort($around[0]);
    expect($around[0])->toBe(['r0s', 'r0w', 'r1s', 'r1w']);
});

it('pairs ends and counts the circles they close', function (): void {
    expect(Pairing::key([['d', 'a'], ['c', 'b']]))->toBe('a-d,b-c');
    expect(Pairing::pairs('a-d,b-c'))->toBe([['a', 'd'], ['b', 'c']]);
    expect(Pairing::pairs(''))->toBe([]);
    expect(Pairing::circles([['a', 'b'], ['c', 'd']], [['a', 'b'], ['c', 'd']]))->toBe(2);
    expect(Pairing::circles([['a', 'b'], ['c', 'd']], [['a', 'c'], ['b', 'd']]))->toBe(1);
});

it('follows a closed strand round to its start', function (): void {
    // A rope through a ring, and a rope laid over it: hooked and not.
    $ring = static fn (bool $second): GaussStrand => GaussStrand::object('ring', true, [[0, false], [1, $second]]);
    $over = Fingerprint::of(new GaussCode([GaussStrand::rope('', false, [[0, true], [1, true]]), $ring(false)], [1, -1]));
    expect($over->sums)->toEqual(['r0s-r0w' => Laurent::of([2 => -1, -2 => -1])]);
    $hooked = new GaussCode([GaussStrand::rope('', false, [[0, true], [1, false]]), $ring(true)], [1, 1]);
    expect($hooked->isPlanar())->toBeTrue();
    // Closed outside, rope and ring are Hopf's link: its bracket is -A^4 - A^-4, here times a power of A.
    $closed = Fingerprint::of($hooked)->closed([['r0s', 'r0w']]);
    expect($closed->terms)->toBe([-4 => -1, 4 => -1]);
    expect($hooked->tangle()->ends)->toBe([1 => 'r0s', 3 => 'r0w']);
    expect($hooked->tangle()->crossings)->toBe([[4, 2, 5, 1], [2, 4, 3, 5]]);
    // A ring by itself, and a rope by itself.
    $apart = (new GaussCode([GaussStrand::rope('', false, []), GaussStrand::object('ring', true, [])], []))->tangle();
    expect([$apart->bare, $apart->circles, $apart->crossings])->toBe([[['r0s', 'r0w']], 1, []]);
});

it('flips crossings, and tells whose they are', function (): void {
    $code = codeOf('square-knot');
    $flipped = $code->flipped([0, 2]);
    foreach (array_keys($code->turns) as $crossing) {
        [[$a, $place, $over], [$b, , $under]] = $code->visitsOf($crossing);
        expect([$a, $b])->toBe([0, 1])->and($over)->toBe(! $under);
        expect($code->strands[$a]->visits[$place])->toBe([$crossing, $over]);
        $changed = in_array($crossing, [0, 2], true);
        expect($flipped->turns[$crossing])->toBe($changed ? -$code->turns[$crossing] : $code->turns[$crossing]);
        expect($flipped->visitsOf($crossing)[0][2])->toBe($changed ? ! $over : $over);
    }
    expect($flipped->flipped([2, 0]))->toEqual($code);
    expect($code->mirrored()->turns)->toBe(array_map(static fn (int $turn): int => -$turn, $code->turns));
});

it('is freed of an even number of twists as of an odd one', function (): void {
    $curls = static fn (int $count): GaussCode => new GaussCode(
        [GaussStrand::rope('', false, array_merge([], ...array_map(static fn (int $n): array => [[$n, true], [$n, false]], range(0, $count - 1))))],
        array_fill(0, $count, 1),
    );
    foreach ([1, 2, 3, 4] as $count) {
        expect(Fingerprint::of($curls($count))->key())->toBe('rope|0_0a-0_0b=0:1');
        expect($curls($count)->selfWrithe())->toBe($count);
    }
});

it('does not care which way an object is followed, nor which of two is written first', function (): void {
    // A rope hooked round a pole, and the pole followed the other way.
    $rope = GaussStrand::rope('', false, [[0, true], [1, false]]);
    $hooked = new GaussCode([$rope, GaussStrand::object('pole', false, [[0, false], [1, true]])], [1, 1]);
    $other = new GaussCode([$rope, GaussStrand::object('pole', false, [[1, true], [0, false]])], [-1, -1]);
    expect(Fingerprint::of($other)->key())->toBe(Fingerprint::of($hooked)->key());
    // A rope over one pole and under the next: the poles may change places in the list, but not in kind.
    $weave = static fn (string $first, string $second): GaussCode => new GaussCode([
        GaussStrand::rope('', false, [[0, true], [1, false]]), GaussStrand::object($first, false, [[0, false]]), GaussStrand::object($second, false, [[1, true]]),
    ], [1, -1]);
    $turned = new GaussCode([$weave('pole 4', 'pole 4')->strands[0], GaussStrand::object('pole 4', false, [[1, true]]), GaussStrand::object('pole 4', false, [[0, false]])], [1, -1]);
    expect(Fingerprint::of($turned)->key())->toBe(Fingerprint::of($weave('pole 4', 'pole 4'))->key());
    expect(Fingerprint::of($weave('pole 4', 'pole 6'))->key())->not->toBe(Fingerprint::of($weave('pole 6', 'pole 4'))->key());
    expect(Fingerprint::of($weave('pole 4', 'pole 6'))->key())->toStartWith('object pole 4 object pole 6 rope|');
});

it('keeps the kinds of ropes apart', function (): void {
    $bend = codeOf('sheet-bend');
    $kinds = array_map(static fn (GaussStrand $strand): string => $strand->kind, $bend->strands);
    expect($kinds)->toBe(['rope rope 1.3', 'rope rope 1']);
    // The kinds stand in front of the key.
    $hook = static fn (string $first, string $second): string => Fingerprint::of(new GaussCode(
        [GaussStrand::rope($first, false, [[0, true], [0, false], [1, true], [2, false]]), GaussStrand::rope($second, false, [[1, false], [3, true], [3, false], [2, true], [4, true], [4, false]])], [1, 1, 1, -1, 1],
    ))->key();
    expect($hook('1', '1.3'))->toStartWith('rope 1 rope 1.3|');
    expect($hook('1', '1'))->toStartWith('rope 1 rope 1|');
    // With both of one thickness, which is written first makes no difference.
    $alike = static fn (int $first, int $second): GaussCode => new GaussCode([GaussStrand::rope('', false, $bend->strands[$first]->visits), GaussStrand::rope('', false, $bend->strands[$second]->visits)], $bend->turns);
    expect(Fingerprint::of($alike(0, 1))->key())->toBe(Fingerprint::of($alike(1, 0))->key());
    expect($bend->endNames(1))->toBe(['r1s', 'r1w']);
    expect($bend->exchanged([1])->endNames(1))->toBe(['r1w', 'r1s'])->and($bend->exchanged([1])->endNames(0))->toBe(['r0s', 'r0w']);
});
