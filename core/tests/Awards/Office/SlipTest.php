<?php

declare(strict_types=1);

use Compadre\Core\Awards\Office\OnList;
use Compadre\Core\Awards\Office\Reply;
use Compadre\Core\Awards\Office\Slip;
use Compadre\Core\Awards\Office\Told;
use Compadre\Core\Awards\Office\Trouble;
use Compadre\Core\Data\Fields;

/** @param  array<mixed>  $outline */
function slipOf(array $outline): Slip
{
    return Slip::of(Fields::of(['id' => 'a1', 'badge' => 'rigger', 'version' => 2, 'name' => 'Rigger', 'decided_on' => '2026-11-24', 'by_hand' => true, 'proof' => ['about' => 'Ties.', 'outline' => $outline]]), 'Ada P.', ucfirst(...));
}

it('tells of each requirement the day on which it was met, and of a choice only as much as was needed', function (): void {
    $met = static fn (string $knot, string $day, string $level = 'has_it'): array => ['knot' => $knot, 'level' => $level, 'met' => true, 'since' => ['day' => $day]];
    $slip = slipOf(['choose' => 3, 'among' => 3, 'met' => true, 'parts' => [
        $met('overhand', '2026-11-17', 'kept'),
        ['choose' => 2, 'among' => 3, 'met' => true, 'parts' => [['knot' => 'bowline', 'level' => 'has_it', 'met' => false], $met('clove-hitch', '2026-11-10'), $met('sheet-bend', '2026-11-03')]],
        ['note' => 'say', 'words' => 'what a bowline is for', 'key' => 'k', 'met' => true, 'since' => ['day' => '2026-11-24']],
    ]]);
    expect($slip->toArray())->toBe([
        'award' => 'a1', 'learner' => 'Ada P.', 'badge' => ['id' => 'rigger', 'version' => 2, 'name' => 'Rigger'], 'decided_on' => '2026-11-24', 'by_hand' => true,
        'requirements' => [
            ['name' => 'Overhand: tied without help, and again on a later day', 'met_on' => '2026-11-17'],
            ['name' => 'Clove-hitch: tied, dressed and finished without help', 'met_on' => '2026-11-10'],
            ['name' => 'Sheet-bend: tied, dressed and finished without help', 'met_on' => '2026-11-03'],
            ['name' => 'Says: what a bowline is for', 'met_on' => '2026-11-24'],
        ],
    ]);
});

it('names what is lacking of a badge that was given by hand', function (): void {
    $slip = slipOf(['choose' => 1, 'among' => 2, 'met' => false, 'parts' => [
        ['choose' => 2, 'among' => 2, 'met' => false, 'parts' => [['knot' => 'bowline', 'level' => 'uses_it', 'words' => 'a tripod', 'met' => false], ['knot' => 'overhand', 'level' => 'seen', 'met' => true, 'since' => ['day' => '2026-11-03']]]],
        ['knot' => 'sheepshank', 'level' => 'has_it', 'met' => false],
    ]]);
    expect($slip->requirements)->toBe([['name' => 'Bowline: put to use, in a tripod', 'met_on' => null], ['name' => 'Overhand: has been shown it', 'met_on' => '2026-11-03']]);
    expect(Slip::of(Fields::of(['id' => 'a', 'badge' => 'b', 'version' => 1, 'name' => 'B', 'decided_on' => '2026-11-24', 'by_hand' => true, 'proof' => []]), 'Ada P.', ucfirst(...))->requirements)->toBe([]);
});

it('believes no more of an answer than was asked', function (): void {
    $answer = [
        'receipts' => [['award' => 'b', 'receipt' => 'R-2'], ['award' => 'a', 'receipt' => ' R-1 '], ['award' => 'a', 'receipt' => 'R-9'], ['award' => 'x', 'receipt' => 'R-3'], ['award' => 'both', 'receipt' => 'R-4']],
        'refused' => [['award' => 'c', 'requirement' => 'Bowline', 'reason' => str_repeat('no ', 400)], ['award' => 'both', 'requirement' => null, 'reason' => ''], ['award' => 'd']],
    ];
    $told = Reply::ofList(Fields::of($answer), ['a', 'b', 'c', 'd', 'both', 'silent']);
    expect($told)->toHaveCount(4)->and($told[0])->toEqual(new Told('a', true, 'R-1'))->and($told[1])->toEqual(new Told('b', true, 'R-2'))->and($told[3])->toEqual(new Told('d', false));
    expect($told[2])->requirement->toBe('Bowline')->and(mb_strlen((string) $told[2]->reason))->toBe(500);
    foreach ([[], ['receipts' => []], ['receipts' => [['award' => 'a']], 'refused' => []], ['receipts' => [['award' => 'a', 'receipt' => ' ']], 'refused' => []], ['receipts' => 'yes', 'refused' => []], ['receipts' => [7], 'refused' => []]] as $none) {
        expect(fn () => Reply::ofList(Fields::of($none), ['a']))->toThrow(Trouble::class, 'cannot be read');
    }
});

it('takes a refusal only for the list that it was said of, and a receipt for any', function (): void {
    $known = static fn (string $award, string $state, string $key): array => ['award' => $award, 'state' => $state, 'receipt' => $state === 'refused' ? null : "R-$award", 'requirement' => 'Bowline', 'reason' => 'No.', 'key' => $key];
    $asked = [new OnList('a', 'now'), new OnList('b', 'now'), new OnList('c', 'now'), new OnList('d', 'now'), new OnList('e', 'now')];
    $told = Reply::ofAsking(Fields::of(['awards' => [$known('a', 'taken', 'before'), $known('b', 'refused', 'before'), $known('c', 'refused', 'now'), $known('d', 'taken_back', 'now'), $known('e', 'pending', 'now'), $known('x', 'taken', 'now')]]), $asked);
    expect($told)->toEqual([new Told('a', true, 'R-a'), new Told('c', false, null, 'Bowline', 'No.'), new Told('d', true, 'R-d')]);
    expect(fn () => Reply::ofAsking(Fields::of(['awards' => [['award' => 'a']]]), $asked))->toThrow(Trouble::class, 'cannot be read');
});
