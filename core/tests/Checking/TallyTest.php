<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Standing;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Checking\Tally;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

function sent(int $n, string $at, Verdict $verdict = Verdict::HasIt, array $more = []): CheckEvent
{
    $about = $more + ['kind' => Kind::Result, 'device' => 'phone', 'seq' => $n, 'by' => 'maren', 'target' => null, 'day' => substr($at, 0, 10)];

    return new CheckEvent("check-$n", $about['kind'], 'ada', 'bowline', $about['device'], $about['seq'], $at, $about['day'], $about['by'], $verdict, Seen::Yes, Seen::Yes, Seen::Yes, 0, $about['target']);
}

/** As it lies in the database between two requests. */
function keptTally(Tally $tally): Tally
{
    return Tally::from(Fields::of(Json::arrays(Json::read(Json::write($tally->toArray())))), 'ada', 'bowline');
}

/** What a standing is shown by. */
function face(Standing $one): array
{
    return [$one->level, $one->current->id, $one->current->day, $one->leaders, $one->hasItSince, $one->keptSince, $one->memory?->halfLife, $one->memory?->lastDay, $one->tally?->toArray()];
}

it('comes, check by check, to what all of them together come to', function (int $seed): void {
    mt_srand($seed);
    $moments = array_map(static fn (): string => sprintf('2026-%02d-%02d %02d:%02d:00.000', mt_rand(9, 11), mt_rand(1, 6) * 4, mt_rand(18, 20), mt_rand(0, 59)), range(1, 60));
    sort($moments);
    $events = [];
    foreach ($moments as $n => $at) {
        // Now and then a phone's clock is behind, what was had before is written down, or a meeting of another day is named.
        $events[] = sent($n, $n % 17 === 16 ? $moments[$n - 9] : $at, Verdict::cases()[mt_rand(0, 5)], [
            'kind' => mt_rand(0, 14) === 0 ? Kind::Prior : Kind::Result, 'device' => ['phone', 'tablet', '7'][mt_rand(0, 2)], 'by' => ['maren', 'tobin'][mt_rand(0, 1)],
            ...(mt_rand(0, 9) === 0 ? ['day' => '2026-10-13'] : []),
        ]);
    }
    // Some arrive late.
    foreach ([10, 25, 40] as $late) {
        [$events[$late], $events[$late + 5]] = [$events[$late + 5], $events[$late]];
    }
    $arrived = [];
    $tally = null;
    $added = 0;
    foreach ($events as $event) {
        $arrived[] = $event;
        $whole = Standings::derive($arrived, ['bowline'])[0];
        $next = $tally?->with($event);
        if ($next instanceof Tally) {
            $added++;
            expect(face(Standing::ofTally($next, true, MemoryModel::usual())))->toBe(face($whole));
        }
        $tally = keptTally($whole->tally);
    }
    expect($added)->toBeGreaterThan(40)->toBeLessThan(60);
})->with([1, 2, 3, 4, 5, 6, 7, 8]);

it('keeps of checks that say the same on one day only the first', function (): void {
    $evening = array_map(static fn (int $n): CheckEvent => sent($n, sprintf('2026-11-03 19:%02d:00.000', $n)), range(1, 30));
    $tally = Standings::derive([...$evening, sent(31, '2026-11-10 19:00:00.000')])[0]->tally;
    expect($tally->toArray()['seen'])->toBe([
        ['2026-11-03', 'has_it', false, 'maren', '2026-11-03 19:01:00.000', 'phone', 1, 'check-1'],
        ['2026-11-10', 'has_it', false, 'maren', '2026-11-10 19:00:00.000', 'phone', 31, 'check-31'],
    ]);
    expect($tally->toArray()['devices'])->toBe([['phone', 31, '2026-11-10 19:00:00.000']]);
    $kept = Standing::ofTally($tally->with(sent(32, '2026-11-17 19:00:00.000')), false, MemoryModel::usual());
    // 7 days, and twice a later day with a clean pass: 7 x 2.2 x 2.2.
    expect($kept->level)->toBe(Level::Kept)->and($kept->keptSince)->toBe('2026-11-10')->and($kept->memory->halfLife)->toEqualWithDelta(33.88, 1e-9);
});

it('takes in what comes late from another device, in its place', function (): void {
    $week = [sent(4, '2026-11-03 19:00:00.000', Verdict::TieAgain), sent(5, '2026-11-10 19:00:00.000', Verdict::WithHelp)];
    $late = sent(1, '2026-11-03 19:30:00.000', Verdict::HasIt, ['device' => 'tablet', 'by' => 'tobin']);
    $standing = Standing::ofTally(Standings::derive($week)[0]->tally->with($late), false, MemoryModel::usual());
    expect($standing->current->id)->toBe('check-5')->and($standing->level)->toBe(Level::HasIt)->and($standing->hasItSince)->toBe('2026-11-03');
    expect(face($standing))->toBe(face(Standings::derive([...$week, $late])[0]));
});

it('does not take in what has to be held against the others', function (): void {
    $tally = Standings::derive([sent(4, '2026-11-03 19:00:00.000'), sent(2, '2026-11-03 19:05:00.000', more: ['device' => 'tablet'])])[0]->tally;
    // Its own device has counted on: what that one recorded since may move.
    expect($tally->with(sent(3, '2026-11-03 19:10:00.000')))->toBeNull();
    expect($tally->with(sent(4, '2026-11-03 19:10:00.000')))->toBeNull();
    expect($tally->with(sent(5, '2026-11-03 18:00:00.000')))->not->toBeNull();
    foreach ([Kind::Retract, Kind::Overrule] as $kind) {
        expect($tally->with(sent(9, '2026-11-04 19:00:00.000', more: ['kind' => $kind, 'target' => 'check-4'])))->toBeNull();
        // Also one whose check has not arrived yet.
        expect(Standings::derive([sent(4, '2026-11-03 19:00:00.000'), sent(9, '2026-11-04 19:00:00.000', Verdict::TieAgain, ['kind' => $kind, 'target' => 'check-1'])])[0]->tally)->toBeNull();
    }
});

it('tells apart devices whose names look like numbers', function (): void {
    $at = '2026-11-03 19:00:00.000';
    $standing = Standings::derive([sent(1, $at, Verdict::TieAgain, ['device' => '1000']), sent(2, $at, Verdict::HasIt, ['device' => '1e3'])])[0];
    expect($standing->current->device)->toBe('1e3');
    expect(array_column(keptTally($standing->tally)->toArray()['devices'], 0))->toBe(['1000', '1e3']);
});

it('says what is wrong with a tally that was tampered with', function (array $change, string $field): void {
    $good = Standings::derive([sent(1, '2026-11-03 19:00:00.000')])[0]->tally->toArray();
    try {
        Tally::from(Fields::of($change + $good), 'ada', 'bowline');
        expect(true)->toBeFalse();
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field);
    }
})->with([
    [['seen' => [['2026-11-03', 'has_it', 'maren']]], '/seen/0'],
    [['current' => []], '/current/id'],
    [['devices' => [['phone', 1, '2026-11-03 19:00:00.000'], 'tablet']], '/devices/1'],
]);
