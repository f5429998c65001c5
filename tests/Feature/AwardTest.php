<?php

declare(strict_types=1);

use App\Models\Award;
use App\Models\Learner;
use App\Models\Pursuit;
use App\Models\Role;
use Carbon\CarbonImmutable;

const AWARD_BADGE = ['id' => 'rope-hand', 'name' => 'Rope Hand', 'about' => 'Ties two knots, and says what one is for.', 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => [
    ['knot' => 'overhand', 'level' => 'kept'], ['knot' => 'bowline', 'level' => 'has_it'], ['say' => 'what a bowline is for'],
]]];

beforeEach(function (): void {
    [$this->crew, $this->learners, $this->meetings] = $this->term();
    $this->meetings[0]->update(['place' => 'Net loft']);
    [$this->ada, $this->bram] = $this->learners;
    $this->api('POST', '/api/group/badges', ['pack' => AWARD_BADGE])->assertCreated();
    $this->api('PUT', '/api/group/badges/rope-hand', ['due_on' => null])->assertNoContent();
    $this->say = fn (Learner $learner) => $this->api('PUT', "/api/learners/{$learner->id}/ticks/".(new Compadre\Core\Teaching\Note('say', 'what a bowline is for'))->key(), ['met' => true])->assertNoContent();
    /** All of it: the overhand a week ago and tonight, the rest tonight. */
    $this->complete = function (Learner $learner): void {
        CarbonImmutable::setTestNow('2026-11-17 18:45:00');
        $this->send($this->pass($learner, 'overhand'))->assertOk();
        CarbonImmutable::setTestNow('2026-11-24 18:45:00');
        $this->send($this->pass($learner, 'overhand', ['meeting' => $this->meetings[0]->id]), $this->pass($learner, 'bowline', ['meeting' => $this->meetings[0]->id]))->assertOk();
        ($this->say)($learner);
    };
    $this->board = fn (): array => $this->api('GET', '/api/awards')->assertOk()->json();
    $this->decide = fn (Learner ...$learners) => $this->api('POST', '/api/awards', ['awards' => array_map(fn (Learner $one): array => ['learner' => $one->id, 'badge' => 'rope-hand'], $learners), 'meeting' => $this->meetings[1]->id]);
});

it('goes from ready to decided, handed over and kept, with what met it written down', function (): void {
    ($this->complete)($this->ada);
    $ready = ($this->board)()['ready'];
    expect($ready)->toHaveCount(1)->and($ready[0])->toMatchArray(['learner' => ['id' => $this->ada->id, 'name' => 'Ada P.'], 'badge' => 'rope-hand', 'version' => 1, 'name' => 'Rope Hand']);
    $parts = $ready[0]['proof']['outline']['parts'];
    expect($parts[0]['since'])->toBe(['day' => '2026-11-24', 'by' => 'Maren Holt', 'prior' => false, 'rig' => null, 'place' => 'Net loft'])->and($parts[2]['since'])->toMatchArray(['day' => '2026-11-24', 'by' => 'Maren Holt']);
    $id = ($this->decide)($this->ada)->assertCreated()->json('awards.0');
    $board = ($this->board)();
    expect($board['ready'])->toBe([])->and($board['awards'][0])->toMatchArray(['id' => $id, 'decided_on' => '2026-11-24', 'decided_by' => 'Maren Holt', 'handed_on' => null, 'by_hand' => false, 'stands' => true, 'taken_back' => null, 'meeting' => ['id' => $this->meetings[1]->id, 'date' => '2026-12-01', 'place' => null]]);
    // A week on it is handed over; twice is once.
    CarbonImmutable::setTestNow('2026-12-01 19:30:00');
    foreach ([1, 2] as $ignored) {
        $this->api('PUT', '/api/awards/handed', ['awards' => [$id]])->assertOk();
    }
    $award = $this->api('GET', "/api/awards/$id")->assertOk()->json();
    expect($award)->toMatchArray(['handed_on' => '2026-12-01', 'handed_by' => 'Maren Holt'])->and($award['proof']['outline']['parts'])->toEqual($parts)->and($award['proof']['about'])->toBe(AWARD_BADGE['about']);
    // The badge becomes another; what was awarded stays what it was.
    $this->api('POST', '/api/group/badges', ['pack' => ['name' => 'Rope Hand of old', 'requirement' => ['all' => [['knot' => 'sheepshank', 'level' => 'has_it']]]] + AWARD_BADGE])->assertCreated();
    $this->api('DELETE', '/api/group/badges/rope-hand')->assertNoContent();
    expect($this->api('GET', "/api/awards/$id")->json())->toEqual($award);
    expect($this->api('GET', "/api/learners/{$this->ada->id}")->json('awards'))->toBe([['id' => $id, 'badge' => 'rope-hand', 'name' => 'Rope Hand', 'decided_on' => '2026-11-24', 'handed_on' => '2026-12-01']]);
});

it('decides what is ready, and nothing else: all of them or none', function (): void {
    ($this->complete)($this->ada);
    $this->refused(($this->decide)($this->ada, $this->bram), '/awards/1/badge', 'ready');
    expect(Award::query()->count())->toBe(0);
    // Twice in one request is a slip of whoever sent it.
    $this->refused(($this->decide)($this->ada, $this->ada), '/awards');
    ($this->decide)($this->ada)->assertCreated();
    $this->refused(($this->decide)($this->ada), '/awards/0/badge', 'not decided yet');
    expect(Award::query()->count())->toBe(1);
    $other = $this->group('Another crew');
    $stranger = $this->learners($other, 'Ada P.')[0];
    $this->refused(($this->decide)($stranger), '/awards/0/learner', 'your group');
    $this->refused($this->api('POST', '/api/awards', ['awards' => [['learner' => $this->ada->id, 'badge' => 'green-captain']]]), '/awards/0/badge', 'works toward');
    $this->refused($this->api('POST', '/api/awards', ['awards' => [['learner' => $this->ada->id, 'badge' => 'rope-hand']], 'meeting' => $this->meeting($other, '2026-12-01')->id]), '/meeting', 'your group');
});

it('is a lead’s to decide; who teaches hands over, and a helper does neither', function (): void {
    ($this->complete)($this->ada);
    $id = ($this->decide)($this->ada)->json('awards.0');
    $this->become($this->person($this->crew, Role::Instructor, 'tobin@gullwick.example'));
    ($this->decide)($this->bram)->assertForbidden();
    $this->api('POST', "/api/awards/$id/taken-back", ['why' => 'No.'])->assertForbidden();
    $this->api('GET', '/api/awards')->assertOk();
    $this->api('PUT', '/api/awards/handed', ['awards' => [$id]])->assertOk();
    $this->become($this->person($this->crew, Role::Helper, 'wren@gullwick.example'));
    foreach ([['GET', '/api/awards'], ['GET', "/api/awards/$id"], ['PUT', '/api/awards/handed']] as [$method, $address]) {
        $this->api($method, $address, $method === 'PUT' ? ['awards' => [$id]] : null)->assertForbidden();
    }
});

it('takes a badge back with a reason, and it can be earned again', function (): void {
    ($this->complete)($this->ada);
    $id = ($this->decide)($this->ada)->json('awards.0');
    $this->refused($this->api('POST', "/api/awards/$id/taken-back", ['why' => '   ']), '/why');
    $this->api('POST', "/api/awards/$id/taken-back", ['why' => 'Decided for the wrong Ada.'])->assertOk()->assertJsonPath('taken_back', ['on' => '2026-11-24', 'by' => 'Maren Holt', 'why' => 'Decided for the wrong Ada.']);
    $this->refused($this->api('POST', "/api/awards/$id/taken-back", ['why' => 'Once more.']), '/award', 'in force');
    $this->refused($this->api('PUT', '/api/awards/handed', ['awards' => [$id]]), '/awards/0', 'in force');
    $this->refused($this->api('PUT', "/api/awards/$id", ['handed_on' => '2026-11-24']), '/award', 'in force');
    expect(($this->board)()['ready'])->toHaveCount(1);
    $again = ($this->decide)($this->ada)->assertCreated()->json('awards.0');
    expect(array_column(($this->board)()['awards'], 'taken_back', 'id'))->toMatchArray([$again => null])->toHaveKey($id);
});

it('awards by hand what was earned elsewhere or long ago, to many at once', function (): void {
    $give = fn (array $change = []) => $this->api('POST', '/api/awards/by-hand', $change + ['learners' => [$this->ada->id, $this->bram->id], 'badge' => 'lantern-hand', 'why' => 'Earned with the crew across the harbour.', 'decided_on' => '2024-05-04', 'handed_on' => '2024-05-18']);
    $this->refused($give(['why' => ' ']), '/why');
    $this->refused($give(['decided_on' => '2026-11-25']), '/decided_on', '2026-11-24');
    $this->refused($give(['decided_on' => '1999-01-01']), '/decided_on', '2006-11-24');
    $this->refused($give(['handed_on' => '2024-05-03']), '/handed_on', '2024-05-04');
    $this->refused($give(['badge' => 'no-such']), '/badge');
    expect(Award::query()->count())->toBe(0);
    // What came later is not what it was given for.
    $this->send($this->pass($this->ada, 'figure-eight'))->assertOk();
    $id = $give()->assertCreated()->json('awards.0');
    expect(json_encode($this->api('GET', "/api/awards/$id")->json('proof')))->not->toContain('since');
    $this->refused($give(['learners' => [$this->learners[2]->id, $this->bram->id]]), '/learners/1', 'not decided yet');
    $award = ($this->board)()['awards'][0];
    expect($award)->toMatchArray(['by_hand' => true, 'decided_on' => '2024-05-04', 'handed_on' => '2024-05-18', 'stands' => true])->and(Award::query()->count())->toBe(2);
    // A badge that is held is planned for no more.
    $this->api('PUT', '/api/group/badges/lantern-hand', ['due_on' => null]);
    $crew = collect($this->api('GET', '/api/crew')->assertOk()->json('learners'))->keyBy('id');
    $progress = collect($crew[$this->ada->id]['badges'])->firstWhere('badge', 'lantern-hand');
    expect($progress['held'] ?? true)->toBeTrue();
    expect(array_keys($crew[$this->ada->id]['wanted']))->not->toContain('figure-eight')->and(array_keys($crew[$this->learners[2]->id]['wanted']))->toContain('figure-eight');
});

it('shows a badge that is held on the board, and no more as ready', function (): void {
    ($this->complete)($this->ada);
    $badge = fn (): array => collect(collect($this->api('GET', '/api/crew')->assertOk()->json('learners'))->firstWhere('id', $this->ada->id)['badges'])->firstWhere('badge', 'rope-hand');
    expect($badge())->toMatchArray(['complete' => true, 'held' => false])->and($this->api('GET', '/api/crew')->json('ready'))->toContain('Rope Hand is complete for Ada P.');
    $id = ($this->decide)($this->ada)->json('awards.0');
    expect($badge())->toMatchArray(['complete' => true, 'held' => true])->and($this->api('GET', '/api/crew')->json('ready'))->not->toContain('Rope Hand is complete for Ada P.');
    // The course counts it as done; taken back it is open again.
    expect(collect($this->api('GET', '/api/course')->json('badges'))->firstWhere('id', 'rope-hand')['complete'])->toBe(1);
    $this->api('POST', "/api/awards/$id/taken-back", ['why' => 'Mistaken.'])->assertOk();
    expect($badge()['held'])->toBeFalse();
});

it('says when a check that met a badge was taken back since', function (): void {
    ($this->complete)($this->ada);
    ($this->decide)($this->ada)->assertCreated();
    $bowline = App\Models\CheckEvent::query()->where('knot', 'bowline')->sole();
    $this->send($this->pass($this->ada, 'bowline', ['kind' => 'retract', 'target' => $bowline->id]))->assertOk();
    expect(($this->board)()['awards'][0]['stands'])->toBeFalse();
    $this->send($this->pass($this->ada, 'bowline'))->assertOk();
    expect(($this->board)()['awards'][0]['stands'])->toBeTrue();
});

it('tells tonight’s meeting what is ready, who is one thing short, and what is handed over there in a block of its own', function (): void {
    CarbonImmutable::setTestNow('2026-11-17 18:45:00');
    $this->send($this->pass($this->bram, 'overhand'), $this->pass($this->bram, 'bowline'))->assertOk();
    ($this->complete)($this->ada);
    ($this->say)($this->bram);
    $sheet = fn (): array => $this->api('GET', "/api/meetings/{$this->meetings[0]->id}")->assertOk()->json();
    $badges = $sheet()['badges'];
    expect(array_column($badges['ready'], 'name'))->toBe(['Rope Hand'])->and($badges['to_hand'])->toBe([]);
    expect($badges['nearly'])->toHaveCount(1)->and($badges['nearly'][0]['learner']['name'])->toBe('Bram K.')->and($badges['nearly'][0]['acts'])->toBe([['knot' => 'overhand', 'name' => 'Overhand knot', 'key' => null, 'words' => null]]);
    $kinds = fn (): array => array_column($sheet()['meeting']['blocks'], 'minutes', 'kind');
    $before = $kinds();
    expect($before)->not->toHaveKey('award');
    $id = $this->api('POST', '/api/awards', ['awards' => [['learner' => $this->ada->id, 'badge' => 'rope-hand']], 'meeting' => $this->meetings[0]->id])->json('awards.0');
    expect($sheet()['badges']['to_hand'])->toBe([['id' => $id, 'learner' => ['id' => $this->ada->id, 'name' => 'Ada P.'], 'name' => 'Rope Hand', 'handed_on' => null]]);
    $block = collect($sheet()['meeting']['blocks'])->firstWhere('kind', 'award');
    // A minute to gather, and one for each; the evening is as long as it was.
    expect($block)->toMatchArray(['minutes' => 2, 'learners' => [$this->ada->id]])->and(array_sum(array_column($sheet()['meeting']['blocks'], 'minutes')))->toEqualWithDelta(75, 0.2);
    $this->api('PUT', "/api/awards/$id", ['meeting' => $this->meetings[2]->id])->assertOk();
    expect($kinds())->not->toHaveKey('award');
    // A meeting that is called off hands nothing over.
    $this->meetings[2]->update(['cancelled_at' => CarbonImmutable::now()]);
    expect(($this->board)()['awards'][0]['meeting'])->toBeNull();
    // What is over is asked no more.
    $this->meetings[0]->update(['ended_at' => CarbonImmutable::now()]);
    expect($sheet()['badges'])->toBeNull();
});

it('waits for the badge that comes before', function (): void {
    $this->api('POST', '/api/group/badges', ['pack' => ['id' => 'second-hand', 'name' => 'Second Hand', 'after' => ['rope-hand'], 'requirement' => ['all' => [['knot' => 'bowline', 'level' => 'has_it']]]] + AWARD_BADGE])->assertCreated();
    Pursuit::query()->create(['learner_id' => $this->ada->id, 'badge' => 'second-hand', 'version' => 1]);
    $this->api('PUT', '/api/group/badges/second-hand', ['due_on' => null])->assertNoContent();
    $this->send($this->pass($this->ada, 'bowline'))->assertOk();
    expect(($this->board)()['ready'])->toBe([]);
    $refused = $this->api('POST', '/api/awards', ['awards' => [['learner' => $this->ada->id, 'badge' => 'second-hand']]]);
    $this->refused($refused, '/awards/0/badge');
    expect($refused->json('message'))->toContain('comes after another badge');
    $this->api('POST', '/api/awards/by-hand', ['learners' => [$this->ada->id], 'badge' => 'rope-hand', 'why' => 'Earned elsewhere.'])->assertCreated();
    expect(array_column(($this->board)()['ready'], 'badge'))->toBe(['second-hand']);
});

it('goes with a learner: into their record, into another entry, and away when they are erased', function (): void {
    $this->api('POST', '/api/awards/by-hand', ['learners' => [$this->ada->id, $this->bram->id], 'badge' => 'lantern-hand', 'why' => 'Earned elsewhere.', 'decided_on' => '2025-01-02', 'handed_on' => '2025-01-03'])->assertCreated();
    ($this->complete)($this->bram);
    ($this->decide)($this->bram)->assertCreated();
    $record = $this->api('GET', "/api/learners/{$this->bram->id}/record")->assertOk()->json('awards');
    expect(array_column($record, 'name'))->toBe(['Lantern Hand', 'Rope Hand'])->and($record[1]['proof']['outline']['met'])->toBeTrue()->and($record[0]['why'])->toBe('Earned elsewhere.');
    $this->api('POST', "/api/learners/{$this->bram->id}/merge", ['into' => $this->ada->id])->assertNoContent();
    $held = Award::query()->where('learner_id', $this->ada->id)->get();
    expect($held)->toHaveCount(3)->and($held->whereNull('taken_back_on')->pluck('name')->sort()->values()->all())->toBe(['Lantern Hand', 'Rope Hand']);
    expect($held->whereNotNull('taken_back_on')->sole()->taken_back_why)->toContain('two entries');
    $this->api('DELETE', "/api/learners/{$this->ada->id}")->assertOk();
    expect(Award::query()->count())->toBe(0);
    expect(json_encode(($this->board)()))->not->toContain('Ada P.');
});

it('keeps what two leads decide at once to one', function (): void {
    ($this->complete)($this->ada);
    $row = ['group_id' => $this->crew->id, 'learner_id' => $this->ada->id, 'badge' => 'rope-hand', 'version' => 1, 'name' => 'Rope Hand', 'proof' => [], 'decided_on' => '2026-11-24', 'decided_by' => App\Models\User::query()->firstOrFail()->id];
    Award::query()->create($row);
    expect(fn () => Award::query()->create($row))->toThrow(Illuminate\Database\UniqueConstraintViolationException::class);
    Award::query()->create(['taken_back_on' => '2026-11-24', 'taken_back_why' => 'Twice.'] + $row);
});
