<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Sides;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Words\Overlay;

const PACKS = __DIR__.'/../../../packs';

/** Every text marked, as a language would have it that says all of them. */
function marked(mixed $texts): mixed
{
    return is_array($texts) ? array_map(marked(...), $texts) : (is_string($texts) ? "«{$texts}»" : $texts);
}

/** @return list<array{string, array<array-key, mixed>}> every pack with its kind */
function packsOfAllKinds(): array
{
    $packs = [];
    foreach (Overlay::kinds() as $kind) {
        foreach (glob(PACKS."/$kind/*.json") ?: [] as $file) {
            $packs[] = [$kind, (array) Json::arrays(Json::file($file))];
        }
    }

    return $packs;
}

/** @param  array<string, mixed>  $files  by path below the language's packs */
function languageOf(array $files): string
{
    $words = (string) tempnam(sys_get_temp_dir(), 'words');
    unlink($words);
    foreach ($files as $path => $texts) {
        is_dir(dirname("$words/xx/packs/$path")) || mkdir(dirname("$words/xx/packs/$path"), 0755, true);
        file_put_contents("$words/xx/packs/$path", Json::write($texts));
    }

    return $words;
}

/** A language with every text of every pack. */
function markedLanguage(): string
{
    static $words = null;
    $files = [];
    foreach ($words === null ? packsOfAllKinds() : [] as [$kind, $pack]) {
        $files["$kind/{$pack['id']}.json"] = ['version' => $pack['version']] + marked(Overlay::texts($kind, $pack));
    }

    return $words ??= languageOf($files + ['sides.json' => ['links' => 'rechts', 'linke' => 'rechte']]);
}

/**
 * Sentences of a pack that are not marked.
 *
 * @return list<string>
 */
function plainIn(mixed $of, string $at = ''): array
{
    if (is_string($of)) {
        // Two words or more, and none of the signs that formulas are made of.
        return ! str_ends_with($at, '/word') && preg_match('/^[\p{L}“(][^=<>*+]*\p{L}{2,} \p{L}{2,}/u', $of) === 1 && preg_match('/ (?:and|or|not) |^not |[a-z]\(/', $of) !== 1 ? ["$at: $of"] : [];
    }

    return array_merge([], ...array_map(static fn (mixed $one, string|int $key): array => plainIn($one, "$at/$key"), is_array($of) ? $of : [], array_keys(is_array($of) ? $of : [])));
}

it('finds every text of every pack, changes nothing else, and finds them again', function (): void {
    $plain = [];
    $packs = packsOfAllKinds();
    expect(count($packs))->toBeGreaterThan(70);
    $overlay = Overlay::of(markedLanguage(), 'xx');
    expect($overlay->faults(PACKS))->toBe([]);
    foreach ($packs as [$kind, $pack]) {
        $texts = Overlay::texts($kind, $pack);
        $told = $overlay->over($kind, $pack);
        expect(Overlay::texts($kind, $told))->toBe(['version' => $pack['version']] + marked($texts));
        // What is marked taken off again, it is the pack.
        expect(json_decode(str_replace(['«', '»'], '', Json::write($told)), true))->toBe(json_decode(Json::write($pack), true));
        array_push($plain, ...array_map(static fn (string $one): string => "$kind {$pack['id']}$one", array_filter(plainIn($told), static fn (string $one): bool => ! str_contains($one, ': «'))));
    }
    expect($plain)->toBe([]);
});

it('reads every knot, rig and badge in it, and computes the same', function (): void {
    $overlay = Overlay::of(markedLanguage(), 'xx');
    $library = Library::at(PACKS, $overlay);
    $library->verify((array) Json::arrays(Json::file(PACKS.'/schema/knot.schema.json')));
    $english = Library::at(PACKS);
    foreach ($library->all() as $id => $knot) {
        expect($knot->names[0])->toBe("«{$english->knot($id)->names[0]}»")->and($knot->methods[0]->steps === [] ? '«' : $knot->methods[0]->steps[0]->say)->toStartWith('«');
        if ($knot->hasFingerprint()) {
            expect(KnotIndex::code($knot, $knot->methods[0]))->toEqual(KnotIndex::code($english->knot($id), $english->knot($id)->methods[0]));
        }
    }
    expect($library->stamp())->toBe($english->stamp());
    foreach ([RigShelf::at(PACKS, $library, $overlay), RigShelf::instruments(PACKS, $library, $overlay)] as $shelf) {
        foreach ($shelf->all() as $rig) {
            expect($rig->name)->toStartWith('«');
        }
    }
    foreach (BadgeShelf::at(PACKS, $overlay)->all() as $badge) {
        expect($badge->name)->toStartWith('«');
    }
});

it('says what is there, in English what is not, and leaves aside what was made from another version', function (array $texts, string $name, string $first, array $faults): void {
    $overlay = Overlay::of(languageOf(['knots/overhand.json' => $texts]), 'xx');
    $knot = Library::at(PACKS, $overlay)->knot('overhand');
    expect([$knot->names[0], $knot->methods[0]->steps[0]->say])->toBe([$name, $first])->and($overlay->faults(PACKS))->toBe($faults);
})->with(function (): array {
    $say = Library::at(PACKS)->knot('overhand')->methods[0]->steps[0]->say;

    return [
        'a name alone' => [['version' => 1, 'names' => ['Überhandknoten']], 'Überhandknoten', $say, []],
        'a step, its name not yet' => [['version' => 1, 'names' => [null], 'methods' => [['steps' => [['say' => 'Leg ein Auge.']]]]], 'Overhand knot', 'Leg ein Auge.', []],
        'another version' => [['version' => 2, 'names' => ['Überhandknoten']], 'Overhand knot', $say, ['knots/overhand.json: /version is not that of the pack']],
        'no version' => [['names' => ['Überhandknoten']], 'Overhand knot', $say, ['knots/overhand.json: /version is not that of the pack']],
        'what is no text' => [['version' => 1, 'names' => ['Überhandknoten'], 'family' => 'loop', 'minutes' => 900], 'Überhandknoten', $say, ['knots/overhand.json: /family is no text of the pack', 'knots/overhand.json: /minutes is no text of the pack']],
        'more steps than there are' => [['version' => 1, 'methods' => [['steps' => [50 => ['say' => 'Weiter.']]]]], 'Overhand knot', $say, ['knots/overhand.json: /methods/0/steps/50 is no text of the pack']],
        'empty' => [['version' => 1, 'names' => ['  ']], 'Overhand knot', $say, []],
    ];
});

it('names packs that there are not, and names in braces that a text has not', function (): void {
    $words = languageOf(['knots/tangle.json' => ['version' => 1], 'ropes/x.json' => ['version' => 1], 'rigs/tripod.json' => ['version' => 1, 'refuse' => [['say' => 'Zu weit: {leg_mm} {wide}.']]]]);
    file_put_contents("$words/xx/packs/knots/bowline.json", '{');
    $faults = Overlay::of($words, 'xx')->faults(PACKS);
    expect($faults)->toHaveCount(4)->and(implode(' ', $faults))->toContain('knots/tangle.json: there is no such pack')->toContain('ropes/x.json: there is no such pack')
        ->toContain('rigs/tripod.json: /refuse/0/say has names in braces that the pack has not')->toContain('knots/bowline.json: ');
});

it('tells the sides of another language for the left hand', function (): void {
    $sides = Library::at(PACKS, Overlay::of(markedLanguage(), 'xx'))->sides;
    expect($sides->told(View::Left, 'Links über die rechte Hand, nie rechtsherum: Rechte.'))->toBe('Rechts über die linke Hand, nie rechtsherum: Linke.')
        ->and($sides->told(View::Across, 'Links.'))->toBe('Links.')->and($sides->told(View::Left, 'Linken.'))->toBe('Linken.')
        // What is not in it yet is English, with its sides and with what says right and means none.
        ->and($sides->told(View::Left, 'The left hand, at right angles; left out.'))->toBe('The right hand, at right angles; left out.');
    expect(Sides::of([]))->toEqual(Sides::english())->and(Library::at(PACKS)->sides)->toEqual(Sides::english());
});

it('writes down the texts of a pack, and says what it takes', function (): void {
    $run = static function (string $asked): array {
        exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(dirname(__DIR__, 2).'/bin/texts').' '.escapeshellarg($asked).' 2>&1', $lines, $code);

        return [$code, implode("\n", $lines)];
    };
    [$code, $texts] = $run('knots/overhand');
    expect($code)->toBe(0)->and(json_decode($texts, true))->toBe(Overlay::texts('knots', (array) Json::arrays(Json::file(PACKS.'/knots/overhand.json'))));
    foreach (['', 'knots/tangle', 'knots/../knots/overhand', 'materials/rope', 'xx'] as $wrong) {
        [$code, $said] = $run($wrong);
        expect($code)->toBe(2)->and($said)->toContain('a pack as KIND/ID, where KIND is one of knots, rigs, instruments, badges');
    }
});
