<?php

declare(strict_types=1);

use App\Models\Device;
use App\Models\Role;
use Carbon\CarbonImmutable;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->lead = $this->person($this->crew);
    $this->helper = $this->person($this->crew, Role::Helper, 'wren@gullwick.example');
});

it('knows on what people are signed in, and shows each their own', function (): void {
    $this->onDevice('maren@gullwick.example', 'Mozilla/5.0 (X11; Linux x86_64) Chrome/156');
    $phone = $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 16) Chrome/156 Mobile');
    $own = $this->api('GET', '/api/devices')->assertOk()->json('devices');
    expect($own)->toHaveCount(1)->and($own[0])->toMatchArray(['id' => $phone, 'label' => 'Chrome on Android', 'here' => true]);
    $this->become($this->lead);
    expect(array_column($this->api('GET', '/api/devices')->json('devices'), 'label'))->toContain('Chrome on Android', 'Chrome on Linux');
    // A helper reaches nobody else's.
    $this->become($this->helper);
    $this->api('DELETE', '/api/devices/'.Device::query()->where('user_id', $this->lead->id)->firstOrFail()->id)->assertNotFound();
    expect(Device::query()->whereNotNull('revoked_at')->count())->toBe(0);
});

it('turns a lost phone away, says so until somebody signs in on it, and lets no remembered sign-in bring it back', function (): void {
    $phone = $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 16) Chrome/156 Mobile');
    $session = session()->all();
    $remembered = $this->helper->refresh()->getRememberToken();
    $this->become($this->lead);
    $this->api('DELETE', "/api/devices/$phone")->assertNoContent();
    expect(array_column($this->api('GET', '/api/devices')->json('devices'), 'id'))->not->toContain($phone);
    expect($remembered)->toBeString()->and($this->helper->refresh()->getRememberToken())->not->toBe($remembered);
    // The phone comes back with the session it had.
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->withSession($session);
    $this->api('GET', '/api/crew')->assertUnauthorized()->assertJsonPath('errors.0.field', '/device');
    // The first answer may have gone to a page that was just being left.
    $this->app['auth']->forgetGuards();
    $this->api('GET', '/api/me')->assertUnauthorized()->assertJsonPath('errors.0.field', '/device');
    $this->api('GET', '/api/house')->assertOk()->assertJsonPath('signed_in', false);
    // What was asked before, and is done after, writes the session back as it was.
    $this->app['auth']->forgetGuards();
    $this->withSession($session);
    $this->api('GET', '/api/crew')->assertUnauthorized()->assertJsonPath('errors.0.field', '/device');
    $this->app['auth']->forgetGuards();
    $this->api('POST', '/api/sign-in', ['email' => 'wren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk();
    $this->api('GET', '/api/crew')->assertOk();
    expect(Device::query()->whereNull('revoked_at')->where('user_id', $this->helper->id)->sole()->id)->not->toBe($phone);
});

it('gives whoever signs in again before the phone has heard of it a device that is theirs', function (): void {
    $phone = $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 16) Chrome/156 Mobile');
    Device::query()->findOrFail($phone)->end();
    $this->api('POST', '/api/sign-in', ['email' => 'wren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk();
    $this->api('GET', '/api/crew')->assertOk();
});

it('lists a device no more that somebody signed out on, and a session kept from it opens nothing', function (): void {
    $phone = $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (Linux; Android 16) Chrome/156 Mobile');
    $session = session()->all();
    $this->api('POST', '/api/sign-out')->assertNoContent();
    expect(Device::query()->findOrFail($phone)->revoked_at)->not->toBeNull();
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $this->withSession($session);
    $this->api('GET', '/api/crew')->assertUnauthorized();
    $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140');
    expect(array_column($this->api('GET', '/api/devices')->json('devices'), 'label'))->toBe(['Firefox on Linux']);
});

it('writes down when a device was seen, not at every request', function (): void {
    $this->onDevice('wren@gullwick.example', 'Mozilla/5.0 (iPhone) Safari/600');
    $first = Device::query()->sole()->seen_at;
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(4));
    $this->api('GET', '/api/me')->assertOk();
    expect(Device::query()->sole()->seen_at->eq($first))->toBeTrue();
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(4));
    $this->api('GET', '/api/me')->assertOk();
    expect(Device::query()->sole())->seen_at->gt($first)->toBeTrue()->label->toBe('Safari on iPhone');
});
