<?php

declare(strict_types=1);

use Compadre\Core\Refusal;

require_once __DIR__.'/planning.php';

it('teaches part of a group where all together do not fit', function (): void {
    // Timber hitch, 3 minutes, in a room of 5: 3 x 1.6 + 0.25 = 5.05 for the youngest does not fit, 3 x 0.85 + 0.5 x 2 / 2 for the others does.
    $plan = planOfTerm(wholeTerm([termLearner('a', '14+'), termLearner('b', '5-7'), termLearner('c', '14+')], [termBadge(['timber-hitch' => 'has_it'])], [termMeeting(0, 15, 2)]));
    expect($plan['objective'][0])->toBe(1)->and($plan['objective'][1])->toBe(1 + 2 + 1);
    expect($plan['unmet'][0])->toMatchArray(['learner' => 'b', 'cause' => 'room', 'remedy' => ['change' => ['kind' => 'minutes', 'what' => 'm0', 'by' => 10], 'brings' => 1, 'tried' => true]]);
});

it('catches up a chain of two knots in one meeting, and lets nobody else wait for it', function (): void {
    $ten = array_map(static fn (int $number): array => termLearner("l$number", more: $number === 9 ? ['away' => ['m0']] : []), range(0, 9));
    $plan = planOfTerm(wholeTerm($ten, [termBadge(['two-half-hitches' => 'has_it'])], [termMeeting(0, 60, 2), termMeeting(1, 60, 2)]));
    // Nine in the first meeting, the tenth in the second.
    expect(array_slice($plan['objective'], 0, 2))->toBe([0, 11])->and($plan['proven'])->toBeGreaterThanOrEqual(2);
    // Half hitch 2 minutes and two half hitches 4, of which nobody knew anything: 0.3 x (0.5 + 0.5) and 0.3 x (0.5 + 1) for each of nine.
    expect($plan['meetings'][1]['again_minutes'])->toEqualWithDelta(9 * (0.3 * 1 + 0.3 * 1.5), 1e-9);
});

it('chooses of an n-of what can still be met', function (array $more, array $meetings, string $level): void {
    $choice = ['requirement' => ['choose' => 1, 'of' => [['knot' => 'half-hitch', 'level' => $level], ['knot' => 'clove-hitch', 'level' => 'has_it']]]];
    $badge = termBadge(['half-hitch' => 'has_it']);
    $badge['pack'] = $choice + $badge['pack'];
    expect(planOfTerm(wholeTerm([termLearner('a')], [$badge], $meetings, $more))['objective'][0])->toBe(0);
})->with([
    'banned' => [['bans' => [['what' => 'half-hitch', 'meeting' => null]]], [termMeeting(0, 40, 1)], 'has_it'],
    'pinned away' => [['pins' => [['knot' => 'half-hitch', 'meeting' => null]]], [termMeeting(0, 40, 1)], 'has_it'],
    'without a second day' => [[], [termMeeting(0, 40, 1)], 'kept'],
]);

it('teaches nothing new to one who only has to tie again', function (): void {
    $choice = ['requirement' => ['choose' => 1, 'of' => [['knot' => 'timber-hitch', 'level' => 'kept'], ['knot' => 'half-hitch', 'level' => 'kept']]]];
    $badge = termBadge(['half-hitch' => 'has_it']);
    $badge['pack'] = $choice + $badge['pack'];
    $plan = planOfTerm(wholeTerm([termLearner('a', more: ['levels' => ['half-hitch' => 'has_it']])], [$badge], [termMeeting(0, 40, 1), termMeeting(1, 40, 1)]));
    expect(array_slice($plan['objective'], 0, 2))->toBe([0, 1])->and(array_merge(...array_column($plan['meetings'], 'rounds')))->toBe([])->and($plan['meetings'][0]['old'][0]['knot'])->toBe('half-hitch');
});

it('keeps a knot on another date only', function (): void {
    $plan = planOfTerm(wholeTerm([termLearner('a')], [termBadge(['overhand' => 'kept'])], [termMeeting(0, 40, 1), ['id' => 'm1'] + termMeeting(0, 40, 1)]));
    expect($plan['objective'][0])->toBe(1)->and($plan['unmet'][0])->toMatchArray(['cause' => 'date'])->and($plan['unmet'][0]['remedy']['change'])->toBe(['kind' => 'meeting', 'what' => '2026-09-11', 'by' => 1]);
});

it('keeps time for old knots that are due, up to the share, and no more', function (): void {
    // Overhand known with 7 days since 1 September: due on the 11th, as an old knot 2 + 0.25 minutes. Half hitch for one: 2 + 0.5.
    $known = ['levels' => ['overhand' => 'has_it']];
    $fits = static fn (float $room): int => planOfTerm(wholeTerm([termLearner('a', more: $known)], [termBadge(['half-hitch' => 'has_it'])], [termMeeting(1, 20, 1, ['opening' => 20 - $room, 'closing' => 0])]))['objective'][0];
    expect($fits(4.75))->toBe(0)->and($fits(4.7))->toBe(1);
    // Three days after the first day nothing is due yet.
    expect(planOfTerm(wholeTerm([termLearner('a', more: $known)], [termBadge(['half-hitch' => 'has_it'])], [termMeeting(0, 20, 1, ['opening' => 17.5, 'closing' => 0])]))['objective'][0])->toBe(0);
});

it('puts patrols at stations of their own, and as many stations on poles as there are poles', function (): void {
    $four = [termLearner('a', more: ['patrol' => 'Otter']), termLearner('b', more: ['patrol' => 'Otter']), termLearner('c', more: ['patrol' => 'Heron']), termLearner('d')];
    $one = static fn (array $more): array => planOfTerm(wholeTerm($four, [termBadge(['timber-hitch' => 'has_it'])], [termMeeting(0, 40, 3, $more)]))['meetings'][0]['rounds'];
    foreach ($one([]) as $round) {
        foreach ($round['stations'] as $station) {
            expect(array_intersect(['a', 'b'], $station['learners']) === [] || ! in_array('c', $station['learners'], true))->toBeTrue();
        }
    }
    expect($one([]))->toHaveCount(1)->and(count($one([])[0]['stations']))->toBeGreaterThan(1);
    // With one pole the patrols come one after the other; with none, the hitch cannot be tied.
    expect($one(['objects' => ['pole' => 1]]))->toHaveCount(2)->and($one(['objects' => ['ring' => 4]]))->toBe([]);
});

it('lets one who has learned a knot help another with it', function (): void {
    $plan = planOfTerm(wholeTerm([termLearner('a'), ['badges' => []] + termLearner('b')], [termBadge(['half-hitch' => 'teaches_it'])], [termMeeting(0, 40, 1)]));
    expect($plan['objective'][0])->toBe(0)->and($plan['meetings'][0]['rounds'])->toHaveCount(2)->and($plan['meetings'][0]['rounds'][1]['stations'][0])->toMatchArray(['learners' => ['b'], 'helpers' => ['a']]);
});

it('teaches one who needs nothing even what comes before a knot, if that lets another help with it', function (): void {
    // Square knot comes after the overhand. Ada learns both, and helps Ben, who has no badge, with one and the other.
    $plan = planOfTerm(wholeTerm([termLearner('ada'), ['badges' => []] + termLearner('ben')], [termBadge(['square-knot' => 'teaches_it'])], [termMeeting(0, 60, 1)]));
    expect($plan['objective'][0])->toBe(0)->and($plan['proven'])->toBe(4);
    $helped = array_merge([], ...array_map(static fn (array $round): array => array_filter($round['stations'], static fn (array $station): bool => $station['helpers'] === ['ada']), $plan['meetings'][0]['rounds']));
    expect(array_column($helped, 'knot'))->toBe(['overhand', 'square-knot'])->and(array_column($helped, 'learners'))->toBe([['ben'], ['ben']]);
});

it('puts a knot to use in the rig that a badge names, in minutes of its own', function (): void {
    $badge = termBadge(['half-hitch' => 'uses_it']);
    $badge['pack']['requirement']['all'][0]['in'] = 'the frame';
    $rigs = static fn (string ...$ids): array => ['rigs' => array_map(static fn (string $id): array => ['id' => $id, 'minutes' => 20, 'knots' => ['half-hitch']], $ids)];
    $plan = planOfTerm(wholeTerm([termLearner('a')], [$badge], [termMeeting(0, 40, 1)], $rigs('bridge', 'frame')));
    expect($plan['objective'][0])->toBe(0)->and($plan['meetings'][0]['blocks'])->toBe([['rig' => 'frame', 'learners' => ['a'], 'knots' => ['half-hitch'], 'minutes' => 20.0]]);
    // 30 minutes of room hold the frame; 20 hold it no more beside the lesson. Where no rigs are known, the knot is enough.
    expect(planOfTerm(wholeTerm([termLearner('a')], [$badge], [termMeeting(0, 30, 1)], $rigs('frame')))['objective'][0])->toBe(1);
    expect(planOfTerm(wholeTerm([termLearner('a')], [$badge], [termMeeting(0, 30, 1)]))['objective'][0])->toBe(0);
    expect(planOfTerm(wholeTerm([termLearner('a')], [$badge], [termMeeting(0, 40, 1)], $rigs('bridge')))['objective'][0])->toBe(1);
});

it('refuses pins that cannot all hold, naming all', function (): void {
    $pins = [['knot' => 'bowline', 'meeting' => 'm0'], ['knot' => 'overhand', 'meeting' => 'm1']];
    $plan = static fn (array $pins): array => planOfTerm(wholeTerm([termLearner('a')], [termBadge(['bowline' => 'has_it'])], [termMeeting(0, 40, 1), termMeeting(1, 40, 1)], ['pins' => $pins]));
    expect(static fn (): array => $plan($pins))->toThrow(Refusal::class, 'bowline at m0, overhand at m1');
    // By itself the second holds: what comes before the bowline comes in the second meeting, and the bowline after it.
    expect($plan([$pins[1]])['objective'][0])->toBe(0)->and($plan([$pins[1]])['meetings'][0]['rounds'])->toBe([]);
});

it('pins a knot for some and leaves the others free', function (): void {
    $plan = planOfTerm(wholeTerm([termLearner('a'), termLearner('b')], [termBadge(['overhand' => 'has_it'])], [termMeeting(0, 40, 1), termMeeting(1, 40, 1)], ['pins' => [['knot' => 'overhand', 'meeting' => 'm1', 'learners' => ['b']]]]));
    expect($plan['objective'][1])->toBe(1 + 2)->and($plan['meetings'][1]['rounds'][0]['stations'][0]['learners'])->toBe(['b']);
});

it('completes a badge with those it comes after, whenever those are met', function (): void {
    $badges = [termBadge(['overhand' => 'has_it'], ['pack' => ['after' => ['first']]]), termBadge(['half-hitch' => 'has_it'], id: 'first')];
    $both = ['badges' => ['b', 'first']] + termLearner('a');
    $late = ['pins' => [['knot' => 'half-hitch', 'meeting' => 'm1']]];
    expect(planOfTerm(wholeTerm([$both], $badges, [termMeeting(0, 40, 1), termMeeting(1, 40, 1)], $late))['objective'][1])->toBe(2 + 2);
    // Whoever does not pursue the first completes the other by itself.
    expect(planOfTerm(wholeTerm([termLearner('a')], $badges, [termMeeting(0, 40, 1), termMeeting(1, 40, 1)]))['objective'][1])->toBe(1);
});

it('counts by a firm date, and by the end of the term for one only wished', function (): void {
    $late = [termMeeting(0, 40, 1, ['objects' => []]), termMeeting(1, 40, 1)];
    foreach ([[true, 1], [false, 0]] as [$firm, $unmet]) {
        $plan = planOfTerm(wholeTerm([termLearner('a')], [termBadge(['clove-hitch' => 'has_it'], ['due_on' => '2026-09-04', 'firm' => $firm])], $late));
        expect($plan['objective'][0])->toBe($unmet);
    }
});

it('reckons what is forgotten 28 days after the last meeting', function (): void {
    // Learned on 4 September and tied again on the 11th: 7 x 2.2 = 15.4 days, 28 later. Without the second day 7 days, 28 later.
    $twice = planOfTerm(wholeTerm([termLearner('a')], [termBadge(['half-hitch' => 'has_it'])], [termMeeting(0, 40, 1), termMeeting(1, 40, 1)]));
    expect($twice['objective'][2])->toBe(round(1 - 2 ** (-28 / 15.4), 1));
    $once = planOfTerm(wholeTerm([termLearner('a')], [termBadge(['half-hitch' => 'has_it'])], [termMeeting(0, 40, 1)]));
    expect($once['objective'][2])->toBe(round(1 - 2 ** (-28 / 7), 1));
});

it('keeps its promises to people where that costs nothing that comes first, and tells those it moves', function (): void {
    $term = static fn (array $previous, array $more = []): array => planOfTerm(wholeTerm([termLearner('a'), termLearner('b')], [termBadge(['half-hitch' => 'kept', 'timber-hitch' => 'kept'])], [termMeeting(0, 16, 1), termMeeting(1, 30, 1), termMeeting(2, 30, 1)], ['previous' => $previous] + $more));
    $before = $term([]);
    $promises = [];
    foreach ($before['meetings'] as $meeting) {
        foreach ($meeting['rounds'] as $round) {
            foreach ($round['stations'] as $station) {
                foreach ($station['learners'] as $learner) {
                    $promises[] = ['learner' => $learner, 'knot' => $station['knot'], 'kind' => 'lesson', 'meeting' => $meeting['id']];
                }
            }
        }
        foreach ($meeting['old'] as $old) {
            foreach ($old['learners'] as $learner) {
                $promises[] = ['learner' => $learner, 'knot' => $old['knot'], 'kind' => 'old', 'meeting' => $meeting['id']];
            }
        }
    }
    $after = $term($promises);
    expect($promises)->not->toBe([])->and($after['moved'])->toBe([])->and($after['objective'])->toBe($before['objective']);
    // Who is not expected any more cannot be kept to it.
    $first = $promises[0];
    $gone = $term($promises, ['bans' => [['what' => $first['knot'], 'meeting' => $first['meeting']]]]);
    $moved = array_values(array_filter($gone['moved'], static fn (array $move): bool => $move['learner'] === $first['learner'] && $move['knot'] === $first['knot'] && $move['kind'] === 'lesson'));
    expect($moved[0]['from'])->toBe($first['meeting'])->and($moved[0]['to'])->not->toBe($first['meeting']);
});

it('names the one cause whose lifting would do', function (array $learner, array $more, array $meetings, string $cause): void {
    $plan = planOfTerm(wholeTerm([termLearner('a', '5-7', $learner)], [termBadge(['clove-hitch' => 'has_it'], $more['badge'] ?? [])], $meetings, array_diff_key($more, ['badge' => true])));
    expect($plan['unmet'])->toHaveCount(1)->and($plan['unmet'][0]['cause'])->toBe($cause);
})->with([
    'a ban' => [[], ['bans' => [['what' => 'hitch', 'meeting' => null]]], [termMeeting(0, 40, 1)], 'ban'],
    'a pin' => [[], ['pins' => [['knot' => 'clove-hitch', 'meeting' => null]]], [termMeeting(0, 40, 1)], 'pin'],
    'nothing to tie to' => [[], [], [termMeeting(0, 40, 1, ['objects' => []])], 'object'],
    'the date' => [[], ['badge' => ['due_on' => '2026-09-05']], [termMeeting(0, 40, 1, ['objects' => []]), termMeeting(1, 40, 1)], 'object'],
    'no meeting in time' => [[], ['badge' => ['due_on' => '2026-09-02']], [termMeeting(0, 40, 1)], 'date'],
    'away' => [['away' => ['m0']], [], [termMeeting(0, 40, 1)], 'presence'],
    'no room' => [[], [], [termMeeting(0, 12, 1)], 'room'],
]);

it('says that nobody is there to be helped', function (): void {
    $plan = planOfTerm(wholeTerm([termLearner('ada', more: ['levels' => ['half-hitch' => 'has_it']])], [termBadge(['half-hitch' => 'teaches_it'])], [termMeeting(0, 40, 1)]));
    expect($plan['unmet'][0])->toMatchArray(['leaf' => ['knot' => 'half-hitch', 'level' => 'teaches_it'], 'cause' => 'presence']);
});

it('takes as many new knots as the age allows, and known ones beside them', function (): void {
    $badge = termBadge(['overhand' => 'has_it', 'half-hitch' => 'has_it', 'timber-hitch' => 'has_it']);
    $unmet = static fn (string $band, array $more = [], array $settings = []): int => planOfTerm(['settings' => ['pace' => 'soon'] + $settings] + wholeTerm([termLearner('a', $band, $more)], [$badge], [termMeeting(0, 60, 1)]))['objective'][0];
    expect([$unmet('5-7'), $unmet('8-10'), $unmet('11-13')])->toBe([2, 1, 0])->and($unmet('5-7', ['levels' => ['overhand' => 'seen']]))->toBe(1)->and($unmet('5-7', [], ['new_knots' => 3]))->toBe(0);
});
