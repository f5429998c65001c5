<?php

declare(strict_types=1);

use App\House\People\ResetPassword;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;

it('lets nobody in who has not signed in', function (string $method, string $path): void {
    $this->api($method, $path, $method === 'GET' ? null : [])->assertStatus(401)->assertJson(['message' => 'Sign in first.']);
})->with([
    ['GET', '/api/me'], ['GET', '/api/course'], ['GET', '/api/crew'], ['GET', '/api/knots'], ['GET', '/api/people'], ['GET', '/api/check/bowline'],
    ['POST', '/api/check-events'], ['POST', '/api/learners'], ['POST', '/api/invitations'], ['POST', '/api/tail'], ['POST', '/api/sign-out'],
]);

it('signs in, says who it is, and signs out', function (): void {
    $this->person($this->group());
    $this->api('POST', '/api/sign-in', ['email' => ' Maren@Gullwick.example ', 'password' => 'lantern-tail-77'])->assertOk()
        ->assertJson(['user' => ['name' => 'Maren Holt', 'role' => 'lead'], 'group' => ['name' => 'Gullwick Lantern Crew'], 'today' => '2026-11-24', 'tonight' => null]);
    $this->api('GET', '/api/me')->assertOk();
    $this->api('POST', '/api/sign-out')->assertNoContent();
    $this->app['auth']->forgetGuards();
    $this->api('GET', '/api/me')->assertStatus(401);
});

it('does not say which of the two was wrong', function (string $email, string $password): void {
    $this->person($this->group());
    $response = $this->api('POST', '/api/sign-in', ['email' => $email, 'password' => $password]);
    $this->refused($response, '/email', 'belong together');
    expect((string) $response->getContent())->not->toContain($password);
})->with([['maren@gullwick.example', 'wrong-password'], ['nobody@gullwick.example', 'lantern-tail-77']]);

it('slows down guessing', function (): void {
    $this->person($this->group());
    foreach (range(1, 5) as $try) {
        $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => "guess-$try"])->assertStatus(422);
    }
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertStatus(429)->assertHeader('Retry-After');
});

it('refuses a sign-in that is not one', function (array $body, string $field): void {
    $this->refused($this->api('POST', '/api/sign-in', $body), $field);
})->with([
    [['email' => 'maren@gullwick.example'], '/password'],
    [['email' => 7, 'password' => 'x'], '/email'],
    [['email' => 'm@x', 'password' => 'x', 'remember' => true], '/remember'],
    [['email' => str_repeat('m', 191), 'password' => 'x'], '/email'],
]);

it('takes JSON only', function (): void {
    $this->post('/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'x'], ['Accept' => 'application/json'])->assertStatus(422);
    $this->call('POST', '/api/sign-in', [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_ORIGIN' => 'http://127.0.0.1:'.config()->string('app.port')], '{"email":')->assertStatus(422)->assertJsonPath('errors.0.allowed', 'valid JSON in UTF-8');
});

it('lets one person join by a link, once, with its role', function (): void {
    $lead = $this->person($this->group());
    $link = $this->actingAs($lead)->api('POST', '/api/invitations', ['role' => 'helper'])->assertStatus(201)->json();
    expect(strlen($link['token']))->toBe(48);
    expect(Invitation::query()->value('token_hash'))->not->toBe($link['token']);
    $this->app['auth']->forgetGuards();
    $this->api('POST', '/api/join/about', ['token' => $link['token']])->assertOk()->assertJson(['group' => 'Gullwick Lantern Crew', 'role' => 'helper']);
    $wren = ['name' => 'Wren Callow', 'email' => 'wren@gullwick.example', 'password' => 'harbour-light-9'];
    $this->api('POST', '/api/join', ['token' => $link['token']] + $wren)->assertStatus(201)->assertJson(['user' => ['role' => 'helper'], 'group' => ['id' => $lead->group->id]]);
    $this->api('POST', '/api/join', ['token' => $link['token'], 'email' => 'second@gullwick.example'] + $wren)->assertStatus(404);
    expect(User::query()->count())->toBe(2);
});

it('ends a link after a day, or when it is withdrawn', function (): void {
    $lead = $this->person($this->group());
    $link = $this->actingAs($lead)->api('POST', '/api/invitations', ['role' => 'lead'])->json();
    $other = $this->api('POST', '/api/invitations', ['role' => 'helper'])->json();
    $listed = $this->api('GET', '/api/people')->assertOk()->json('invitations');
    expect($listed)->toHaveCount(2);
    $this->api('DELETE', '/api/invitations/'.collect($listed)->firstWhere('role', 'helper')['id'])->assertNoContent();
    $this->api('POST', '/api/join/about', ['token' => $other['token']])->assertStatus(404);
    CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addHours(24)->addSecond());
    $this->api('POST', '/api/join/about', ['token' => $link['token']])->assertStatus(404);
});

it('keeps the link when the person was refused', function (): void {
    $lead = $this->person($this->group());
    $link = $this->actingAs($lead)->api('POST', '/api/invitations', ['role' => 'helper'])->json();
    $this->app['auth']->forgetGuards();
    $short = $this->api('POST', '/api/join', ['token' => $link['token']] + ['name' => 'Wren', 'email' => 'wren@gullwick.example', 'password' => 'short']);
    $this->refused($short, '/password', 'at least 10');
    expect((string) $short->getContent())->not->toContain('short"');
    $this->refused($this->api('POST', '/api/join', ['token' => $link['token']] + ['name' => 'Wren', 'email' => 'maren@gullwick.example', 'password' => 'harbour-light-9']), '/email', 'without an account');
    $this->api('POST', '/api/join/about', ['token' => $link['token']])->assertOk();
});

it('gives each role what it may do, on the server', function (Role $role, array $allowed): void {
    $group = $this->group();
    $meeting = $this->meeting($group);
    [$ada] = $this->learners($group, 'Ada P.');
    $this->actingAs($this->person($group, $role));
    $status = [
        'check' => $this->send($this->pass($ada))->getStatusCode(),
        'attend' => $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$ada->id}", ['present' => true])->getStatusCode(),
        'plan' => $this->api('POST', '/api/meetings', ['date' => '2026-12-24', 'starts_at' => '18:30', 'minutes' => 60, 'checkers' => 1])->getStatusCode(),
        'people' => $this->api('GET', '/api/people')->getStatusCode(),
        'invite' => $this->api('POST', '/api/invitations', ['role' => 'lead'])->getStatusCode(),
        'learners' => $this->api('POST', '/api/learners', ['learners' => [['name' => 'Bram K.', 'age_band' => '8-10']]])->getStatusCode(),
    ];
    expect(array_keys(array_filter($status, fn (int $code): bool => $code < 400)))->toBe($allowed);
    expect(array_unique(array_filter($status, fn (int $code): bool => $code >= 400)))->each->toBe(403);
})->with([
    [Role::Lead, ['check', 'attend', 'plan', 'people', 'invite', 'learners']],
    [Role::Instructor, ['check', 'attend']],
    [Role::Helper, ['check']],
]);

it('sets a new password by a one-time link', function (): void {
    $user = $this->person($this->group());
    $token = app(ResetPassword::class)->offer($user);
    // A bad password leaves the link good.
    $this->refused($this->api('POST', '/api/reset', ['token' => $token, 'password' => 'aaaaaaaaaa']), '/password', 'hard to guess');
    $new = ['token' => $token, 'password' => 'a-new-lantern-8'];
    $this->api('POST', '/api/reset', $new)->assertNoContent();
    $this->refused($this->api('POST', '/api/reset', $new), '/token', 'once');
    $this->refused($this->api('POST', '/api/reset', ['token' => str_repeat('0', 48)] + $new), '/token');
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'a-new-lantern-8'])->assertOk();
});
