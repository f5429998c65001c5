<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\ErrorKind;
use Compadre\Core\Mistakes\Judge;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Mistakes\Naming;
use Compadre\Core\Mistakes\Outcome;
use Compadre\Core\Mistakes\Slip;
use Compadre\Core\Mistakes\SlipKind;
use Compadre\Core\Mistakes\Slips;
use Compadre\Core\Mistakes\TyingOrder;
use Compadre\Core\Mistakes\Wording;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * @param  array{Saying, Saying, Saying, ?KnotMistake}  $words
 * @return list<string> sign, cause and fix
 */
function worded(array $words): array
{
    return array_map(Catalogue::english()->say(...), array_slice($words, 0, 3));
}

function slipLibrary(): Library
{
    static $library = null;
    if ($library === null) {
        // A catalogue that does not grow, so that what a slip becomes stays what it was worked out to be.
        $folder = sys_get_temp_dir().'/packs-'.bin2hex(random_bytes(5));
        mkdir("$folder/knots", 0o700, true);
        foreach (['overhand', 'figure-eight', 'square-knot', 'granny-knot', 'thief-knot', 'grief-knot', 'half-hitch', 'clove-hitch', 'larks-head', 'plain-coil', 'bowline', 'bowline-slipping', 'bowline-falling'] as $id) {
            symlink(dirname(__DIR__, 3)."/packs/knots/$id.json", "$folder/knots/$id.json");
        }
        register_shutdown_function(static fn () => exec('rm -rf '.escapeshellarg($folder)));
        $library = Library::at($folder);
    }

    return $library;
}

function slipIndex(): KnotIndex
{
    static $index = null;

    return $index ??= KnotIndex::of(slipLibrary());
}

// Worked through by hand on the drawings: which crossings each error touches, the step it is made in, what the rope then is. The
// last figure is the error's weight, times 0.6 to 1 for how late it comes, times 1, 0.8, 0.7, 0.5 or 0.3 for how it shows, times
// 0.55 where a likelier error ends in the same.
it('makes every error of a knot, each with its place, its result and its rank', function (string $knot, array $table): void {
    $pack = slipLibrary()->knot($knot);
    $made = [];
    foreach ((new MistakeFinder(slipLibrary(), slipIndex()))->of($pack, $pack->methods[0]) as $one) {
        $made[$one->slip->id] = [
            $one->slip->kind->error()->value, $one->slip->crossing, $one->slip->step, $one->slip->flips, $one->slip->exchanged,
            trim($one->becomes->key()), $one->likely,
        ];
    }
    expect($made)->toBe($table);
})->with([
    'figure-eight' => ['figure-eight', [
        'last-tuck-strand-3-2' => ['last-tuck', 3, 3, [3, 2], [], 'knot overhand', 0.63],
        'wrap-missed-2-3' => ['wrap-missed', 3, 4, null, [], 'falls-out', 0.48],
        'half-wrap-missed-2-3' => ['wrap-missed', 3, 4, null, [], 'knot overhand', 0.33],
        'last-tuck-round-0-3' => ['last-tuck', null, 3, null, [], 'unnamed', 0.315],
        'last-tuck-round-0-2' => ['last-tuck', null, 2, null, [], 'knot overhand', 0.308],
        'half-wrap-missed-0-1' => ['wrap-missed', 1, 2, null, [], 'knot overhand', 0.264],
        'last-tuck-strand-0-3' => ['last-tuck', 0, 2, [0, 3], [], 'falls-out', 0.246],
        'flip-2' => ['flip', 2, 4, [2], [], 'falls-out', 0.22],
        'wrap-missed-0-1' => ['wrap-missed', 1, 2, null, [], 'falls-out', 0.211],
        'flip-3' => ['flip', 3, 3, [3], [], 'falls-out', 0.198],
        'flip-0' => ['flip', 0, 2, [0], [], 'falls-out', 0.176],
        'half-wrap-added-2-3' => ['wrap-missed', 3, 4, null, [], 'unnamed', 0.165],
        'wrap-added-2-3' => ['wrap-missed', 3, 4, null, [], 'unnamed', 0.165],
        'flip-1' => ['flip', 1, 1, [1], [], 'falls-out', 0.154],
        'half-wrap-added-0-1' => ['wrap-missed', 1, 2, null, [], 'unnamed', 0.132],
        'wrap-added-0-1' => ['wrap-missed', 1, 2, null, [], 'unnamed', 0.132],
        'ends-exchanged-0' => ['ends-exchanged', null, 1, [], [0], 'same', 0.095],
    ]],
    'square-knot' => ['square-knot', [
        'second-half' => ['second-half', null, 3, [3, 4, 5], [], 'knot granny-knot', 0.81],
        'second-half-ends-0' => ['second-half', null, 3, [3, 4, 5], [0], 'knot grief-knot', 0.81],
        'second-half-ends-1' => ['second-half', null, 3, [3, 4, 5], [1], 'knot grief-knot', 0.446],
        'last-tuck' => ['last-tuck', null, 4, [3, 4], [], 'unnamed', 0.35],
        'ends-exchanged-0' => ['ends-exchanged', null, 1, [], [0], 'knot thief-knot', 0.315],
        'last-tuck-round-1-4' => ['last-tuck', null, 4, null, [], 'unnamed', 0.193],
        'last-tuck-strand-4-5' => ['last-tuck', 4, 4, [4, 5], [], 'unnamed', 0.193],
        'ends-exchanged-1' => ['ends-exchanged', null, 1, [], [1], 'knot thief-knot', 0.173],
        'last-tuck-round-0-3' => ['last-tuck', null, 3, null, [], 'unnamed', 0.173],
        'last-tuck-round-1-3' => ['last-tuck', null, 3, null, [], 'unnamed', 0.173],
        'wrap-added-3-4' => ['wrap-missed', 4, 4, null, [], 'unnamed', 0.165],
        'wrap-added-4-5' => ['wrap-missed', 5, 4, null, [], 'unnamed', 0.165],
        'wrap-missed-3-4' => ['wrap-missed', 4, 4, null, [], 'unnamed', 0.165],
        'wrap-missed-4-5' => ['wrap-missed', 5, 4, null, [], 'unnamed', 0.165],
        'last-tuck-round-0-2' => ['last-tuck', null, 2, null, [], 'unnamed', 0.154],
        'last-tuck-strand-0-1' => ['last-tuck', 0, 2, [0, 1], [], 'unnamed', 0.154],
        'flip-3' => ['flip', 3, 4, [3], [], 'unnamed', 0.138],
        'flip-4' => ['flip', 4, 4, [4], [], 'unnamed', 0.138],
        'wrap-added-0-1' => ['wrap-missed', 1, 2, null, [], 'unnamed', 0.132],
        'wrap-added-1-2' => ['wrap-missed', 2, 2, null, [], 'unnamed', 0.132],
        'wrap-missed-0-1' => ['wrap-missed', 1, 2, null, [], 'unnamed', 0.132],
        'wrap-missed-1-2' => ['wrap-missed', 2, 2, null, [], 'unnamed', 0.132],
        'flip-5' => ['flip', 5, 3, [5], [], 'unnamed', 0.124],
        'flip-0' => ['flip', 0, 2, [0], [], 'unnamed', 0.11],
        'flip-1' => ['flip', 1, 2, [1], [], 'unnamed', 0.11],
        'flip-2' => ['flip', 2, 1, [2], [], 'unnamed', 0.096],
        'ends-exchanged-0-1' => ['ends-exchanged', null, 1, [], [0, 1], 'same', 0.095],
    ]],
    'clove-hitch' => ['clove-hitch', [
        'second-half' => ['second-half', null, 3, [0, 1, 2, 6], [], 'knot larks-head', 0.81],
        'flip-6' => ['flip', 6, 4, [6], [], 'knot plain-coil', 0.5],
        'wrap-added-0-1' => ['wrap-missed', 1, 4, null, [], 'equally-good', 0.42],
        'last-tuck' => ['last-tuck', null, 4, [1, 6], [], 'unnamed', 0.35],
        'flip-5' => ['flip', 5, 2, [5], [], 'knot plain-coil', 0.22],
        'last-tuck-round-1-4' => ['last-tuck', null, 4, null, [], 'unnamed', 0.193],
        'last-tuck-round-1-3' => ['last-tuck', null, 3, null, [], 'unnamed', 0.173],
        'last-tuck-strand-0-1' => ['last-tuck', 0, 3, [0, 1], [], 'unnamed', 0.173],
        'wrap-missed-0-1' => ['wrap-missed', 1, 4, null, [], 'unnamed', 0.165],
        'wrap-added-3-4' => ['wrap-missed', 4, 1, null, [], 'equally-good', 0.162],
        'last-tuck-round-1-2' => ['last-tuck', null, 2, null, [], 'unnamed', 0.154],
        'flip-1' => ['flip', 1, 4, [1], [], 'unnamed', 0.138],
        'flip-0' => ['flip', 0, 3, [0], [], 'unnamed', 0.124],
        'flip-2' => ['flip', 2, 3, [2], [], 'unnamed', 0.124],
        'wrap-missed-3-4' => ['wrap-missed', 4, 1, null, [], 'unnamed', 0.116],
        'flip-3' => ['flip', 3, 1, [3], [], 'unnamed', 0.096],
        'flip-4' => ['flip', 4, 1, [4], [], 'unnamed', 0.096],
        'ends-exchanged-1' => ['ends-exchanged', null, 1, [], [1], 'same', 0.095],
    ]],
]);

it('finds nothing wrong with what has no steps', function (): void {
    $pack = slipLibrary()->knot('granny-knot');
    expect((new MistakeFinder(slipLibrary(), slipIndex()))->of($pack, $pack->methods[0]))->toBe([]);
});

it('gives each error the rope that it leaves', function (): void {
    $pack = slipLibrary()->knot('square-knot');
    $code = KnotIndex::code($pack, $pack->methods[0]);
    $slips = [];
    foreach (Slips::of($code, TyingOrder::of($pack->methods[0], DiagramBuilder::loose($pack->methods[0]))) as $slip) {
        $slips[$slip->id] = $slip;
    }
    expect($slips['second-half']->code)->toEqual($code->flipped([3, 4, 5]));
    expect($slips['second-half-ends-1']->code)->toEqual($code->flipped([3, 4, 5])->exchanged([1]));
    expect($slips['ends-exchanged-0-1']->code)->toEqual($code->exchanged([0, 1]));
    expect($slips['flip-2']->code)->toEqual($code->flipped([2]));
    foreach ($slips as $slip) {
        expect($slip->code->isPlanar())->toBeTrue($slip->id);
    }
});

it('finds each crossing in the step that lays its later strand', function (string $knot, array $steps, int $last): void {
    $method = slipLibrary()->knot($knot)->methods[0];
    $order = TyingOrder::of($method, DiagramBuilder::loose($method));
    expect($order->stepOf)->toBe($steps)->and($order->steps)->toBe($last);
    expect($order->since($last + 1))->toBe([])->and($order->since(0))->toBe(array_keys($steps));
})->with([
    'figure eight' => ['figure-eight', [2, 1, 4, 3], 4],
    'square knot' => ['square-knot', [2, 2, 1, 4, 4, 3], 4],
    'clove hitch' => ['clove-hitch', [3, 4, 3, 1, 1, 2, 4], 4],
    'bowline' => ['bowline', [4, 1, 5, 5, 3, 3, 5], 5],
]);

it('says in words what went wrong', function (SlipKind $kind, array $at, string $id, ErrorKind $error, string $cause): void {
    $pack = slipLibrary()->knot('bowline');
    $code = KnotIndex::code($pack, $pack->methods[0]);
    $slip = new Slip($kind, $at, null, 3, $code);
    expect($slip->id)->toBe($id)->and($slip->kind->error())->toBe($error);
    $words = worded((new Wording($pack, $pack->methods[0], slipLibrary()))->of($slip, Outcome::unnamed()));
    expect($words)->toBe(['It does not look like the picture', $cause, 'Go back to step 3: '.rtrim(lcfirst($pack->methods[0]->steps[2]->say), '.')]);
})->with([
    [SlipKind::SecondHalf, [], 'second-half', ErrorKind::SecondHalf, 'The second half went the other way'],
    [SlipKind::SecondHalfEnds, [0], 'second-half-ends-0', ErrorKind::SecondHalf, 'The second half went the other way, and a tail and its loaded end have changed places'],
    [SlipKind::LastTuck, [], 'last-tuck', ErrorKind::LastTuck, 'The last tuck went through from the other side'],
    [SlipKind::LastTuckStrand, [1, 2], 'last-tuck-strand-1-2', ErrorKind::LastTuck, 'The end went round the strand beside the one that is meant'],
    [SlipKind::LastTuckRound, [0, 3], 'last-tuck-round-0-3', ErrorKind::LastTuck, 'The end went in where it should come out'],
    [SlipKind::HalfWrapMissed, [0, 1], 'half-wrap-missed-0-1', ErrorKind::Wrap, 'Half a turn was left out'],
    [SlipKind::HalfWrapAdded, [0, 1], 'half-wrap-added-0-1', ErrorKind::Wrap, 'Half a turn too many was made'],
    [SlipKind::WrapMissed, [0, 1], 'wrap-missed-0-1', ErrorKind::Wrap, 'A turn was left out'],
    [SlipKind::WrapAdded, [9, 9], 'wrap-added-9-9', ErrorKind::Wrap, 'A turn too many was made'],
    [SlipKind::EndsExchanged, [0], 'ends-exchanged-0', ErrorKind::Ends, 'A tail and its loaded end have changed places'],
    [SlipKind::Flip, [1], 'flip-1', ErrorKind::Flip, 'Over and under have changed places at one crossing'],
]);

it('says in words what came of it', function (Outcome $becomes, string $sign, string $fix): void {
    $pack = slipLibrary()->knot('half-hitch');
    $code = KnotIndex::code($pack, $pack->methods[0]);
    $words = worded((new Wording($pack, $pack->methods[0], slipLibrary()))->of(new Slip(SlipKind::Flip, [0], 0, 99, $code), $becomes));
    expect([$words[0], $words[2]])->toBe([$sign, $fix]);
})->with([
    [Outcome::same(), 'It is the same knot', 'Nothing to mend'],
    [Outcome::equallyGood(), 'It looks different and holds as well', 'Nothing to mend'],
    [Outcome::knot('granny-knot'), 'It is another knot: the granny knot', 'Tie it again'],
    [Outcome::unnamed(), 'It does not look like the picture', 'Tie it again'],
]);

it('takes the pack’s words for a knot, an error or an outcome, and never for a knot that is right', function (): void {
    $pack = slipLibrary()->knot('square-knot');
    $wording = new Wording($pack, $pack->methods[0], slipLibrary());
    $code = KnotIndex::code($pack, $pack->methods[0]);
    $flip = new Slip(SlipKind::Flip, [0], 0, 1, $code);
    expect(worded($wording->of($flip, Outcome::knot('thief-knot')))[0])->toBe($pack->mistakes['thief-knot']->sign);
    expect(worded($wording->of($flip, Outcome::fallsOut('granny-knot')))[0])->toBe($pack->mistakes['granny-knot']->sign);
    expect(worded($wording->of($flip, Outcome::same()))[0])->toBe('It is the same knot');
    $eight = slipLibrary()->knot('figure-eight');
    $own = array_values(array_filter($eight->mistakes, static fn ($mistake): bool => $mistake->of === 'half-wrap-added'));
    expect($own)->toHaveCount(1);
    $wording = new Wording($eight, $eight->methods[0], slipLibrary());
    expect(worded($wording->of(new Slip(SlipKind::HalfWrapAdded, [0, 1], 1, 2, $code), Outcome::unnamed())))->toBe([$own[0]->sign, $own[0]->cause, $own[0]->fix]);
    // Words for one error are not those of another, and are those of each way of making it.
    expect(worded($wording->of(new Slip(SlipKind::HalfWrapMissed, [0, 1], 1, 2, $code), Outcome::unnamed()))[0])->toBe('It does not look like the picture');
    expect(array_values(array_filter(SlipKind::cases(), static fn (SlipKind $kind): bool => $kind->isMeantBy('last-tuck'))))->toBe([SlipKind::LastTuck, SlipKind::LastTuckStrand, SlipKind::LastTuckRound]);
    expect(array_values(array_filter(SlipKind::cases(), static fn (SlipKind $kind): bool => $kind->isMeantBy('second-half'))))->toBe([SlipKind::SecondHalf, SlipKind::SecondHalfEnds]);
    expect(array_values(array_filter(SlipKind::cases(), static fn (SlipKind $kind): bool => $kind->isMeantBy('wrap-missed'))))->toBe([SlipKind::WrapMissed]);
});

it('keeps knots by hand, by family and by drawing', function (): void {
    $index = slipIndex();
    $library = slipLibrary();
    $print = static fn (string $knot): Fingerprint => Fingerprint::of(KnotIndex::code($library->knot($knot), $library->knot($knot)->methods[0]));
    $bowline = $library->knot('bowline');
    expect(KnotIndex::key($bowline, $print('bowline')))->toBe('loop '.$print('bowline')->key());
    expect(KnotIndex::key($library->knot('overhand'), $print('overhand')))->toBe($print('overhand')->key());
    expect($index->named($print('overhand')->key()))->toBe(['overhand']);
    expect($index->named($print('overhand')->mirrored()->key()))->toBe([]);
    expect($index->mirrorOf($print('overhand')->mirrored()->key()))->toBe(['overhand']);
    expect($index->mirrorOf($print('overhand')->key()))->toBe([]);
    // Its own mirror image is found both ways, and two methods of one knot name it once.
    expect($index->named($print('figure-eight')->key()))->toBe(['figure-eight']);
    expect($index->mirrorOf($print('figure-eight')->key()))->toBe(['figure-eight']);
    expect($index->named('no such key'))->toBe([])->and($index->mirrorOf('no such key'))->toBe([]);
    $code = KnotIndex::code($library->knot('square-knot'), $library->knot('square-knot')->methods[0]);
    expect($index->drawnSo($code))->toBe('square-knot')->and($index->drawnSo($code->flipped([0])))->toBeNull();
    // Asked first of all, it builds itself.
    expect(KnotIndex::of($library)->drawnSo($code))->toBe('square-knot');
    expect(KnotIndex::of($library)->mirrorOf($print('figure-eight')->key()))->toBe(['figure-eight']);
});

it('judges overs and unders alone', function (string $knot, array $flipped, string $outcome): void {
    $pack = slipLibrary()->knot($knot);
    $code = KnotIndex::code($pack, $pack->methods[0]);
    $becomes = (new Judge(slipLibrary(), slipIndex(), $pack, $code))->outcome($code->flipped($flipped));
    expect(trim($becomes->key()))->toBe($outcome);
})->with([
    'nothing changed' => ['overhand', [], 'same'],
    'all changed: the other hand is as good' => ['overhand', [0, 1, 2], 'equally-good'],
    'one changed, and it falls out' => ['overhand', [1], 'falls-out'],
    'the other hand of an eight is itself' => ['figure-eight', [0, 1, 2, 3], 'same'],
    'an eight that is an overhand' => ['figure-eight', [2, 3], 'knot overhand'],
    'the second half of a square knot' => ['square-knot', [3, 4, 5], 'knot granny-knot'],
    'the first half instead: a granny of the other hand' => ['square-knot', [0, 1, 2], 'knot granny-knot'],
    'a square knot of the other hand is itself, turned over' => ['square-knot', [0, 1, 2, 3, 4, 5], 'same'],
    'no knot at all' => ['square-knot', [0], 'unnamed'],
    'small loop the wrong way' => ['bowline', [1], 'knot bowline-slipping'],
]);

it('orders what it may be by what speaks against it', function (): void {
    $pack = slipLibrary()->knot('figure-eight');
    $table = array_map(
        static fn ($guess): array => [$guess->becomes->kind->value, $guess->knot, $guess->against, $guess->unseen, $guess->parts, $guess->step],
        (new Naming(slipLibrary(), slipIndex()))->of($pack, $pack->methods[0], ['rope' => 'ouuoouuo']),
    );
    // Seen: the last two crossings the other way, an overhand; one of them alone falls out; as taught two speak against it.
    expect($table)->toBe([
        ['knot', 'overhand', 0, 0, 3, 3],
        ['falls-out', null, 1, 0, 2, 4],
        ['same', 'figure-eight', 2, 0, null, null],
    ]);
    $half = (new Naming(slipLibrary(), slipIndex()))->of($pack, $pack->methods[0], ['rope' => 'o?????u?']);
    expect([$half[0]->knot, $half[0]->against, $half[0]->unseen, $half[0]->step])->toBe(['overhand', 0, 2, 3]);
});

it('passes the other hand seen whole, and puts one nobody has named last among equals', function (): void {
    $pack = slipLibrary()->knot('square-knot');
    $naming = new Naming(slipLibrary(), slipIndex());
    $other = $naming->of($pack, $pack->methods[0], ['left' => 'ouoouo', 'right' => 'uouuou'])[0];
    expect([$other->becomes->kind->value, $other->knot, $other->against, $other->parts, $other->step])->toBe(['same', 'square-knot', 0, 2, 1]);
    $odd = $naming->of($pack, $pack->methods[0], ['left' => 'oouuou']);
    expect([$odd[0]->becomes->kind->value, $odd[0]->knot, $odd[0]->against, $odd[0]->parts])->toBe(['unnamed', null, 0, 0]);
    expect(array_map(static fn ($guess): string => "{$guess->becomes->kind->value} {$guess->knot}", $odd))->toBe(array_unique(array_map(static fn ($guess): string => "{$guess->becomes->kind->value} {$guess->knot}", $odd)));
});
