<?php

declare(strict_types=1);

use App\Models\BlockRun;
use App\Models\Meeting;
use App\Models\PlanPlace;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

it('shows what a move would come to, without making it, and makes it when asked', function (): void {
    [, , [$tonight, , $last]] = $this->term();
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['places']['overhand'])->toBe($tonight->id)->and($course['unmet'])->toBe([])->and($course['proven'])->toBeTrue();
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
    expect($this->api('DELETE', '/api/course/knots/overhand')->assertOk()->json('places.overhand'))->toBe($tonight->id);
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
    [, $learners, [$tonight, $next, $last]] = $this->term();
    $this->api('PUT', '/api/course/plan', ['moves' => []])->assertOk();
    expect($this->api('GET', '/api/course')->json('proposal'))->toBeNull();
    // The evening with everything on it shrinks to almost nothing.
    $this->api('PUT', "/api/meetings/{$tonight->id}", ['minutes' => 15])->assertOk();
    $course = $this->api('GET', '/api/course')->json();
    expect($course['proposal']['unmet']['after'])->toBeLessThan($course['proposal']['unmet']['before']);
    expect($course['proposal']['moves'])->not->toBe([]);
    expect($this->api('GET', '/api/course')->json('places'))->toBe($course['places']);
    $accepted = $this->api('PUT', '/api/course/plan', ['anew' => true])->assertOk()->json();
    expect($accepted['proposal'])->toBeNull()->and($accepted['places'])->not->toBe($course['places']);
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
    expect(collect($this->api('GET', '/api/course')->json('pace'))->firstWhere('kind', 'welcome'))->toMatchArray(['runs' => 1]);
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

it('starts an evening nobody planned, once', function (): void {
    $group = $this->group();
    $this->become($this->person($group, Role::Instructor));
    $this->learners($group, 'Ada P.');
    $sheet = $this->api('POST', '/api/tonight')->assertStatus(201)->json();
    expect($sheet['meeting'])->toMatchArray(['date' => '2026-11-24', 'starts_at' => '18:45', 'minutes' => 60])->and($sheet['clock']['started_at'])->not->toBeNull();
    $this->refused($this->api('POST', '/api/tonight'), '/date', 'a time without a meeting');
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
    expect($unmet[0]['learners'])->toBe(['Ada P.'])->and($unmet[0]['reason'])->toContain('not expected');
});

it('lays the plan out when something it is made of has changed, not at each look', function (): void {
    [$group, $learners, [$tonight, $next]] = $this->term();
    $this->api('PUT', '/api/course/plan', ['moves' => []])->assertOk();
    $fresh = $this->api('GET', '/api/course')->assertOk()->json();
    $keys = ["plan-kept-$group->id", "plan-anew-$group->id"];
    $marked = function () use ($keys): void {
        foreach ($keys as $key) {
            [$stamp, $plan] = Cache::store('file')->get($key);
            Cache::store('file')->put($key, [$stamp, new CoursePlan($plan->meetings, $plan->unmet, $plan->shownIn, $plan->completes, $plan->objective, $plan->bound, false, $plan->moved)]);
        }
    };
    // What was kept is what is shown, from the course and from the meeting, until something changes.
    $marked();
    expect($fresh['proven'])->toBeTrue()->and($this->api('GET', '/api/course')->json())->toBe(array_replace($fresh, ['proven' => false]));
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
        expect($this->api('GET', '/api/course')->assertOk()->json('proven'))->toBeTrue($what);
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
