<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Teaching\Note;
use Compadre\Core\Words\Catalogue;

function badgeShelf(): BadgeShelf
{
    return BadgeShelf::at(dirname(__DIR__, 3).'/packs');
}

function written(string $id, array $requirement, array $more = []): BadgePack
{
    return BadgePack::from(Fields::of($more + ['id' => $id, 'version' => 1, 'name' => ucfirst($id), 'about' => 'A badge.', 'ages' => ['from' => 8, 'to' => 12], 'requirement' => $requirement]));
}

it('counts what is no knot when it is ticked off, and in a choice the best of it', function (): void {
    $badge = written('mixed', ['all' => [['knot' => 'overhand', 'level' => 'has_it'], ['say' => 'What it is for'], ['choose' => 1, 'of' => [['rig' => 'A ridge line'], ['knot' => 'bowline', 'level' => 'kept']]]]]);
    $rig = new Note('rig', 'A ridge line');
    $said = new Note('say', 'What it is for');
    expect(array_map(fn (Note $note): string => $note->key(), $badge->requirement->notes()))->toBe([$said->key(), $rig->key()]);
    expect($badge->requirement->progress([]))->toBe([0, 3]);
    expect($badge->requirement->progress(['overhand' => Level::HasIt], [$said->key() => true]))->toBe([2, 3]);
    expect($badge->requirement->progress(['overhand' => Level::Kept], [$said->key() => true, $rig->key() => true]))->toBe([3, 3]);
    expect($badge->requirement->progress(['overhand' => Level::Kept, 'bowline' => Level::Kept], [$said->key() => true]))->toBe([3, 3]);
    // The same words in other letters are the same requirement; another kind is another.
    expect((new Note('rig', ' a RIDGE line '))->key())->toBe($rig->key())->and((new Note('text', 'A ridge line'))->key())->not->toBe($rig->key());
    $outline = $badge->requirement->outline([], [$rig->key() => true]);
    expect($outline['parts'][1])->toBe(['note' => 'say', 'words' => 'What it is for', 'key' => $said->key(), 'met' => false]);
    expect($outline['parts'][2]['met'])->toBeTrue();
    // Only knots are planned and named.
    expect($badge->knots())->toBe(['overhand', 'bowline'])->and($badge->requirement->open([], fn (): float => 1.0))->toHaveCount(1);
});

it('has uses it and teaches it ticked off, for who has the knot', function (): void {
    $badge = written('deeds', ['all' => [['knot' => 'bowline', 'level' => 'uses_it', 'in' => 'A ridge line'], ['knot' => 'overhand', 'level' => 'teaches_it']]]);
    [$used, $taught] = $badge->requirement->leaves();
    expect($used->key())->not->toBe($taught->key())->and($used->in)->toBe('A ridge line');
    $both = [$used->key() => true, $taught->key() => true];
    expect($badge->requirement->progress(['bowline' => Level::Kept, 'overhand' => Level::HasIt]))->toBe([0, 2]);
    // A tick alone is not enough: the knot has to be had.
    expect($badge->requirement->progress(['bowline' => Level::WithHelp], $both))->toBe([0, 2]);
    expect($badge->requirement->progress(['bowline' => Level::HasIt, 'overhand' => Level::Kept], $both))->toBe([2, 2]);
    expect($badge->requirement->open(['bowline' => Level::HasIt], fn (): float => 1.0, $both))->toHaveCount(1);
    expect($badge->requirement->outline([])['parts'][0])->toBe(['knot' => 'bowline', 'level' => 'uses_it', 'met' => false, 'words' => 'A ridge line', 'key' => $used->key()]);
});

it('keeps every version, the latest first, those for the youngest at the head', function (): void {
    $first = written('showpiece', ['knot' => 'overhand', 'level' => 'has_it']);
    $second = written('showpiece', ['knot' => 'bowline', 'level' => 'has_it'], ['version' => 2]);
    $shelf = badgeShelf()->with([$second, $first]);
    expect($shelf->badge('showpiece')->version)->toBe(2)->and($shelf->inVersion('showpiece', 1)?->knots())->toBe(['overhand']);
    expect($shelf->inVersion('showpiece', 9)?->version)->toBe(2)->and($shelf->inVersion('nowhere', 1))->toBeNull();
    expect(array_keys($shelf->all()))->toBe(['first-knots', 'lantern-hand', 'showpiece', 'rigger', 'useful-knots', 'green-captain', 'knots-at-work']);
    // No real group is offered those of the sample scenario, unless it works toward them already.
    expect(array_keys($shelf->offered(false, ['rigger'])))->toBe(['first-knots', 'showpiece', 'rigger', 'useful-knots', 'knots-at-work']);
    expect(fn () => $shelf->badge('sailor'))->toThrow(Refusal::class, 'green-captain');
    // A group's own version of a badge that comes with the app takes its place.
    expect(badgeShelf()->with([written('rigger', ['knot' => 'overhand', 'level' => 'has_it'], ['version' => 7])])->badge('rigger')->version)->toBe(7);
});

it('finds what does not hold together', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    expect(badgeShelf()->faults(written('fine', ['knot' => 'overhand', 'level' => 'has_it'], ['after' => ['lantern-hand']]), $library))->toBe([]);
    $faults = badgeShelf()->faults(written('odd', ['all' => [['knot' => 'tangle', 'level' => 'has_it'], ['knot' => 'granny-knot', 'level' => 'has_it']]], ['ages' => ['from' => 14, 'to' => 9], 'after' => ['sailor']]), $library);
    expect($faults)->toHaveCount(4)->and(implode(' ', array_map(Catalogue::english()->say(...), $faults)))->toContain('14 to 9')->toContain('"tangle"')->toContain('Granny knot')->toContain('"sailor"');
    // A longer way round: a before b before c before a.
    $ring = badgeShelf()->with([written('a', ['knot' => 'overhand', 'level' => 'has_it'], ['after' => ['c']]), written('b', ['knot' => 'overhand', 'level' => 'has_it'], ['after' => ['a']])]);
    expect($ring->faults(written('c', ['knot' => 'overhand', 'level' => 'has_it'], ['after' => ['b']]), $library))->toHaveCount(1)->and(Catalogue::english()->say($ring->faults(written('c', ['knot' => 'overhand', 'level' => 'has_it'], ['after' => ['b']]), $library)[0]))->toContain('c, b, a');
    expect(fn () => written('none', ['choose' => 3, 'of' => [['say' => 'one'], ['say' => 'two']]]))->toThrow(Refusal::class, 'from 1 to 2');
});

it('makes a badge of ticked knots, under an id no other has', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $all = BadgePack::ofTicked('Harbour Watch', ['overhand', 'bowline'], null, 8, 12, ['harbour-watch'], Catalogue::english());
    expect($all)->toMatchArray(['id' => 'harbour-watch-2', 'ages' => ['from' => 8, 'to' => 12], 'requirement' => ['all' => [['knot' => 'overhand', 'level' => 'has_it'], ['knot' => 'bowline', 'level' => 'has_it']]]]);
    $any = BadgePack::ofTicked('7 Knots!', ['overhand', 'bowline'], 1, 8, 12, [], Catalogue::english());
    expect($any['id'])->toBe('badge-7-knots')->and($any['requirement']['choose'])->toBe(1);
    // A name of no letters, and one as long as a name may be.
    foreach (['узел', str_repeat('Watch ', 13)] as $name) {
        $pack = BadgePack::ofTicked($name, ['overhand'], null, 8, 12, [], Catalogue::english());
        expect($pack['id'])->toMatch('/^[a-z][a-z0-9]*(-[a-z0-9]+)*$/')->and(strlen($pack['id']))->toBeLessThan(60);
        expect(badgeShelf()->faults(BadgePack::from(Fields::of($pack)), $library))->toBe([]);
    }
    expect(fn () => BadgePack::ofTicked('Too many', ['overhand'], 2, 8, 12, [], Catalogue::english()))->toThrow(Refusal::class, 'More knots');
});
