<?php

declare(strict_types=1);

use App\Models\Remote;
use App\Models\Role;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->lead = $this->person($this->crew);
    $this->actingAs($this->lead);
    $this->phone = fn (string $method, string $token, ?array $body = null) => $this->withHeader('X-Remote', $token)->api($method, '/api/remote', $body);
    $this->offered = fn (): array => $this->api('POST', '/api/screens', ['knot' => 'bowline', 'step' => 1, 'steps' => 6])->assertStatus(201)->json();
});

it('hands a screen to a phone and back', function (): void {
    $offer = ($this->offered)();
    expect($offer['code'])->toMatch('/^[A-Z0-9]{6}$/')->and($offer['until'])->toBe('2026-11-24T18:55:00Z');
    expect($offer['remote'])->toMatchArray(['knot' => 'bowline', 'step' => 1, 'steps' => 6, 'turn' => 0, 'taken' => false]);
    // The code is kept nowhere.
    expect(Remote::query()->sole()->getAttributes())->not->toContain($offer['code']);
    $held = $this->api('POST', '/api/remote', ['code' => ' '.strtolower($offer['code']).' '])->assertStatus(201)->json();
    expect($held['token'])->toMatch('/^[0-9a-f]{32}$/')->and($held['remote']['taken'])->toBeTrue();
    // The phone turns the page, and the screen sees it.
    ($this->phone)('PUT', $held['token'], ['step' => 3])->assertOk()->assertJson(['step' => 3, 'turn' => 1]);
    $this->api('GET', "/api/screens/{$offer['remote']['id']}")->assertOk()->assertJson(['step' => 3, 'turn' => 1, 'taken' => true]);
    // The screen goes on to another knot, and the phone sees that.
    $this->api('PUT', "/api/screens/{$offer['remote']['id']}", ['knot' => 'sheet-bend', 'step' => 1, 'steps' => 5])->assertOk();
    ($this->phone)('GET', $held['token'])->assertOk()->assertJson(['knot' => 'sheet-bend', 'step' => 1, 'steps' => 5, 'turn' => 2]);
    // The same place again is no new turn.
    ($this->phone)('PUT', $held['token'], ['step' => 1])->assertJson(['turn' => 2]);
    $this->api('DELETE', "/api/screens/{$offer['remote']['id']}")->assertNoContent();
    ($this->phone)('GET', $held['token'])->assertNotFound();
});

it('turns the knot from the phone', function (): void {
    $offer = ($this->offered)();
    expect($offer['remote']['side'])->toBeNull();
    $held = $this->api('POST', '/api/remote', ['code' => $offer['code']])->json();
    $side = fn (string $token, array $to) => $this->withHeader('X-Remote', $token)->api('PUT', '/api/remote/side', $to);
    $side($held['token'], ['yaw' => 58, 'pitch' => -20])->assertOk()->assertJson(['turn' => 1, 'side' => ['yaw' => 58, 'pitch' => -20]]);
    $this->api('GET', "/api/screens/{$offer['remote']['id']}")->assertOk()->assertJson(['turn' => 1, 'side' => ['yaw' => 58, 'pitch' => -20]]);
    // The same side again is no new turn; a step leaves it as it is.
    $side($held['token'], ['yaw' => 58, 'pitch' => -20])->assertJson(['turn' => 1]);
    ($this->phone)('PUT', $held['token'], ['step' => 2])->assertJson(['turn' => 2, 'side' => ['yaw' => 58, 'pitch' => -20]]);
    $this->refused($side($held['token'], ['yaw' => 181, 'pitch' => 0]), '/yaw', '180');
    $this->refused($side($held['token'], ['yaw' => 0, 'pitch' => -86]), '/pitch', '85');
    $this->refused($side($held['token'], ['yaw' => 0]), '/pitch');
    $side('00000000000000000000000000000000', ['yaw' => 0, 'pitch' => 0])->assertNotFound();
});

it('answers nothing where nothing has changed', function (): void {
    $offer = ($this->offered)();
    $address = "/api/screens/{$offer['remote']['id']}";
    $tag = (string) $this->get($address)->assertOk()->headers->get('ETag');
    expect($tag)->not->toBe('');
    $this->get($address, ['If-None-Match' => $tag])->assertStatus(304);
    $held = $this->api('POST', '/api/remote', ['code' => $offer['code']])->json();
    $taken = (string) $this->get($address, ['If-None-Match' => $tag])->assertOk()->headers->get('ETag');
    ($this->phone)('PUT', $held['token'], ['step' => 2])->assertOk();
    $this->get($address, ['If-None-Match' => $taken])->assertOk()->assertJson(['step' => 2]);
});

it('is good for one phone, ten minutes and five tries', function (): void {
    $offer = ($this->offered)();
    $this->api('POST', '/api/remote', ['code' => $offer['code']])->assertStatus(201);
    $this->refused($this->api('POST', '/api/remote', ['code' => $offer['code']]), '/code', 'ten minutes');
    $old = ($this->offered)();
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addMinutes(11));
    $this->refused($this->api('POST', '/api/remote', ['code' => $old['code']]), '/code', 'ten minutes');
    $tried = ($this->offered)();
    for ($n = 0; $n < 5; $n++) {
        DB::table('tries')->delete();
        $this->refused($this->api('POST', '/api/remote', ['code' => 'WRONG'.$n]), '/code', 'five tries');
    }
    $this->refused($this->api('POST', '/api/remote', ['code' => $tried['code']]), '/code', 'five tries');
    expect(Remote::query()->latest('created_at')->whereNull('token_hash')->where('tries', 5)->count())->toBe(1);
});

it('slows down those who guess', function (): void {
    for ($n = 0; $n < 10; $n++) {
        $this->api('POST', '/api/remote', ['code' => 'GUESS'.$n])->assertStatus(422);
    }
    $this->api('POST', '/api/remote', ['code' => 'GUESSX'])->assertStatus(429);
});

it('ends with the evening', function (): void {
    $offer = ($this->offered)();
    $held = $this->api('POST', '/api/remote', ['code' => $offer['code']])->json();
    CarbonImmutable::setTestNow(CarbonImmutable::now()->addHours(5));
    ($this->phone)('GET', $held['token'])->assertNotFound();
    // The next offer sweeps it away.
    ($this->offered)();
    expect(Remote::query()->count())->toBe(1);
});

it('shows its screen to nobody else', function (): void {
    $offer = ($this->offered)();
    $this->become($this->person($this->crew, Role::Instructor, 'tomas@gullwick.example'));
    $this->api('GET', "/api/screens/{$offer['remote']['id']}")->assertNotFound();
    $this->api('PUT', "/api/screens/{$offer['remote']['id']}", ['knot' => 'bowline', 'step' => 2, 'steps' => 6])->assertNotFound();
    ($this->phone)('GET', str_repeat('0', 32))->assertNotFound();
});

it('refuses a step that there is not', function (): void {
    $this->refused($this->api('POST', '/api/screens', ['knot' => 'bowline', 'step' => 7, 'steps' => 6]), '/step', 'from 1 to 6');
    $offer = ($this->offered)();
    $held = $this->api('POST', '/api/remote', ['code' => $offer['code']])->json();
    $this->refused(($this->phone)('PUT', $held['token'], ['step' => 9]), '/step', 'from 1 to 6');
    $this->refused(($this->phone)('PUT', $held['token'], ['step' => 0]), '/step');
    expect(Remote::query()->sole()->step)->toBe(1);
});
