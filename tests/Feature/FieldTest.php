<?php

declare(strict_types=1);

use App\Models\Attendance;
use App\Models\CheckEvent;
use App\Models\GoneLearner;
use App\Models\Learner;
use App\Models\Role;
use App\Models\Standing;
use Illuminate\Support\Str;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->lead = $this->person($this->crew);
    [$this->ada, $this->bram, $this->cleo] = $this->learners($this->crew, 'Ada P.', 'Bram K.', 'Cleo M.');
    $this->actingAs($this->lead);
});

it('takes a walk-in once, here tonight, under a name of its own, and then its checks', function (): void {
    $meeting = $this->meeting($this->crew);
    $entry = ['id' => (string) Str::uuid7(), 'name' => '  ada   p. ', 'meeting' => $meeting->id];
    $first = $this->api('POST', '/api/walk-ins', ['learners' => [$entry]])->assertCreated()->json('learners.0');
    expect($first)->toBe(['id' => $entry['id'], 'name' => 'ada p. 2']);
    expect($this->api('POST', '/api/walk-ins', ['learners' => [$entry, $entry]])->assertCreated()->json('learners'))->toBe([$first, $first]);
    $learner = Learner::query()->findOrFail($entry['id']);
    expect($learner->age_band->value)->toBe('8-10')->and($learner->pursuits()->count())->toBe($this->ada->pursuits()->count());
    expect(Attendance::query()->where('learner_id', $learner->id)->where('present', true)->where('meeting_id', $meeting->id)->count())->toBe(1);
    $this->send($this->pass($learner))->assertOk()->assertJsonPath('results.0.level', 'has_it');
    expect(Learner::query()->count())->toBe(4);
});

it('lets a helper take a walk-in, and refuses what cannot be one, whole', function (): void {
    $this->become($this->person($this->crew, Role::Helper, 'wren@gullwick.example'));
    $good = ['id' => (string) Str::uuid7(), 'name' => 'Pip L.'];
    $this->api('POST', '/api/walk-ins', ['learners' => [$good]])->assertCreated();
    $other = $this->group('Other Crew');
    [$theirs] = $this->learners($other, 'Zed Q.');
    $fresh = ['id' => (string) Str::uuid7(), 'name' => 'Quin R.'];
    $this->refused($this->api('POST', '/api/walk-ins', ['learners' => [$fresh, ['id' => $theirs->id, 'name' => 'Zed Q.']]]), '/learners/1/id', 'a new id');
    $this->refused($this->api('POST', '/api/walk-ins', ['learners' => [$fresh, ['meeting' => $this->meeting($other)->id, 'id' => (string) Str::uuid7(), 'name' => 'Rue']]]), '/learners/1/meeting', 'a meeting of your group');
    $this->refused($this->api('POST', '/api/walk-ins', ['learners' => [['id' => (string) Str::uuid7(), 'name' => '   ']]]), '/learners/0/name');
    expect($this->crew->learners()->where('name', 'Quin R.')->count())->toBe(0);
});

it('erases a learner for good, and lets a late phone go in peace', function (): void {
    $this->send($this->pass($this->ada), $this->pass($this->bram))->assertOk();
    $this->api('DELETE', "/api/learners/{$this->ada->id}")->assertOk()->assertJson(['backups_elsewhere' => []]);
    expect(CheckEvent::query()->where('learner_id', $this->ada->id)->count())->toBe(0)->and(Standing::query()->where('learner_id', $this->ada->id)->count())->toBe(0);
    expect(GoneLearner::query()->sole()->getAttributes())->toMatchArray(['id' => $this->ada->id, 'into_id' => null]);
    // The rest of a late batch is kept, what was of her is answered and let go.
    $results = $this->send($this->pass($this->ada, 'overhand'), $this->pass($this->bram, 'overhand'))->assertOk()->json('results');
    expect($results[0]['next'])->toContain('removed from the group')->and($results[1]['verdict'])->toBe('has_it');
    expect(CheckEvent::query()->pluck('learner_id')->unique()->all())->toBe([$this->bram->id]);
    // Nor does a walk-in kept on that phone bring her back.
    $this->api('POST', '/api/walk-ins', ['learners' => [['id' => $this->ada->id, 'name' => 'Ada P.']]])->assertCreated();
    expect(Learner::query()->find($this->ada->id))->toBeNull();
    $this->api('GET', "/api/learners/{$this->ada->id}")->assertNotFound();
});

it('keeps erasing to leads', function (): void {
    $this->become($this->person($this->crew, Role::Instructor, 'tobin@gullwick.example'));
    $this->api('DELETE', "/api/learners/{$this->ada->id}")->assertForbidden();
    expect(Learner::query()->count())->toBe(3);
});

it('gives what comes late for a merged entry to the one it went up in, twice over', function (): void {
    $this->api('POST', "/api/learners/{$this->ada->id}/merge", ['into' => $this->bram->id])->assertNoContent();
    $this->api('POST', "/api/learners/{$this->bram->id}/merge", ['into' => $this->cleo->id])->assertNoContent();
    $late = $this->pass($this->ada, 'overhand');
    $this->send($late)->assertOk()->assertJsonPath('results.0.level', 'has_it');
    expect(CheckEvent::query()->sole()->learner_id)->toBe($this->cleo->id);
    // Taken back by the same late phone, which still knows only the old entry.
    $this->send($this->pass($this->ada, 'overhand', ['kind' => 'retract', 'target' => $late['id']]))->assertOk();
    expect(Standing::query()->count())->toBe(0);
    // The last of them erased, everything sent for any of the three is let go.
    $this->api('DELETE', "/api/learners/{$this->cleo->id}")->assertOk();
    $this->send($this->pass($this->ada))->assertOk();
    expect(CheckEvent::query()->count())->toBe(0);
});

it('keeps what comes late for a learner who was put away', function (): void {
    $this->api('PUT', "/api/learners/{$this->ada->id}", ['archived' => true])->assertOk();
    $this->send($this->pass($this->ada))->assertOk()->assertJsonPath('results.0.level', 'has_it');
});

it('wants a reason and a teacher to decide otherwise', function (): void {
    $check = $this->pass($this->ada, more: ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked']);
    $this->send($check)->assertOk();
    $overrule = fn (?string $note): array => $this->pass($this->ada, more: ['kind' => 'overrule', 'target' => $check['id'], 'note' => $note]);
    $this->refused($this->send($overrule(null)), '/events/0/note', 'the reason');
    $this->refused($this->send($overrule('   ')), '/events/0/note', 'the reason');
    $this->become($this->person($this->crew, Role::Helper, 'wren@gullwick.example'));
    $this->refused($this->send($overrule('It was the mirror image.')), '/events/0/kind', 'helpers check');
    $this->become($this->lead);
    $this->send($overrule('It was the mirror image.'))->assertOk()->assertJsonPath('results.0.level', 'has_it');
});

it('shows what is open for one learner: old knots by how far they have faded, then what badges ask for', function (): void {
    $day = fn (string $date): array => ['meeting' => $this->meeting($this->crew, $date)->id, 'observed_at' => "{$date}T19:00:00Z"];
    $this->send($this->pass($this->ada, 'overhand', $day('2026-10-20')), $this->pass($this->ada, 'half-hitch', $day('2026-11-03')))->assertOk();
    $page = $this->api('GET', "/api/learners/{$this->ada->id}/check")->assertOk()->json();
    $due = array_values(array_filter($page['knots'], fn (array $knot): bool => $knot['mark']['due'] ?? false));
    expect(array_column($due, 'id'))->toBe(['overhand', 'half-hitch']);
    expect(array_slice(array_column($page['knots'], 'id'), 0, 2))->toBe(['overhand', 'half-hitch']);
    $rest = array_slice($page['knots'], 2);
    expect($rest)->not->toBe([])->and(array_filter($rest, fn (array $knot): bool => $knot['wanted'] === null))->toBe([]);
    // One tap is judged as the server will judge it.
    $sent = $this->send($this->pass($this->ada, $rest[0]['id'], array_filter(['tail' => $rest[0]['has_tail'] ? null : 'not_applicable', 'dressing' => $rest[0]['has_dressing'] ? null : 'not_applicable'])))->json('results.0');
    expect(['verdict' => $sent['verdict'], 'next' => $sent['next']])->toBe($rest[0]['clean']);
});

it('puts a group’s own usual mistake first on the sheet, and who has faded most before those who keep it', function (): void {
    $order = fn (): array => array_column($this->api('GET', '/api/check/square-knot')->assertOk()->json('knot.mistakes'), 'id');
    expect($order()[0])->toBe('granny-knot');
    $checks = array_map(fn (): array => $this->pass($this->ada, more: ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked', 'mistake' => 'thief-knot']), range(1, 6));
    foreach ($checks as $check) {
        $this->send($check)->assertOk();
    }
    expect($order()[0])->toBe('thief-knot');
    // What was taken back was no mistake.
    foreach ($checks as $check) {
        $this->send($this->pass($this->ada, more: ['kind' => 'retract', 'target' => $check['id']]))->assertOk();
    }
    expect($order()[0])->toBe('granny-knot');
});

it('gives what a knot is held against, and keeps what is for leaders to leaders', function (): void {
    $compared = $this->api('GET', '/api/knots/square-knot/compared?view=left')->assertOk()->json();
    expect($compared['untidy'])->not->toBeNull()->and($compared['narrow']['at'])->toHaveCount(2);
    expect(array_column($compared['good'], 'mirrored'))->toContain(true);
    $mirrored = $this->api('GET', '/api/knots/square-knot?view=left')->json('loose');
    expect($compared['right'])->toBe($mirrored);
    $this->api('GET', '/api/knots/handcuff-knot/compared')->assertNotFound();
    $this->api('GET', '/api/knots/square-lashing/compared')->assertOk()->assertJsonPath('narrow', null);
});

it('gives it for every knot, every way of tying it, and both hands', function (): void {
    foreach ($this->api('GET', '/api/knots')->json('knots') as $knot) {
        foreach ($knot['methods'] as $method) {
            foreach (['learner', 'left'] as $view) {
                $this->json('GET', "/api/knots/{$knot['id']}/compared?view=$view&method=$method")->assertOk();
            }
        }
    }
});

it('shows how the group’s own figures for forgetting do, and goes over to them only when asked', function (): void {
    $few = $this->api('GET', '/api/group/memory')->assertOk()->json();
    expect($few)->toMatchArray(['results' => 0, 'needed' => 200, 'own' => null, 'better' => false, 'in_use' => null]);
    $this->refused($this->api('PUT', '/api/group/memory', ['use' => 'own']), '/use', 'until there are 200 results');
    // Learners who keep knots for months: tied right every three weeks.
    $knots = ['overhand', 'figure-eight', 'bowline', 'square-knot', 'sheet-bend', 'clove-hitch', 'half-hitch', 'timber-hitch', 'two-half-hitches'];
    $start = \Carbon\CarbonImmutable::parse('2026-03-01T18:00:00Z');
    $this->meeting($this->crew, '2026-02-24');
    foreach ([$this->ada, $this->bram, $this->cleo] as $learner) {
        for ($week = 0; $week < 10; $week++) {
            $this->send(...array_map(fn (string $knot): array => $this->pass($learner, $knot, ['observed_at' => $start->addWeeks(3 * $week)->toIso8601ZuluString()]), $knots))->assertOk();
        }
    }
    $before = Standing::query()->where('learner_id', $this->ada->id)->where('knot', 'bowline')->sole()->half_life_days;
    $board = $this->api('GET', '/api/group/memory')->assertOk()->json();
    expect($board['results'])->toBe(243)->and($board['own']['figures']['start'])->toBeGreaterThan(7.0)->and($board['own']['score'])->toBeLessThan($board['usual']['score'])->and($board['better'])->toBeTrue();
    $this->api('PUT', '/api/group/memory', ['use' => 'own'])->assertOk()->assertJsonPath('in_use', $board['own']['figures']);
    $row = fn (): float => Standing::query()->where('learner_id', $this->ada->id)->where('knot', 'bowline')->sole()->half_life_days;
    expect($row())->toBeGreaterThan($before);
    // A new check is derived by them too, and a rebuild changes nothing.
    $this->send($this->pass($this->ada, 'bowline'))->assertOk();
    $now = $row();
    app(\App\Check\DeriveStandings::class)->rebuild($this->crew->refresh());
    expect($row())->toBe($now);
    $this->api('PUT', '/api/group/memory', ['use' => 'usual'])->assertOk()->assertJsonPath('in_use', null);
    expect($row())->toBeLessThan($now);
    $this->become($this->person($this->crew, Role::Instructor, 'tobin@gullwick.example'));
    $this->api('PUT', '/api/group/memory', ['use' => 'own'])->assertForbidden();
});

it('removes again who an older backup has brought back', function (): void {
    $this->send($this->pass($this->ada), $this->pass($this->bram))->assertOk();
    $file = (string) tempnam(sys_get_temp_dir(), 'gone');
    $late = (string) Str::uuid7();
    // As the list was before the backup was put back: Ada erased, Bram merged into Cleo, and one the backup never knew.
    file_put_contents($file, "learner\t{$this->ada->id}\t{$this->crew->id}\t\nlearner\t{$this->bram->id}\t{$this->crew->id}\t{$this->cleo->id}\nlearner\t$late\t{$this->crew->id}\t\nlearner\tnobody\tno-such-group\t\n");
    foreach ([1, 2] as $round) {
        $this->artisan('compadre:forget-again', ['file' => $file])->assertSuccessful();
        expect(Learner::query()->pluck('id')->all())->toBe([$this->cleo->id]);
    }
    expect(CheckEvent::query()->pluck('learner_id')->all())->toBe([$this->cleo->id]);
    expect(GoneLearner::query()->orderBy('id')->pluck('into_id', 'id')->all())->toEqualCanonicalizing([$this->ada->id => null, $this->bram->id => $this->cleo->id, $late => null]);
    unlink($file);
});

it('keeps the board as it was made only as long as nothing it is made of has changed', function (): void {
    $board = fn (): array => $this->api('GET', '/api/crew')->assertOk()->json();
    $first = $board();
    $queries = 0;
    \Illuminate\Support\Facades\DB::listen(function () use (&$queries): void {
        $queries++;
    });
    expect($board())->toBe($first)->and($queries)->toBeLessThan(8);
    $changes = [
        'a check' => fn () => $this->send($this->pass($this->ada))->assertOk(),
        'a later check of the same knot' => fn () => $this->send($this->pass($this->ada, more: ['prompts' => 2]))->assertOk(),
        'a name' => fn () => $this->api('PUT', "/api/learners/{$this->bram->id}", ['name' => 'Bramble K.'])->assertOk(),
        'an age' => fn () => $this->api('PUT', "/api/learners/{$this->bram->id}", ['age_band' => '11-13'])->assertOk(),
        'a learner put away' => fn () => $this->api('PUT', "/api/learners/{$this->bram->id}", ['archived' => true])->assertOk(),
        'a badge chosen' => fn () => $this->api('PUT', '/api/group/badges/green-captain', ['due_on' => null])->assertSuccessful(),
        'a badge left' => fn () => $this->api('DELETE', '/api/group/badges/rigger')->assertSuccessful(),
        'a learner erased' => fn () => $this->api('DELETE', "/api/learners/{$this->ada->id}")->assertOk(),
        'the day' => fn () => \Carbon\CarbonImmutable::setTestNow(\Carbon\CarbonImmutable::now()->addDays(9)),
    ];
    foreach ($changes as $what => $change) {
        $before = $board();
        $change();
        expect($board())->not->toBe($before, $what);
        expect($board())->toEqual(json_decode((string) json_encode(app(\App\Crew\CrewBoard::class)->of($this->crew->refresh())), true), $what);
    }
});

it('keeps whose words a group uses, and checks sent under an older name of the group', function (): void {
    $this->api('PUT', '/api/group', ['words' => 'learners'])->assertOk()->assertJsonPath('words', 'learners');
    expect($this->api('GET', '/api/me')->json('group.words'))->toBe('learners');
    $this->refused($this->api('PUT', '/api/group', ['words' => 'sailors']), '/words', 'leaders');
    $this->api('PUT', '/api/group', ['name' => 'Gullwick Harbour Crew'])->assertOk();
    $this->send($this->pass($this->ada, more: ['group' => $this->crew->id]))->assertOk()->assertJsonPath('results.0.level', 'has_it');
});

it('answers a repeat as it was, whatever has changed since', function (): void {
    $meeting = $this->meeting($this->crew, '2026-11-20');
    $check = $this->pass($this->ada, more: ['meeting' => $meeting->id]);
    $first = $this->send($check)->assertOk()->json();
    // The same event in words that would be refused today, beside one that is new and good.
    $stale = ['mistake' => 'no-longer-listed', 'tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked'] + $check;
    $both = $this->send($stale, $this->pass($this->bram))->assertOk()->json('results');
    expect($both[0])->toBe($first['results'][0])->and($both[1]['verdict'])->toBe('has_it');
    $this->refused($this->send(['id' => (string) Str::uuid7()] + $stale), '/events/0/mistake');
});
