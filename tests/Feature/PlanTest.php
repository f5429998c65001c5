<?php

declare(strict_types=1);

use App\Models\BlockRun;
use App\Models\Meeting;
use App\Models\PlanPlace;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

it('shows what a move would come to, without making it, and makes it when asked', function (): void {
    [, , [$tonight, , $last]] = $this->term();
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['places']['overhand'])->toBe($tonight->id)->and($course['unmet'])->toBe([])->and($course['proven'])->toBeGreaterThanOrEqual(1);
    // Shown on the last evening, the overhand cannot be kept any more.
    $asked = $this->api('POST', '/api/course/what-if', ['moves' => [['knot' => 'overhand', 'meeting' => $last->id]]])->assertOk()->json();
    expect($asked['unmet'])->toBe(['before' => 0, 'after' => 5]);
    expect($asked['lost'][0])->toMatchArray(['knot' => 'overhand', 'level' => 'kept'])->and($asked['lost'][0]['learners'])->toContain('Ada P.');
    expect($asked['moves'])->toContain(['knot' => 'overhand', 'from' => $tonight->id, 'to' => $last->id]);
    expect($asked['badges'][0])->toMatchArray(['badge' => 'lantern-hand', 'before' => 5, 'after' => 0]);
    expect(PlanPlace::query()->count())->toBe(0);
    $after = $this->api('PUT', '/api/course/plan', ['moves' => [['knot' => 'overhand', 'meeting' => $last->id]]])->assertOk()->json();
    expect($after['places']['overhand'])->toBe($last->id)->and($after['pinned'])->toBe(['overhand']);
    // What stands is offered to be put right, but not put right by itself: a leader pinned it.
    expect($this->api('GET', '/api/course')->json('places.overhand'))->toBe($last->id);
    $freed = $this->api('DELETE', '/api/course/knots/overhand')->assertOk()->json();
    expect($freed['places']['overhand'])->not->toBe($last->id)->and($freed['unmet'])->toBe([])->and($freed['pinned'])->toBe([]);
});

it('answers what if with more time, helpers and meetings', function (): void {
    [$group, , $meetings] = $this->term();
    array_map(fn (Meeting $meeting) => $meeting->update(['minutes' => 20, 'checkers' => 1]), $meetings);
    $now = $this->api('POST', '/api/course/what-if', ['moves' => []])->assertOk()->json('unmet');
    expect($now['before'])->toBe($now['after'])->toBeGreaterThan(0);
    foreach ([['minutes' => 20], ['meetings' => 3]] as $more) {
        $then = $this->api('POST', '/api/course/what-if', $more)->json('unmet');
        expect($then['after'])->toBeLessThan($then['before']);
    }
    $this->refused($this->api('POST', '/api/course/what-if', ['minutes' => 600]), '/minutes', 'at most 60');
    $this->refused($this->api('POST', '/api/course/what-if', ['moves' => [['knot' => 'overhand', 'meeting' => '0']]]), '/moves/0/meeting', 'a meeting still to come');
    $this->become($this->person($group, Role::Helper, 'wren@gullwick.example'));
    $this->api('PUT', '/api/course/plan', ['moves' => []])->assertStatus(403);
});

it('proposes a plan when the one that stands is overtaken, and leaves the choice', function (): void {
    [$group, , [$tonight]] = $this->term();
    $group->update(['pace' => 'soon']);
    // Hardly anything can be taught tonight, so the badge is promised for later.
    $this->api('PUT', "/api/meetings/{$tonight->id}", ['minutes' => 15])->assertOk();
    expect($this->api('PUT', '/api/course/plan', ['as_it_stands' => true])->assertOk()->json('accepted'))->toBeTrue();
    expect($this->api('GET', '/api/course/outlook')->json('proposal'))->toBeNull();
    $this->api('PUT', "/api/meetings/{$tonight->id}", ['minutes' => 60])->assertOk();
    $course = $this->api('GET', '/api/course')->json();
    $proposal = $this->api('GET', '/api/course/outlook')->assertOk()->json('proposal');
    expect($proposal['lessons'])->toBeGreaterThan(0)->and($proposal['badges'][0]['sooner'] + $proposal['badges'][0]['after'] - $proposal['badges'][0]['before'])->toBeGreaterThan(0);
    // What was promised stands until a leader says otherwise.
    expect($this->api('GET', '/api/course')->json('places'))->toBe($course['places']);
    $accepted = $this->api('PUT', '/api/course/plan', ['anew' => true])->assertOk()->json();
    expect($this->api('GET', '/api/course/outlook')->json('proposal'))->toBeNull()->and($accepted['places'])->not->toBe($course['places']);
});

/** @return array<string, string> the meeting of each lesson, by learner and knot, as the course tells it */
function toldLessons(array $course): array
{
    $told = [];
    foreach ($course['meetings'] as $meeting) {
        foreach ($meeting['blocks'] as $block) {
            foreach (in_array($block['kind'], ['new', 'again'], true) ? [$block, ...$block['beside']] : [] as $station) {
                foreach ($station['learners'] as $learner) {
                    $told["$learner $station[knot]"] = $meeting['id'];
                }
            }
        }
    }
    ksort($told);

    return $told;
}

it('keeps its promises when a helper cancels and when somebody is away, and says who is where', function (): void {
    [, $learners, [$tonight, $next]] = $this->term();
    $told = toldLessons($this->api('PUT', '/api/course/plan', ['as_it_stands' => true])->assertOk()->json());
    expect(count($told))->toBeGreaterThan(10)->and(DB::table('plan_people')->count())->toBeGreaterThanOrEqual(count($told));
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$learners[0]->id}", ['present' => false])->assertNoContent();
    $now = toldLessons($this->api('GET', '/api/course')->json());
    foreach ($told as $who => $meeting) {
        if (! str_starts_with($who, $learners[0]->id)) {
            expect($now[$who] ?? null)->toBe($meeting);
        } elseif ($meeting === $tonight->id) {
            expect($now[$who] ?? null)->not->toBe($meeting);
        }
    }
    // One less to check: what still fits stays where it was promised.
    $this->api('PUT', "/api/meetings/{$tonight->id}", ['checkers' => 1])->assertOk();
    $course = $this->api('GET', '/api/course')->json();
    foreach ($course['meetings'] as $meeting) {
        foreach ($meeting['blocks'] as $block) {
            expect($block['checkers'] + array_sum(array_column($block['beside'], 'checkers')))->toBeLessThanOrEqual($meeting['checkers']);
        }
    }
    expect(array_keys($course['people']))->toEqualCanonicalizing(array_map(fn ($one): string => $one->id, $learners));
    // A learner who is erased leaves nothing in the plan.
    $this->api('DELETE', "/api/learners/{$learners[1]->id}")->assertOk();
    expect(DB::table('plan_people')->where('learner_id', $learners[1]->id)->count())->toBe(0)->and($this->api('GET', '/api/course')->assertOk()->json('accepted'))->toBeTrue();
});

it('tries a remedy without doing it, and does it at one word', function (): void {
    [$group, , $meetings] = $this->term();
    array_map(fn (Meeting $meeting) => $meeting->update(['minutes' => 16, 'checkers' => 1]), $meetings);
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['unmet'])->not->toBe([])->and($course['missing'])->toBeGreaterThan(0)->and($course['bound'])->toBeLessThanOrEqual($course['missing']);
    foreach ($course['unmet'] as $need) {
        expect($need['remedy']['tried'])->toBeFalse()->and($need['learners'])->not->toBe([]);
    }
    foreach ([['kind' => 'minutes', 'what' => $meetings[0]->id, 'by' => 30], ['kind' => 'meeting', 'what' => '2026-12-15', 'by' => 1], ['kind' => 'checker', 'what' => $meetings[1]->id, 'by' => 1]] as $remedy) {
        $asked = $this->api('POST', '/api/course/what-if', ['remedy' => $remedy])->assertOk()->json('unmet');
        expect($this->api('GET', '/api/course')->json('missing'))->toBe($asked['before'])->and($asked['after'])->toBeLessThanOrEqual($asked['before']);
    }
    $after = $this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'minutes', 'what' => $meetings[0]->id, 'by' => 30]])->assertOk()->json();
    expect($after['missing'])->toBeLessThan($course['missing'])->and($meetings[0]->refresh()->minutes)->toBe(46)->and($after['accepted'])->toBeTrue();
    expect($this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'meeting', 'what' => '2026-12-15', 'by' => 1]])->assertOk()->json('meetings'))->toHaveCount(4);
    expect(Meeting::query()->orderByDesc('date')->firstOrFail()->only('date', 'minutes', 'checkers'))->toBe(['date' => '2026-12-15', 'minutes' => 16, 'checkers' => 1]);
    $this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'drop', 'what' => 'bowline', 'by' => 1]])->assertOk();
    expect($this->api('GET', '/api/course')->json('pinned'))->toBe(['bowline']);
    $this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'unpin', 'what' => 'bowline', 'by' => 1]])->assertOk()->assertJson(['pinned' => []]);
    $group->badges()->update(['due_on' => '2026-12-01']);
    $this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'date', 'what' => 'lantern-hand', 'by' => 7]])->assertOk();
    expect($group->badges()->where('badge', 'lantern-hand')->value('due_on'))->toBe('2026-12-08');
    $this->refused($this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'minutes', 'what' => 'gone', 'by' => 10]]), '/remedy/what', 'a meeting still to come');
    $this->refused($this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'date', 'what' => 'no-badge', 'by' => 7]]), '/remedy/what', 'a badge that has a date');
    $this->refused($this->api('PUT', '/api/course/remedy', ['remedy' => ['kind' => 'hope', 'what' => 'x', 'by' => 1]]), '/remedy/kind');
});

it('counts what comes after a date that is only wished', function (): void {
    [$group, , $meetings] = $this->term();
    array_map(fn (Meeting $meeting) => $meeting->update(['minutes' => 30, 'checkers' => 1]), $meetings);
    $choose = fn (array $how) => $this->api('PUT', '/api/group/badges/lantern-hand', ['due_on' => '2026-11-25'] + $how)->assertNoContent();
    $missing = fn (): int => $this->api('GET', '/api/course')->assertOk()->json('missing');
    $choose([]);
    $firm = $missing();
    expect($group->badges()->where('badge', 'lantern-hand')->firstOrFail()->firm)->toBeTrue()->and($firm)->toBeGreaterThan(0);
    $choose(['firm' => false]);
    expect($missing())->toBeLessThan($firm)->and(collect($this->api('GET', '/api/group')->json('badges'))->firstWhere('id', 'lantern-hand'))->toMatchArray(['due_on' => '2026-11-25', 'firm' => false]);
});

it('asks for the knot alone where a badge wants it used in what is no rig here', function (): void {
    [$group] = $this->term();
    $group->badges()->delete();
    $pack = fn (string $in): array => ['id' => 'harbour', 'name' => 'Harbour', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => [['knot' => 'larks-head', 'level' => 'uses_it', 'in' => $in]]]];
    $this->api('POST', '/api/group/badges', ['pack' => $pack('The lantern on the mole'), 'only_check' => false])->assertCreated();
    $this->api('PUT', '/api/group/badges/harbour', ['due_on' => null])->assertNoContent();
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['missing'])->toBe(0)->and($course['places'])->toHaveKey('larks-head');
});

it('lets a leader choose the pace, with what either comes to beside the other', function (): void {
    [, , [$tonight]] = $this->term();
    $outlook = $this->api('GET', '/api/course/outlook')->assertOk()->json();
    foreach (['soon', 'keep'] as $pace) {
        expect($outlook['paces'][$pace]['completed']['badges'])->toBe(5)->and($outlook['paces'][$pace]['remembered']['on'])->toBe('2027-01-05');
    }
    expect($outlook['paces']['soon']['completed']['meetings'])->toBeLessThanOrEqual($outlook['paces']['keep']['completed']['meetings']);
    expect($outlook['paces']['keep']['remembered']['known'])->toBeGreaterThanOrEqual($outlook['paces']['soon']['remembered']['known']);
    expect($this->api('PUT', '/api/course/pace', ['pace' => 'soon'])->assertOk()->json('pace'))->toBe('soon');
    $this->refused($this->api('PUT', '/api/course/pace', ['pace' => 'never']), '/pace', 'soon');
    $known = collect($this->api('GET', '/api/course')->json('meetings'))->firstWhere('id', $tonight->id)['remembered'];
    expect($known['learned'])->toBeGreaterThan(0)->and($known['known'])->toBeLessThanOrEqual($known['learned']);
});

it('looks on for a better plan once it has answered, tries remedies, and changes nothing that stands', function (): void {
    [$group, $learners, $meetings] = $this->term();
    array_map(fn (Meeting $meeting) => $meeting->update(['minutes' => 20, 'checkers' => 1]), $meetings);
    $course = $this->api('PUT', '/api/course/plan', ['as_it_stands' => true])->assertOk()->json();
    expect($course['missing'])->toBeGreaterThan(0)->and(array_filter(array_column(array_column($course['unmet'], 'remedy'), 'tried')))->toBe([]);
    expect($this->api('GET', '/api/course/outlook')->assertOk()->json('improving'))->toBeTrue();
    // What was looked for after that answer is there for the next.
    $found = $this->api('GET', '/api/course/outlook')->assertOk()->json();
    $now = $this->api('GET', '/api/course')->json();
    expect($found['improving'])->toBeFalse()->and(toldLessons($now))->toBe(toldLessons($course))->and($now['missing'])->toBe($course['missing']);
    $better = app(App\Course\Plans::class)->of($group->refresh())->improved();
    expect($better)->not->toBeNull()->and($better->score->unmet)->toBeLessThanOrEqual($course['missing']);
    foreach ($better->unmet as $need) {
        expect($need->remedy === null || $need->remedy->brings > 0)->toBeTrue();
    }
    expect($found['proposal'] === null)->toBe(! $better->isBetterThan(app(App\Course\Plans::class)->of($group)->kept()));
    // Whatever changes, it is looked for anew; of one who is erased nothing stays.
    $meetings[0]->refresh()->update(['minutes' => 25]);
    expect($this->api('GET', '/api/course/outlook')->json('improving'))->toBeTrue();
    expect(Cache::store('file')->get("plan-better-$group->id"))->not->toBeNull();
    app(App\Crew\EraseLearner::class)($group, $learners[0]);
    expect(Cache::store('file')->get("plan-better-$group->id"))->toBeNull();
});

it('keeps patrols at stations of their own', function (): void {
    [, $learners] = $this->term();
    foreach ($learners as $number => $learner) {
        $this->api('PUT', "/api/learners/{$learner->id}", ['patrol' => ['Gulls', 'Terns'][$number % 2]])->assertOk()->assertJson(['patrol' => ['Gulls', 'Terns'][$number % 2]]);
    }
    $seen = 0;
    foreach ($this->api('GET', '/api/course')->json('meetings') as $meeting) {
        foreach ($meeting['blocks'] as $block) {
            foreach (in_array($block['kind'], ['new', 'again'], true) ? [$block, ...$block['beside']] : [] as $station) {
                $patrols = array_map(fn (string $id): int => array_search($id, array_column($learners, 'id'), true) % 2, [...$station['learners'], ...$station['helpers']]);
                expect(array_unique($patrols))->toHaveCount(1);
                $seen++;
            }
        }
    }
    expect($seen)->toBeGreaterThan(3);
    $this->api('PUT', "/api/learners/{$learners[0]->id}", ['patrol' => null])->assertOk()->assertJson(['patrol' => null]);
});

it('says after a meeting what was expected of it and what came', function (): void {
    [, $learners, [$tonight]] = $this->term();
    $blocks = $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'start'])->assertOk()->json('clock.blocks');
    expect($this->api('GET', "/api/meetings/{$tonight->id}")->json('expected'))->toBeNull();
    $lesson = collect($blocks)->firstWhere('kind', 'new');
    $first = collect($learners)->firstWhere('id', $lesson['learners'][0]);
    $this->send($this->pass($first, $lesson['knot'], ['meeting' => $tonight->id]))->assertOk();
    $ended = $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'end'])->assertOk()->json('expected');
    $row = collect($ended)->firstWhere('knot', $lesson['knot']);
    expect($row)->toMatchArray(['kind' => 'new', 'tried' => 1, 'passed' => 1])->and($row['learners'])->toBeGreaterThanOrEqual(count($lesson['learners']))
        ->and($row['expected'])->toBe((int) round(0.7 * $row['learners']));
});

it('runs a meeting by its clock, skips, splits, carries over and ends', function (): void {
    [, , [$tonight, $next]] = $this->term();
    $run = fn (string $step, ?string $block = null) => $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => $step] + ($block === null ? [] : ['block' => $block]));
    $this->refused($run('end'), '/step', 'a meeting that was started');
    $blocks = $run('start')->assertOk()->json('clock.blocks');
    expect(array_column($blocks, 'kind'))->toBe(array_column($this->api('GET', "/api/meetings/{$tonight->id}")->json('meeting.blocks'), 'kind'));
    expect($blocks[0])->toMatchArray(['kind' => 'welcome', 'state' => 'running', 'planned' => 5]);
    expect($run('start')->json('clock.blocks'))->toHaveCount(count($blocks));
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(7));
    // Two leaders tap next at the same moment: one step.
    expect($run('next', $blocks[0]['id'])->json('clock.blocks.1.state'))->toBe('running');
    expect($run('next', $blocks[0]['id'])->json('clock.blocks.1.state'))->toBe('running');
    expect(BlockRun::query()->findOrFail($blocks[0]['id'])->minutesTaken(CarbonImmutable::now()))->toEqualWithDelta(7, 0.01);
    $split = $run('split', $blocks[1]['id'])->json('clock.blocks');
    expect($split)->toHaveCount(count($blocks) + 1);
    expect($split[1]['planned'] + $split[3]['planned'])->toEqualWithDelta($blocks[1]['planned'], 0.11);
    expect($split[3]['knot'])->toBe($blocks[1]['knot']);
    $carried = collect($split)->first(fn (array $block): bool => $block['kind'] === 'new' && $block['state'] === 'waiting');
    expect(collect($run('carry', $carried['id'])->assertOk()->json('clock.blocks'))->firstWhere('id', $carried['id'])['state'])->toBe('carried');
    expect(PlanPlace::query()->where('knot', $carried['knot'])->value('meeting_id'))->toBe($next->id);
    $this->refused($run('carry', $blocks[0]['id']), '/block', 'a block with a knot');
    $run('skip', collect($split)->firstWhere('kind', 'clear_up')['id'])->assertOk();
    $ended = $run('end')->assertOk()->json();
    expect(collect($ended['clock']['blocks'])->pluck('state')->unique()->sort()->values()->all())->toBe(['carried', 'done', 'skipped']);
    expect($ended['meeting']['state'])->toBe('past');
    $this->refused($run('next', 'no-such-block'), '/block');
    // The minutes of the welcome are learned from, once the meeting is over.
    expect(collect($this->api('GET', '/api/course')->json('minutes'))->firstWhere('kind', 'welcome'))->toMatchArray(['runs' => 1]);
});

it('takes the steps of a phone that was without a network, each when it was taken', function (): void {
    [$group, , [$tonight]] = $this->term();
    $shown = $this->api('GET', "/api/meetings/{$tonight->id}")->json('meeting.blocks');
    $run = fn (array $step) => $this->api('POST', "/api/meetings/{$tonight->id}/run", $step);
    // Sent the next morning; by then the server would plan another evening.
    $evening = CarbonImmutable::now();
    CarbonImmutable::setTestNow($evening->addHours(14));
    $group->update(['old_share' => 0.5]);
    $ago = fn (int $minute): int => 14 * 3600 - 60 * $minute;
    $this->refused($run(['step' => 'start']), '/step', 'a meeting of that day, 2026-11-25');
    $fake = array_replace($shown, [1 => ['knot' => 'no-such-knot'] + $shown[1]]);
    $this->refused($run(['step' => 'start', 'ago_s' => $ago(0), 'shown' => $fake]), '/shown/1/knot');
    $blocks = $run(['step' => 'start', 'ago_s' => $ago(0), 'shown' => $shown])->assertOk()->json('clock.blocks');
    expect(array_column($blocks, 'knot'))->toBe(array_column($shown, 'knot'))->and(array_column($blocks, 'why'))->toBe(array_column($shown, 'why'));
    expect(array_column($blocks, 'place'))->toBe(array_map(fn (int $n): int => 10 * $n, array_keys($shown)));
    $run(['step' => 'next', 'place' => 0, 'ago_s' => $ago(6)])->assertOk();
    // A second phone tells of the same evening: nothing happens twice, nor before what happened.
    $run(['step' => 'start', 'ago_s' => $ago(1), 'shown' => $shown])->assertOk();
    $run(['step' => 'next', 'place' => 0, 'ago_s' => $ago(7)])->assertOk();
    $clock = $run(['step' => 'end', 'ago_s' => $ago(45)])->assertOk()->json('clock');
    $time = fn (int $minute): string => $evening->addMinutes($minute)->toIso8601ZuluString();
    expect($clock['started_at'])->toBe($time(0))->and($clock['ended_at'])->toBe($time(45));
    expect($clock['blocks'][0])->toMatchArray(['state' => 'done', 'ended_at' => $time(6)])->and($clock['blocks'][1])->toMatchArray(['state' => 'done', 'started_at' => $time(6), 'ended_at' => $time(45)]);
    $this->refused($run(['step' => 'next', 'place' => 7]), '/block', 'a block of this meeting');
    $this->refused($run(['step' => 'next', 'place' => 0, 'ago_s' => 1209601]), '/ago_s', '1209600');
});

it('tells each helper which station is theirs', function (): void {
    [$group, , [$tonight]] = $this->term();
    $lead = $this->app['auth']->user();
    $helper = $this->person($group, Role::Helper, 'wren@gullwick.example');
    $this->become($helper);
    $before = $this->api('GET', "/api/meetings/{$tonight->id}/clock")->json('sheet');
    $this->api('PUT', "/api/meetings/{$tonight->id}/leads/overhand", ['leads' => true])->assertNoContent();
    $this->api('PUT', "/api/meetings/{$tonight->id}/leads/overhand", ['leads' => true])->assertNoContent();
    expect($this->api('GET', "/api/meetings/{$tonight->id}")->json('leads.overhand.*.id'))->toBe([$helper->id]);
    // Whoever else looks on is told to look again.
    expect($this->api('GET', "/api/meetings/{$tonight->id}/clock")->json('sheet'))->not->toBe($before);
    $this->become($lead);
    $this->api('PUT', "/api/meetings/{$tonight->id}/leads/overhand", ['leads' => true])->assertNoContent();
    expect($this->api('GET', "/api/meetings/{$tonight->id}")->json('leads.overhand'))->toHaveCount(2);
    $this->become($helper);
    $this->api('PUT', "/api/meetings/{$tonight->id}/leads/overhand", ['leads' => false])->assertNoContent();
    expect($this->api('GET', "/api/meetings/{$tonight->id}")->json('leads.overhand.*.id'))->toBe([$lead->id]);
    $this->refused($this->api('PUT', "/api/meetings/{$tonight->id}/leads/no-such-knot", ['leads' => true]), '/knot');
});

it('moves a learner to another station of a block, and nowhere else', function (): void {
    [, $learners, [$tonight, $next]] = $this->term();
    $blocks = $this->api('GET', "/api/meetings/{$tonight->id}")->json('meeting.blocks');
    $station = fn (string $knot, array $who): array => array_replace($blocks[1], ['kind' => 'new', 'knot' => $knot, 'learners' => $who, 'helpers' => [], 'beside' => []]);
    $ids = array_map(fn ($one): string => $one->id, $learners);
    $shown = [$blocks[0], array_replace($station('overhand', array_slice($ids, 0, 3)), ['beside' => [$station('bowline', array_slice($ids, 3))]])];
    $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'start', 'shown' => $shown])->assertOk();
    $move = fn (int $place, string $who, ?string $to) => $this->api('PUT', "/api/meetings/{$tonight->id}/stations/$who", ['place' => $place, 'to' => $to]);
    $at = function () use ($tonight): array {
        $block = $this->api('GET', "/api/meetings/{$tonight->id}")->json('clock.blocks.1');

        return [$block['learners'], $block['beside'][0]['learners']];
    };
    $move(10, $ids[0], 'bowline')->assertNoContent();
    expect($at())->toBe([[$ids[1], $ids[2]], [$ids[3], $ids[4], $ids[0]]]);
    $move(10, $ids[3], null)->assertNoContent();
    $move(10, $ids[4], 'overhand')->assertNoContent();
    expect($at())->toBe([[$ids[1], $ids[2], $ids[4]], [$ids[0]]]);
    $this->refused($move(10, $ids[0], 'clove-hitch'), '/to', 'overhand, bowline');
    $this->refused($move(30, $ids[0], 'bowline'), '/place', 'a block of this meeting');
    $move(10, '019ac0de-0000-7000-8000-000000000000', 'bowline')->assertNotFound();
    // Carried over, every station of it waits for the next meeting.
    $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'carry', 'place' => 10])->assertOk();
    expect(PlanPlace::query()->orderBy('knot')->pluck('meeting_id', 'knot')->all())->toBe(['bowline' => $next->id, 'overhand' => $next->id]);
    $this->refused($move(10, $ids[0], 'bowline'), '/place', 'runs or waits');
});

it('starts an evening nobody planned, once', function (): void {
    $group = $this->group();
    $this->become($this->person($group, Role::Instructor));
    $this->learners($group, 'Ada P.');
    $sheet = $this->api('POST', '/api/tonight', ['id' => (string) Str::uuid7()])->assertStatus(201)->json();
    expect($sheet['meeting'])->toMatchArray(['date' => '2026-11-24', 'starts_at' => '18:45', 'minutes' => 60])->and($sheet['clock']['started_at'])->not->toBeNull();
    $this->refused($this->api('POST', '/api/tonight', ['id' => (string) Str::uuid7()]), '/date', 'a time without a meeting');
});

it('changes a meeting to come, calls it off, and leaves others alone', function (): void {
    [$group, , [$tonight, $next]] = $this->term();
    $this->api('PUT', "/api/meetings/{$next->id}", ['date' => '2026-12-02', 'place' => 'Net loft', 'objects' => ['post']])->assertOk()->assertJson(['date' => '2026-12-02', 'place' => 'Net loft', 'objects' => ['post']]);
    $this->refused($this->api('PUT', "/api/meetings/{$next->id}", ['date' => '2026-11-24']), '/date', 'a time without a meeting');
    $this->refused($this->api('PUT', "/api/meetings/{$next->id}", ['date' => '2026-11-01']), '/date', 'today');
    $this->refused($this->api('PUT', "/api/meetings/{$next->id}", ['objects' => ['lamp post']]), '/objects/0', 'pole');
    // Nothing is bound up that evening: the square knot goes elsewhere.
    $this->refused($this->api('PUT', "/api/meetings/{$next->id}", ['bans' => ['dances']]), '/bans/0', 'lashing');
    $shown = fn (): ?string => $this->api('GET', '/api/course')->json('places.square-knot');
    $before = $shown();
    Meeting::query()->findOrFail($before)->update(['bans' => ['binding']]);
    expect($shown())->not->toBe($before);
    Meeting::query()->findOrFail($before)->update(['bans' => null]);
    expect($next->refresh()->only('date', 'sequence'))->toBe(['date' => '2026-12-02', 'sequence' => 1]);
    $this->api('DELETE', "/api/meetings/{$next->id}")->assertNoContent();
    expect(collect($this->api('GET', '/api/course')->json('meetings'))->pluck('id')->all())->not->toContain($next->id)->toHaveCount(2);
    $this->refused($this->api('DELETE', "/api/meetings/{$next->id}"), '/meeting', 'a meeting still to come');
    $old = $this->meeting($group, '2026-11-17');
    $this->refused($this->api('PUT', "/api/meetings/{$old->id}", ['minutes' => 90]), '/meeting', 'a meeting still to come');
});

it('does not expect at a meeting whom a leader has marked away from it', function (): void {
    [, [$ada], [$tonight, $next, $last]] = $this->term();
    foreach ([$tonight, $next, $last] as $meeting) {
        $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$ada->id}", ['present' => false])->assertNoContent();
    }
    $unmet = $this->api('GET', '/api/course')->json('unmet');
    expect($unmet[0]['learners'])->toBe(['Ada P.'])->and($unmet[0]['cause'])->toBe('presence');
});

it('lays the plan out when something it is made of has changed, not at each look', function (): void {
    [$group, $learners, [$tonight, $next]] = $this->term();
    $this->api('PUT', '/api/course/plan', ['moves' => []])->assertOk();
    $fresh = $this->api('GET', '/api/course')->assertOk()->json();
    $keys = ["plan-kept-$group->id", "plan-anew-$group->id"];
    // A plan that was kept is known by what no planner would say of it.
    $marked = function () use ($keys): void {
        [$stamp, $plan] = Cache::store('file')->get($keys[0]);
        $marked = unserialize(str_replace('"proven";i:'.$plan->proven.';', '"proven";i:77;', serialize($plan)));
        Cache::store('file')->put($keys[0], [$stamp, $marked]);
    };
    // What was kept is what is shown, from the course and from the meeting, until something changes.
    $marked();
    expect($this->api('GET', '/api/course')->json())->toBe(array_replace($fresh, ['proven' => 77]));
    $changes = [
        'another length' => fn () => $tonight->update(['minutes' => 50]),
        'a helper less' => fn () => $tonight->update(['checkers' => 1]),
        'something to tie to' => fn () => $tonight->update(['objects' => ['pole']]),
        'a ban' => fn () => $tonight->update(['bans' => ['bowline']]),
        'a knot moved' => fn () => $this->api('PUT', '/api/course/plan', ['moves' => [['knot' => 'overhand', 'meeting' => $next->id]]])->assertOk(),
        'a learner gone' => fn () => $learners[4]->update(['archived_at' => now()]),
        'a share for old knots' => fn () => $group->update(['old_share' => 0.4]),
        'another date to be done by' => fn () => $group->badges()->update(['due_on' => '2026-12-09']),
        'one away' => fn () => $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$learners[0]->id}", ['present' => false])->assertNoContent(),
        'a result' => fn () => $this->send($this->pass($learners[1], 'overhand'))->assertOk(),
    ];
    foreach ($changes as $what => $change) {
        $marked();
        $change();
        // Signed in anew, as another request would be.
        $this->become($this->app['auth']->user()->refresh());
        expect($this->api('GET', '/api/course')->assertOk()->json('proven'))->not->toBe(77, $what);
    }
    $laid = $this->api('GET', '/api/course')->json();
    array_map(fn (string $key) => Cache::store('file')->forget($key), $keys);
    expect($this->api('GET', '/api/course')->json())->toBe($laid);
});

it('tells who looks on where the clock stands, without laying out the term', function (): void {
    [$group, $learners, [$tonight, , $last]] = $this->term();
    $look = fn (): array => $this->api('GET', "/api/meetings/{$tonight->id}/clock")->assertOk()->json();
    $first = $look();
    expect($first['clock']['started_at'])->toBeNull()->and($first['present'])->toBe([]);
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$learners[0]->id}", ['present' => true])->assertNoContent();
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$learners[1]->id}", ['present' => false])->assertNoContent();
    expect($look())->toMatchArray(['present' => [$learners[0]->id => true, $learners[1]->id => false], 'sheet' => $first['sheet']]);
    $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'start'])->assertOk();
    $sheet = $this->api('GET', "/api/meetings/{$tonight->id}")->json();
    expect($look()['clock'])->toBe($sheet['clock'])->and($look()['sheet'])->not->toBe($first['sheet']);
    // Whatever the run sheet shows changes the word of it.
    $seen = [$look()['sheet']];
    foreach ([
        fn () => $this->api('PUT', '/api/course/plan', ['moves' => [['knot' => 'bowline', 'meeting' => $last->id]]])->assertOk(),
        fn () => $this->api('POST', '/api/learners', ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10']]])->assertStatus(201),
        fn () => $this->api('PUT', "/api/learners/{$learners[2]->id}", ['name' => 'Cleo Q.'])->assertOk(),
        fn () => $this->api('PUT', "/api/meetings/{$last->id}", ['minutes' => 60])->assertOk(),
        fn () => $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'end'])->assertOk(),
    ] as $change) {
        $change();
        $seen[] = $look()['sheet'];
    }
    expect(array_unique($seen))->toHaveCount(6);
    DB::enableQueryLog();
    $look();
    $asked = implode("\n", array_column(DB::getQueryLog(), 'query'));
    expect(count(DB::getQueryLog()))->toBeLessThan(10)->and($asked)->not->toContain('standings')->not->toContain('pursuits');
});

it('counts no first try that was taken back', function (): void {
    [$group, $learners] = $this->term();
    $failed = $this->pass($learners[0], 'bowline', ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked']);
    $this->send($failed)->assertOk();
    expect(App\Course\GroupWishes::passRates($group)->about()[0])->toMatchArray(['knot' => 'bowline', 'tries' => 1]);
    $this->send($this->pass($learners[0], 'bowline', ['kind' => 'retract', 'target' => $failed['id']]))->assertOk();
    expect(App\Course\GroupWishes::passRates($group)->about())->toBe([]);
    // What was tapped by mistake is no try: the next one is the first.
    $this->send($this->pass($learners[0], 'bowline'))->assertOk();
    expect(App\Course\GroupWishes::passRates($group)->byKnot()['bowline'])->toEqualWithDelta((1 + 6 * 0.7) / 7, 1e-9);
});
