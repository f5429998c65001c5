<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\NextKnots;

function nextAfter(array $levels): array
{
    return NextKnots::of(Library::at(dirname(__DIR__, 3).'/packs'), $levels);
}

it('offers a beginner what needs nothing first', function (): void {
    $next = nextAfter([]);
    expect($next)->toContain('overhand', 'half-hitch', 'clove-hitch')->not->toContain('bowline', 'two-half-hitches');
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    foreach ($next as $id) {
        expect($library->knot($id)->prerequisites)->toBe([], $id);
    }
    // The quickest first.
    expect($library->knot($next[0])->minutes)->toBeLessThanOrEqual($library->knot(end($next))->minutes);
});

it('offers what comes after a knot once it is had, and the knot itself no more', function (): void {
    expect(nextAfter(['overhand' => Level::HasIt]))->toContain('bowline', 'double-overhand')->not->toContain('overhand');
    foreach ([Level::Seen, Level::WithHelp] as $short) {
        expect(nextAfter(['overhand' => $short]))->toContain('overhand')->not->toContain('bowline');
    }
    expect(nextAfter(['overhand' => Level::Kept]))->toContain('bowline');
});

it('wants all of what comes before', function (): void {
    expect(nextAfter(['slip-loop' => Level::HasIt]))->not->toContain('truckers-hitch');
    expect(nextAfter(['slip-loop' => Level::HasIt, 'two-half-hitches' => Level::HasIt]))->toContain('truckers-hitch');
});

it('never offers wrong forms, or what is for leaders', function (): void {
    $all = array_fill_keys(Library::at(dirname(__DIR__, 3).'/packs')->ids(), Level::Seen);
    expect(nextAfter($all))->not->toContain('granny-knot', 'handcuff-knot', 'bowline-slipping');
});
