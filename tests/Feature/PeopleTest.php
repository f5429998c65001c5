<?php

declare(strict_types=1);

use App\Models\CheckEvent;
use App\Models\Device;
use App\Models\Invitation;
use App\Models\LeftCheck;
use App\Models\Membership;
use App\Models\Remote;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->lead = $this->person($this->crew);
    $this->helper = $this->person($this->crew, Role::Helper, 'wren@gullwick.example');
    [$this->ada, $this->bram] = $this->learners($this->crew, 'Ada P.', 'Bram K.');
    $this->actingAs($this->lead);
});

it('ends a person’s access, keeps what they checked as theirs, and clears what they could sign in with', function (): void {
    $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 14) Chrome/120');
    $this->send($this->pass($this->ada))->assertOk();
    DB::table('resets')->insert(['token_hash' => str_repeat('0', 64), 'user_id' => $this->helper->id, 'expires_at' => now()->addHour()]);
    Invitation::query()->create(['group_id' => $this->crew->id, 'created_by' => $this->helper->id, 'role' => Role::Helper, 'token_hash' => str_repeat('1', 64), 'expires_at' => now()->addDay()]);
    $this->become($this->lead);
    $this->api('DELETE', "/api/people/{$this->helper->id}")->assertNoContent();

    expect($this->helper->refresh()->only('name', 'email', 'password'))->toBe(['name' => 'Maren Holt', 'email' => null, 'password' => null]);
    expect(Membership::query()->where('user_id', $this->helper->id)->sole()->until?->toDateString())->toBe('2026-11-24');
    foreach ([Device::class, Remote::class] as $kept) {
        expect($kept::query()->where('user_id', $this->helper->id)->count())->toBe(0);
    }
    expect(DB::table('remembered')->where('user_id', $this->helper->id)->count())->toBe(0);
    expect([DB::table('resets')->count(), Invitation::query()->count(), CheckEvent::query()->where('by', $this->helper->id)->count()])->toBe([0, 0, 1]);
    expect($this->api('GET', "/api/learners/{$this->ada->id}")->json('history.0.by'))->toBe('Maren Holt');
    expect(array_column($this->api('GET', '/api/people')->json('people'), 'id'))->toBe([$this->lead->id]);
    // Gone is gone: no sign-in, no second end; the address is free for another account.
    $this->api('DELETE', "/api/people/{$this->helper->id}")->assertNotFound();
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->refused($this->api('POST', '/api/sign-in', ['email' => 'wren@gullwick.example', 'password' => 'lantern-tail-77']), '/email');
});

it('turns away a page that was open when access ended', function (): void {
    $this->become($this->helper);
    $this->api('GET', '/api/me')->assertOk();
    $this->helper->memberships()->update(['until' => now()]);
    $this->become($this->helper->refresh());
    $this->api('GET', '/api/me')->assertStatus(401)->assertJsonPath('errors.0.field', '/device');
});

it('is never without a lead', function (): void {
    $this->refused($this->api('DELETE', "/api/people/{$this->lead->id}"), '/person', 'somebody else');
    $this->refused($this->api('PUT', "/api/people/{$this->lead->id}", ['role' => 'helper']), '/role', 'somebody else');
    $this->api('PUT', "/api/people/{$this->helper->id}", ['role' => 'lead'])->assertNoContent();
    $this->api('PUT', "/api/people/{$this->lead->id}", ['role' => 'instructor'])->assertNoContent();
    $this->become($this->lead->refresh());
    $this->api('GET', '/api/people')->assertForbidden();
    expect(User::of($this->crew)->count())->toBe(2);
});

it('changes one’s own password, for whoever knows the present one', function (): void {
    $new = ['current' => 'lantern-tail-77', 'password' => 'four gulls on a rail'];
    $this->refused($this->api('PUT', '/api/me/password', ['current' => 'lantern-tail-78'] + $new), '/current');
    foreach (['aaaaaaaaaaaa', '1234567890', 'qwertyuiop', 'maren.holt', 'Gullwick2026', 'abcabcabcabc', 'password1234'] as $weak) {
        $this->refused($this->api('PUT', '/api/me/password', ['password' => $weak] + $new), '/password', 'hard to guess');
    }
    $this->refused($this->api('PUT', '/api/me/password', ['password' => str_repeat('gull rail ', 8)] + $new), '/password', '72 bytes');
    $this->api('PUT', '/api/me/password', $new)->assertNoContent();
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->refused($this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77']), '/email');
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'four gulls on a rail'])->assertOk();
});

it('lets a helper check, and take back what they said, and no more', function (): void {
    $theirs = $this->pass($this->ada);
    $this->send($theirs)->assertOk();
    $this->become($this->helper);
    $this->refused($this->send($this->pass($this->ada, 'bowline', ['kind' => 'prior'])), '/events/0/kind', 'check what they see');
    $this->refused($this->send(['kind' => 'retract', 'target' => $theirs['id']] + $this->pass($this->ada)), '/events/0/target', 'your own');
    // One that has not arrived may be anybody's.
    $this->refused($this->send(['kind' => 'retract', 'target' => (string) Str::uuid7()] + $this->pass($this->ada)), '/events/0/target', 'your own');
    expect(CheckEvent::query()->count())->toBe(1);
    // Their own, a moment later or together with it.
    $own = $this->pass($this->bram);
    $this->send($own, ['kind' => 'retract', 'target' => $own['id']] + $this->pass($this->bram))->assertOk();
    $this->become($this->lead);
    $this->send(['kind' => 'retract', 'target' => $theirs['id']] + $this->pass($this->ada))->assertOk();
});

it('believes no time before the group’s first day or after it arrived, and lets nothing go for that', function (string $time): void {
    $this->send($this->pass($this->ada, 'bowline', ['observed_at' => $time]), $this->pass($this->ada, 'bowline', ['observed_at' => '2026-11-24T18:40:00Z']))->assertOk();
    $event = CheckEvent::query()->orderBy('device_seq')->firstOrFail();
    expect($event->only('day', 'day_by_server', 'clock_off_s'))->toBe(['day' => '2026-11-24', 'day_by_server' => true, 'clock_off_s' => 0]);
    expect($event->observed_at->toIso8601ZuluString('second'))->toBe($time);
    $page = $this->api('GET', "/api/learners/{$this->ada->id}")->json();
    expect(array_column($page['history'], 'day_by_server'))->toContain(true)->and($page['marks']['bowline']['level'])->toBe('has_it');
})->with(['2020-01-01T00:00:00Z', '2031-05-05T05:05:05Z', '9999-12-31T23:59:59Z']);

it('holds a check to whoever tapped it: it waits for them, or a lead sends it on under both names', function (): void {
    $tapped = $this->pass($this->ada, 'bowline', ['by' => $this->lead->id]);
    $this->become($this->helper);
    $this->refused($this->send($tapped), '/events/0/by', 'yourself');
    expect(CheckEvent::query()->count())->toBe(0);
    $this->become($this->lead);
    $this->send($tapped, $this->pass($this->bram, 'bowline', ['by' => $this->helper->id]))->assertOk();
    expect(CheckEvent::query()->where('learner_id', $this->bram->id)->sole()->only('by', 'sent_by'))->toBe(['by' => $this->helper->id, 'sent_by' => $this->lead->id]);
    expect(CheckEvent::query()->where('learner_id', $this->ada->id)->sole()->sent_by)->toBeNull();
    expect($this->api('GET', "/api/learners/{$this->bram->id}")->json('history.0'))->toMatchArray(['by' => 'Maren Holt', 'sent_by' => 'Maren Holt']);
    // Of another group, or of none.
    $stranger = $this->person($this->group('Other Harbour'), Role::Lead, 'olive@harbour.example');
    $this->refused($this->send($this->pass($this->bram, 'overhand', ['by' => $stranger->id])), '/events/0/by', 'your group');
});

it('takes what still waits on a phone whose access has ended, for a lead to accept', function (): void {
    $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 14) Chrome/120');
    $key = $this->api('GET', '/api/me')->json('hand_in');
    $waiting = [$this->pass($this->ada, 'bowline', ['by' => $this->helper->id]), $this->pass($this->bram, 'bowline')];
    $handIn = fn (string $key): array => (array) $this->api('POST', '/api/left-checks', ['key' => $key, 'sent_at' => '2026-11-24T18:50:00Z', 'events' => $waiting])->json();
    // Not ended: whoever owns the phone signs in again.
    expect($handIn($key))->toBe(['ended' => false])->and(LeftCheck::query()->count())->toBe(0);
    $this->become($this->lead);
    $this->api('DELETE', "/api/people/{$this->helper->id}")->assertNoContent();
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->refused($this->api('POST', '/api/left-checks', ['key' => substr($key, 0, -4).'beef', 'sent_at' => '2026-11-24T18:50:00Z', 'events' => []]), '/key');
    expect($handIn($key))->toBe(['ended' => true])->and($handIn($key))->toBe(['ended' => true]);
    expect([LeftCheck::query()->count(), CheckEvent::query()->count()])->toBe([2, 0]);

    $this->become($this->lead->refresh());
    $left = $this->api('GET', '/api/left-checks')->assertOk()->json('checks');
    expect(array_column($left, 'learner'))->toEqualCanonicalizing(['Ada P.', 'Bram K.'])->and($left[0])->toMatchArray(['who' => 'Maren Holt', 'knot' => 'Bowline', 'tying' => 'yes']);
    $this->api('POST', '/api/left-checks/accept', ['ids' => [$waiting[0]['id']]])->assertOk()->assertJson(['taken' => 1]);
    $this->api('POST', '/api/left-checks/refuse', ['ids' => [$waiting[1]['id']]])->assertNoContent();
    expect(CheckEvent::query()->sole()->only('learner_id', 'by', 'sent_by'))->toBe(['learner_id' => $this->ada->id, 'by' => $this->helper->id, 'sent_by' => $this->lead->id]);
    expect(LeftCheck::query()->count())->toBe(0);
});

it('counts tries at an account wherever they come from, and keeps some for a device that is known', function (): void {
    $this->app['auth']->forgetGuards();
    $try = fn (string $email, string $from, string $password = 'guess') => $this->withServerVariables(['REMOTE_ADDR' => $from])->api('POST', '/api/sign-in', ['email' => $email, 'password' => $password])->getStatusCode();
    // The same account, however it is written, from wherever.
    $forms = ['maren@gullwick.example', ' MAREN@gullwick.example', 'máren@gullwick.example', "ma\u{200B}ren@gullwick.example", 'maren@gullwick.exàmple'];
    foreach ($forms as $number => $form) {
        expect($try($form, "10.0.0.$number"))->toBe(422);
    }
    expect($try('maren@gullwick.example', '10.0.0.99', 'lantern-tail-77'))->toBe(429);
    expect($try('wren@gullwick.example', '10.0.0.99', 'lantern-tail-77'))->toBe(200);
});

it('signs in by the very address alone', function (string $email): void {
    $this->app['auth']->forgetGuards();
    $this->refused($this->api('POST', '/api/sign-in', ['email' => $email, 'password' => 'lantern-tail-77']), '/email');
})->with(['an accent' => 'máren@gullwick.example', 'a hidden character' => "maren\u{200B}@gullwick.example", 'full width' => 'ｍaren@gullwick.example']);

it('keeps its own tries for a device that somebody signed in on', function (): void {
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $cookie = $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk()->getCookie('compadre_known', true);
    expect($cookie?->isHttpOnly())->toBeTrue();
    for ($n = 0; $n < 6; $n++) {
        $last = $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'guess']);
    }
    $last->assertStatus(429);
    $this->withCredentials()->withCookie('compadre_known', (string) $cookie?->getValue())->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk();
});

it('remembers a sign-in for two weeks and no longer', function (): void {
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $answer = $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk();
    $remember = collect($answer->headers->getCookies())->first(fn ($cookie): bool => str_starts_with($cookie->getName(), 'remember_'));
    expect($remember->getExpiresTime() - now()->getTimestamp())->toBe(14 * 86400);
});

it('hands out one learner’s whole record, and erases one who was put away', function (): void {
    $meeting = $this->meeting($this->crew);
    $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$this->ada->id}", ['present' => true])->assertNoContent();
    foreach (range(1, 6) as $n) {
        $this->send(...array_map(fn (): array => $this->pass($this->ada, 'bowline', ['note' => "No. $n"]), range(1, 100)))->assertOk();
    }
    $this->api('PUT', "/api/learners/{$this->ada->id}", ['archived' => true])->assertOk();
    $record = $this->api('GET', "/api/learners/{$this->ada->id}/record")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="learner.json"')->json();
    expect($record)->toMatchArray(['format' => 'compadre-learner', 'version' => 1, 'group' => 'Gullwick Lantern Crew'])->and($record['learner'])->toMatchArray(['name' => 'Ada P.', 'archived' => true]);
    expect($record['checks'])->toHaveCount(600)->and($record['checks'][599])->toMatchArray(['note' => 'No. 6', 'by' => 'Maren Holt', 'verdict' => 'has_it']);
    expect($record['evenings'])->toBe([['meeting' => $meeting->id, 'date' => '2026-11-24', 'present' => true, 'by' => 'Maren Holt']]);
    expect(array_column($record['badges'], 'badge'))->not->toBe([]);
    $this->api('GET', "/api/learners/{$this->ada->id}")->assertOk()->assertJson(['archived' => true]);
    $this->api('DELETE', "/api/learners/{$this->ada->id}")->assertSuccessful();
    expect(CheckEvent::query()->count())->toBe(0);
});
