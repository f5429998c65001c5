<?php

declare(strict_types=1);

use App\Models\CheckEvent;
use App\Models\Meeting;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

it('takes in an evening that a device began without a network, as often as it tells of it', function (): void {
    $group = $this->group();
    $this->become($this->person($group, Role::Instructor));
    [$ada] = $this->learners($group, 'Ada P.');
    $this->meeting($group, '2026-11-17', 90)->update(['place' => 'Net loft', 'checkers' => 3]);
    $id = (string) Str::uuid7();
    // Sent the next morning; it began at 18:45 of the day before.
    $evening = CarbonImmutable::now();
    CarbonImmutable::setTestNow($evening->addHours(14));
    $told = ['id' => strtoupper($id), 'ago_s' => 14 * 3600];
    $sheet = $this->api('POST', '/api/tonight', $told)->assertStatus(201)->json();
    expect($sheet['meeting'])->toMatchArray(['id' => $id, 'date' => '2026-11-24', 'starts_at' => '18:45', 'minutes' => 90, 'checkers' => 3, 'place' => 'Net loft']);
    expect($sheet['clock'])->toMatchArray(['started_at' => null, 'blocks' => []]);
    expect($this->api('POST', '/api/tonight', $told)->assertStatus(201)->json('meeting.id'))->toBe($id);
    expect($group->meetings()->where('date', '2026-11-24')->count())->toBe(1);
    // What was noted of it follows, each as long ago as it was.
    $run = fn (string $step, int $minute) => $this->api('POST', "/api/meetings/$id/run", ['step' => $step, 'ago_s' => 14 * 3600 - 60 * $minute] + ($step === 'start' ? ['shown' => []] : []))->assertOk()->json('clock');
    $clock = $run('start', 0);
    expect($clock)->toMatchArray(['started_at' => $evening->toIso8601ZuluString(), 'blocks' => []]);
    $this->api('PUT', "/api/meetings/$id/attendance/{$ada->id}", ['present' => true])->assertNoContent();
    $event = $this->pass($ada, 'square-knot', ['meeting' => $id, 'observed_at' => $evening->addMinutes(9)->toIso8601ZuluString()]);
    $this->api('POST', '/api/check-events', ['sent_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'events' => [$event]])->assertOk();
    expect(CheckEvent::query()->sole())->toMatchArray(['meeting_id' => $id, 'day' => '2026-11-24']);
    expect($run('end', 40)['ended_at'])->toBe($evening->addMinutes(40)->toIso8601ZuluString());
    expect(collect($this->api('GET', '/api/course')->json('meetings'))->firstWhere('id', $id))->toMatchArray(['state' => 'past', 'present' => 1, 'results' => 1]);
});

it('makes of it the meeting that was on by then, and leaves that one’s clock alone', function (string $date, string $at, int $ago, bool $isOn): void {
    [$group, , [$tonight]] = $this->term();
    $tonight->update(['date' => $date, 'starts_at' => $at]);
    $before = $group->meetings()->count();
    $answer = $this->api('POST', '/api/tonight', ['id' => (string) Str::uuid7(), 'ago_s' => $ago])->assertStatus(201)->json();
    expect($answer['meeting']['id'] === $tonight->id)->toBe($isOn)->and($group->meetings()->count())->toBe($before + ($isOn ? 0 : 1));
    expect($tonight->refresh()->started_at)->toBeNull();
})->with([
    'it runs' => ['2026-11-24', '18:30', 0, true],
    'it begins soon' => ['2026-11-24', '19:30', 0, true],
    'it begins when the other is over' => ['2026-11-24', '20:00', 0, false],
    'it was on when the device began' => ['2026-11-24', '10:00', 8 * 3600, true],
    'it was over when the device began' => ['2026-11-24', '10:00', 7 * 3600, false],
    'it is of another day' => ['2026-11-25', '18:30', 0, false],
]);

it('takes no account of a meeting that was called off', function (): void {
    [$group, , [$tonight]] = $this->term();
    $tonight->update(['cancelled_at' => CarbonImmutable::now()]);
    $id = (string) Str::uuid7();
    expect($this->api('POST', '/api/tonight', ['id' => $id, 'ago_s' => 60])->assertStatus(201)->json('meeting.id'))->toBe($id);
});

it('starts one that is told of at once, by the id it was given, and once where the answer was lost', function (): void {
    $group = $this->group();
    $this->become($this->person($group, Role::Instructor));
    $id = (string) Str::uuid7();
    $clock = $this->api('POST', '/api/tonight', ['id' => $id])->assertStatus(201)->json('clock');
    expect($clock['started_at'])->not->toBeNull();
    // The device heard nothing, and began on its own a moment later.
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(2));
    expect($this->api('POST', '/api/tonight', ['id' => $id, 'ago_s' => 100])->assertStatus(201)->json('clock.started_at'))->toBe($clock['started_at']);
    expect($this->api('POST', "/api/meetings/$id/run", ['step' => 'start', 'shown' => [], 'ago_s' => 100])->assertOk()->json('clock.started_at'))->toBe($clock['started_at']);
    expect(Meeting::query()->count())->toBe(1);
});

it('refuses an evening with an id that is another group’s, or of weeks ago', function (): void {
    $other = $this->meeting($this->group('Tarrow Shore Band'));
    $group = $this->group();
    $this->become($this->person($group));
    $this->refused($this->api('POST', '/api/tonight', ['id' => $other->id, 'ago_s' => 5]), '/id', 'a new id');
    $this->refused($this->api('POST', '/api/tonight', ['id' => 'tonight', 'ago_s' => 5]), '/id');
    $this->refused($this->api('POST', '/api/tonight', ['id' => (string) Str::uuid7(), 'ago_s' => 1209601]), '/ago_s', '1209600');
    $this->refused($this->api('POST', '/api/tonight', ['id' => (string) Str::uuid7(), 'ago_s' => -1]), '/ago_s');
    expect($group->meetings()->count())->toBe(0)->and($other->refresh()->group_id)->not->toBe($group->id);
});

it('opens no evening at a meeting that was called off, and plans nothing for it', function (): void {
    [$group, , [$tonight, $next]] = $this->term();
    expect($this->api('GET', '/api/me')->json('tonight'))->toBe($tonight->id)->and($this->api('GET', '/api/check/bowline')->json('meeting.id'))->toBe($tonight->id);
    $blocks = $this->api('GET', "/api/meetings/{$next->id}")->json('meeting.blocks');
    $this->api('DELETE', "/api/meetings/{$tonight->id}")->assertNoContent();
    $me = $this->api('GET', '/api/me')->json();
    expect($me['tonight'])->toBeNull()->and(array_column($me['ahead'], 'id'))->toBe([$next->id, $group->meetings()->get()->last()?->id]);
    expect($this->api('GET', '/api/check/bowline')->json('meeting'))->toBeNull();
    expect(array_column($this->api('GET', '/api/rigs')->json('meetings'), 'id'))->not->toContain($tonight->id);
    // Whoever has its page open sees that there is nothing to start.
    $sheet = $this->api('GET', "/api/meetings/{$tonight->id}")->assertOk()->json('meeting');
    expect($sheet)->toMatchArray(['id' => $tonight->id, 'state' => 'past', 'blocks' => []]);
    // What was planned for it goes to the next, which is now the first of the term, on its own page as on the course.
    $after = $this->api('GET', "/api/meetings/{$next->id}")->json('meeting');
    expect($after['number'])->toBe(1)->and($after['blocks'])->not->toBe($blocks);
    expect(collect($this->api('GET', '/api/course')->json('meetings'))->firstWhere('id', $next->id))->toMatchArray(['number' => 1, 'blocks' => $after['blocks']]);
    // Another evening may be opened in its place.
    $opened = $this->call('POST', '/api/tonight', server: ['HTTP_ACCEPT' => 'application/json', 'HTTP_ORIGIN' => 'http://127.0.0.1:'.config()->string('app.port')])->assertStatus(201)->json('meeting.id');
    expect($opened)->not->toBe($tonight->id)->and($this->api('GET', '/api/me')->json('tonight'))->toBe($opened);
});
