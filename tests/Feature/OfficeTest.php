<?php

declare(strict_types=1);

use App\Crew\EraseLearner;
use App\Models\Award;
use App\Models\Office;
use App\Models\Submission;
use App\Models\Work;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Symfony\Component\Process\Process;
use Tests\Support\AwardOffice;

beforeEach(function (): void {
    [$this->crew, $this->learners, $this->meetings] = $this->term();
    $this->office = AwardOffice::open();
    $this->set = fn (array $other = []) => $this->api('PUT', '/api/office', $other + ['address' => $this->office->address(), 'client' => AwardOffice::CLIENT, 'secret' => AwardOffice::SECRET]);
    /** As if everything had been met here, one by one. */
    $this->decided = function (int $learner, array $more = []): Award {
        $since = ['day' => '2026-11-17', 'by' => 'Maren Holt', 'prior' => false, 'rig' => null, 'place' => null];
        $award = Award::query()->create($more + ['group_id' => $this->crew->id, 'learner_id' => $this->learners[$learner]->id, 'badge' => 'lantern-hand', 'version' => 1, 'name' => 'Lantern Hand', 'decided_on' => '2026-11-24', 'decided_by' => Auth::id(),
            'proof' => ['about' => 'Ties it.', 'outline' => ['choose' => 1, 'among' => 1, 'met' => true, 'parts' => [['knot' => 'overhand', 'level' => 'kept', 'met' => true, 'since' => $since]]]]])->refresh();
        app(App\Awards\Office\TellOffice::class)->held($this->crew, [$award]);

        return $award;
    };
    $this->unproven = ['proof' => ['about' => '', 'outline' => ['choose' => 2, 'among' => 2, 'met' => false, 'parts' => [['knot' => 'overhand', 'level' => 'has_it', 'met' => false], ['say' => 'x', 'note' => 'say', 'words' => 'what it is for', 'met' => false]]]], 'by_hand' => true, 'why' => 'Elsewhere.'];
    // A worker rests after a job where much memory is in use; here that is what all tests before have used.
    $this->worker = fn (): int => Artisan::call('queue:work', ['--stop-when-empty' => true, '--sleep' => 0, '--memory' => 8192, '--quiet' => true]);
    $this->board = fn (): array => $this->api('GET', '/api/office')->assertOk()->json();
});

afterEach(fn () => $this->office->close());

it('tells the office of each award once, and keeps its receipt or why it was refused', function (): void {
    ($this->set)()->assertOk()->assertJsonPath('office', ['address' => $this->office->address(), 'client' => AwardOffice::CLIENT]);
    $taken = ($this->decided)(0);
    $refused = ($this->decided)(1, $this->unproven);
    expect(array_column(($this->board)()['awards'], 'state'))->toBe(['waiting', 'waiting']);
    ($this->worker)();
    $board = ($this->board)();
    expect($board['work'])->toMatchArray(['state' => 'done', 'trouble' => null]);
    expect($board['awards'])->toHaveCount(2)->and($board['awards'][0])->toMatchArray(['award' => $refused->id, 'state' => 'refused', 'requirement' => 'Overhand knot: tied, dressed and finished without help', 'reason' => 'There is no day on which it was met.', 'receipt' => null]);
    expect($board['awards'][1])->toMatchArray(['award' => $taken->id, 'state' => 'taken', 'receipt' => 'R-000001', 'learner' => ['id' => $this->learners[0]->id, 'name' => 'Ada P.']]);
    expect($this->office->entries()[0])->toMatchArray(['award' => $taken->id, 'learner' => 'Ada P.', 'badge' => ['id' => 'lantern-hand', 'version' => 1, 'name' => 'Lantern Hand'], 'decided_on' => '2026-11-24', 'by_hand' => false, 'requirements' => [['name' => 'Overhand knot: tied without help, and again on a later day', 'met_on' => '2026-11-17']]]);
    // Sent again, what was refused is looked at again; what was taken is not.
    $this->api('POST', '/api/office/awards', ['awards' => [$refused->id, $taken->id]])->assertOk()->assertJsonPath('awards.0.state', 'waiting');
    $refused->update(['proof' => $taken->proof]);
    ($this->worker)();
    // A parent who asks is told of that, too.
    $told = $this->api('GET', "/api/learners/{$this->learners[0]->id}/record")->assertOk()->json('awards.0.told');
    expect($told)->toBe([['office' => $this->office->address(), 'passage' => 'taken', 'receipt' => 'R-000001', 'requirement' => null, 'reason' => null, 'answered_at' => '2026-11-24T18:45:00Z']]);
    expect(array_column($this->office->entries(), 'award'))->toBe([$taken->id, $refused->id, $refused->id])->and(array_column(($this->board)()['awards'], 'state'))->toBe(['taken', 'taken']);
});

it('sends what is decided by itself, and what was given by hand only when it is told to', function (): void {
    ($this->set)()->assertOk();
    $this->api('POST', '/api/group/badges', ['pack' => ['id' => 'spoken', 'name' => 'Spoken', 'about' => 'Says it.', 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => [['say' => 'what a hitch is for']]]]])->assertCreated();
    $this->api('PUT', '/api/group/badges/spoken', ['due_on' => null])->assertNoContent();
    $this->api('PUT', "/api/learners/{$this->learners[0]->id}/ticks/".(new Compadre\Core\Teaching\Note('say', 'what a hitch is for'))->key(), ['met' => true])->assertNoContent();
    $id = $this->api('POST', '/api/awards', ['awards' => [['learner' => $this->learners[0]->id, 'badge' => 'spoken']], 'meeting' => null])->assertCreated()->json('awards.0');
    $record = $this->api('GET', "/api/learners/{$this->learners[0]->id}/record")->assertOk()->json();
    expect($record['ticks'][0])->toMatchArray(['words' => 'Says: what a hitch is for', 'day' => '2026-11-24', 'by' => 'Maren Holt'])->and(array_column($record['badges'], 'name', 'badge')['spoken'])->toBe('Spoken');
    $byHand = $this->api('POST', '/api/awards/by-hand', ['learners' => [$this->learners[1]->id], 'badge' => 'lantern-hand', 'why' => 'Elsewhere.', 'decided_on' => '2026-11-03'])->assertCreated()->json('awards.0');
    ($this->worker)();
    expect(array_column($this->office->entries(), 'award'))->toBe([$id])->and($this->office->entries()[0]['requirements'])->toBe([['name' => 'Says: what a hitch is for', 'met_on' => '2026-11-24']]);
    expect(array_column(($this->board)()['never_sent'], 'award'))->toBe([$byHand]);
    $this->refused($this->api('POST', '/api/office/awards', ['awards' => [$byHand, (string) Str::uuid()]]), '/awards/1');
    expect(Submission::query()->count())->toBe(1);
    $this->api('POST', '/api/office/awards', ['awards' => [$byHand]])->assertOk()->assertJsonPath('never_sent', []);
});

it('tells the office what was taken back, and lets it forget who was erased', function (): void {
    ($this->set)()->assertOk();
    $awards = array_map(fn (int $n): Award => ($this->decided)($n), [0, 1, 2]);
    $unsent = ($this->decided)(3, ['badge' => 'rigger']);
    $this->api('POST', "/api/awards/{$unsent->id}/taken-back", ['why' => 'Mistaken.'])->assertOk();
    ($this->worker)();
    $this->api('POST', "/api/awards/{$awards[1]->id}/taken-back", ['why' => 'Mistaken.'])->assertOk();
    app(EraseLearner::class)($this->crew, $this->learners[2]);
    expect(array_column(($this->board)()['awards'], 'state', 'award'))->toEqual([$awards[0]->id => 'taken', $awards[1]->id => 'taking_back'])->and(($this->board)()['not_forgotten'])->toBe([['address' => $this->office->address(), 'left' => false, 'awards' => 1]]);
    ($this->worker)();
    expect($this->office->told('taken_back'))->toBe([$awards[1]->id])->and($this->office->told('forgotten'))->toBe([$awards[2]->id]);
    // Nothing of somebody who was erased is in the register's store, and nothing of a badge that was never sent.
    $store = (string) json_encode($this->office->lines());
    expect($store)->toContain('Ada P.')->not->toContain('Cleo M.')->not->toContain($unsent->id);
    expect(array_column(($this->board)()['awards'], 'state', 'award'))->toEqual([$awards[0]->id => 'taken', $awards[1]->id => 'taken_back'])->and(($this->board)()['not_forgotten'])->toBe([]);
    expect(Submission::query()->where('award_id', $awards[2]->id)->exists())->toBeFalse();
});

it('says to the lead what an office that was left still knows of somebody who was erased', function (): void {
    ($this->set)()->assertOk();
    ($this->decided)(0);
    ($this->worker)();
    $address = $this->office->address();
    $this->api('DELETE', '/api/office')->assertOk()->assertJsonPath('office', null);
    expect(Office::query()->sole())->secret->toBeNull()->token->toBeNull();
    app(EraseLearner::class)($this->crew, $this->learners[0]);
    ($this->worker)();
    expect($this->office->told('forgotten'))->toBe([])->and(($this->board)()['not_forgotten'])->toBe([['address' => $address, 'left' => true, 'awards' => 1]]);
    // Gone back to, it is told.
    ($this->set)()->assertOk();
    ($this->worker)();
    expect($this->office->told('forgotten'))->toHaveCount(1)->and(($this->board)()['not_forgotten'])->toBe([]);
});

it('waits for an office that is down, longer each time, and says why', function (): void {
    ($this->set)()->assertOk();
    $this->office->faults(['down' => 1]);
    ($this->decided)(0);
    ($this->worker)();
    $board = ($this->board)();
    expect($board['work'])->toMatchArray(['state' => 'waiting', 'trouble' => 'The office is out of order (503).', 'next' => '2026-11-24T18:45:15Z'])->and(array_column($board['awards'], 'state'))->toBe(['waiting']);
    foreach ([30, 60, 120] as $seconds) {
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addHour());
        ($this->worker)();
        expect(($this->board)()['work']['next'])->toBe(CarbonImmutable::now()->addSeconds($seconds)->toIso8601ZuluString());
    }
    $this->office->faults([]);
    // A lead need not wait.
    $this->api('POST', '/api/office/awards', ['awards' => []])->assertOk();
    ($this->worker)();
    expect(($this->board)()['work'])->toMatchArray(['state' => 'done', 'trouble' => null, 'next' => null])->and($this->office->entries())->toHaveCount(1);
});

it('sets up no office that does not know the group, and none that names would go to in plain letters', function (): void {
    $this->refused(($this->set)(['secret' => 'guessed']), '/secret', 'that the office knows');
    $this->refused(($this->set)(['client' => 'no one here']), '/client');
    $this->refused(($this->set)(['address' => 'http://register.example']), '/address', 'https://');
    $this->refused(($this->set)(['address' => 'https://maren@register.example']), '/address', 'https://register.example');
    $this->refused(($this->set)(['address' => $this->office->address().'/elsewhere']), '/address', 'that answers');
    $this->refused($this->api('POST', '/api/office/awards', ['awards' => []]), '/office');
    $this->refused($this->api('PUT', '/api/office', ['address' => $this->office->address(), 'client' => AwardOffice::CLIENT]), '/secret');
    expect(Office::query()->count())->toBe(0);
    ($this->set)()->assertOk();
    // What opens its door is nowhere to be read.
    expect((string) json_encode(DB::table('offices')->get()))->not->toContain(AwardOffice::SECRET);
    $this->refused(($this->set)(['address' => 'https://register.example']), '/address', 'until it is left');
    // The secret that is kept is good enough.
    $this->api('PUT', '/api/office', ['address' => $this->office->address(), 'client' => AwardOffice::CLIENT])->assertOk();
});

it('takes whatever an office answers, and keeps nothing of it that was not asked for', function (): void {
    ($this->set)()->assertOk();
    $award = ($this->decided)(0);
    foreach (['not json', '[]', '{"receipts":7}', '{"receipts":[{"award":"'.$award->id.'"}],"refused":[]}', '{"awards":[{"award":"'.$award->id.'","state":"taken","receipt":"'.str_repeat('9', 81).'"}]}', '"', '{"receipts":[],"refused":[]}', str_repeat('[', 20_000), '{"receipts":[{"award":"'.Str::uuid().'","receipt":"R-1"}],"refused":[]}'] as $answer) {
        $this->app->forgetInstance(Illuminate\Http\Client\Factory::class);
        Http::clearResolvedInstances();
        Http::fake(['*/awards?*' => Http::response('{"awards":[]}'), '*/lists' => Http::response($answer)]);
        $this->api('POST', '/api/office/awards', ['awards' => []])->assertOk();
        ($this->worker)();
        expect(Work::query()->sole())->state->toBe('waiting')->trouble->not->toBeNull();
        expect(Submission::query()->sole()->passage->value)->toBeIn(['sent', 'waiting']);
    }
});

it('cuts the line of an office that talks without end', function (): void {
    $port = AwardOffice::freePort();
    $talker = new Process(['node', '-e', <<<'JS'
        require('http').createServer((asked, answer) => {
          if (asked.url === '/token') return answer.end('{"access_token":"in","expires_in":300}');
          const talk = () => { while (answer.write('x'.repeat(65536))); };
          answer.on('drain', talk);
          talk();
        }).listen(process.argv[1], '127.0.0.1', () => console.log('listening'));
        JS, (string) $port], timeout: null);
    $talker->start();
    $talker->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'listening'));
    $this->api('PUT', '/api/office', ['address' => "http://127.0.0.1:$port", 'client' => 'gullwick', 'secret' => 'lantern'])->assertOk();
    ($this->decided)(0);
    ($this->worker)();
    expect(Work::query()->sole())->state->toBe('waiting')->trouble->toContain('not as one can read it');
    $talker->stop(0);
});

it('takes up work that nobody was woken for, and leaves to another what another has begun', function (): void {
    ($this->set)()->assertOk();
    ($this->decided)(0);
    DB::table('jobs')->delete();
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinute());
    Artisan::call('compadre:sweep-work');
    expect(DB::table('jobs')->count())->toBe(1);
    // Somebody else is at it, and says so: the call comes to nothing.
    $work = Work::query()->sole();
    $work->update(['state' => 'running', 'held_by' => (string) Str::uuid(), 'held_until' => CarbonImmutable::now()->addMinute()]);
    ($this->worker)();
    Artisan::call('compadre:sweep-work');
    expect(DB::table('jobs')->count())->toBe(0)->and($this->office->entries())->toBe([]);
    // They are gone.
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(2));
    Artisan::call('compadre:sweep-work');
    ($this->worker)();
    expect($this->office->entries())->toHaveCount(1)->and($work->refresh()->state)->toBe('done');
    // Once it has long been done, nothing is left of it.
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addDays(31));
    Artisan::call('compadre:sweep-work');
    expect(Work::query()->count())->toBe(0);
});

it('leaves alone what it does not know how to do, and says back no secret', function (): void {
    $work = Work::query()->create(['group_id' => $this->crew->id, 'kind' => 'moonlight', 'state' => 'waiting', 'wake_at' => CarbonImmutable::now()]);
    App\Work\DoWork::dispatch($work->id);
    ($this->worker)();
    expect($work->refresh())->state->toBe('waiting')->and($work->wake_at->equalTo(CarbonImmutable::now()->addMinute()))->toBeTrue();
    $said = ($this->set)(['secret' => str_repeat('lantern', 100)]);
    $this->refused($said, '/secret');
    expect($said->getContent())->not->toContain('lanternlantern');
});

it('does once more what came up while it was at it', function (): void {
    ($this->set)()->assertOk();
    ($this->worker)();
    $hold = App\Work\Hold::take(app(App\Work\StartWork::class)($this->crew, App\Awards\Office\RunErrand::class)->id, (string) Str::uuid());
    expect($hold?->finish())->toBeTrue();
    $work = app(App\Work\StartWork::class)($this->crew, App\Awards\Office\RunErrand::class);
    $hold = App\Work\Hold::take($work->id, (string) Str::uuid());
    app(App\Work\StartWork::class)($this->crew, App\Awards\Office\RunErrand::class);
    expect($hold?->finish())->toBeFalse()->and($hold?->finish())->toBeTrue();
    expect(fn () => $hold?->at(1, 2))->toThrow(App\Work\LostHold::class);
});
