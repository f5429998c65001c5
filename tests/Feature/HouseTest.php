<?php

declare(strict_types=1);

use App\Models\BadgeTick;
use App\Models\OwnBadge;
use App\Models\Pursuit;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;

function badge(array $parts, array $more = []): array
{
    return $more + ['id' => 'showpiece', 'name' => 'Showpiece', 'about' => 'Knots to show.', 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => $parts]];
}

it('writes a badge, works toward it, and ticks off what is no knot', function (): void {
    [, [$ada]] = $this->term();
    $pack = badge([['knot' => 'sheepshank', 'level' => 'has_it'], ['say' => 'What a sheepshank is for'], ['choose' => 1, 'of' => [['rig' => 'A ridge line'], ['text' => 'Two stories about the harbour']]]]);
    $this->api('POST', '/api/group/badges', ['pack' => $pack])->assertStatus(201)->assertJson(['id' => 'showpiece', 'version' => 1]);
    $this->api('PUT', '/api/group/badges/showpiece', ['due_on' => '2026-12-22'])->assertNoContent();
    $progress = fn () => collect($this->api('GET', "/api/learners/{$ada->id}")->json('badges'))->firstWhere('badge', 'showpiece');
    expect($progress())->toMatchArray(['met' => 0, 'needed' => 3]);
    $notes = collect($progress()['outline']['parts']);
    $said = $notes->firstWhere('note', 'say');
    expect($said)->toMatchArray(['words' => 'What a sheepshank is for', 'met' => false]);
    $this->api('PUT', "/api/learners/{$ada->id}/ticks/{$said['key']}", ['met' => true])->assertNoContent();
    $this->api('PUT', "/api/learners/{$ada->id}/ticks/{$said['key']}", ['met' => true])->assertNoContent();
    expect($progress()['met'])->toBe(1)->and(BadgeTick::query()->count())->toBe(1);
    $this->api('PUT', "/api/learners/{$ada->id}/ticks/{$said['key']}", ['met' => false]);
    expect($progress()['met'])->toBe(0);
    // The plan teaches its knot.
    expect($this->api('GET', '/api/course')->json('places'))->toHaveKey('sheepshank');
    $this->api('DELETE', '/api/group/badges/showpiece')->assertNoContent();
    expect($this->api('GET', '/api/course')->json('places'))->not->toHaveKey('sheepshank');
});

it('ticks off a knot that is used in a rig, once the learner has it', function (): void {
    [, [$ada]] = $this->term();
    $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'bowline', 'level' => 'uses_it', 'in' => 'A ridge line']])])->assertStatus(201);
    $this->api('PUT', '/api/group/badges/showpiece', ['due_on' => null]);
    $mine = fn () => collect($this->api('GET', "/api/learners/{$ada->id}")->json('badges'))->firstWhere('badge', 'showpiece');
    $leaf = $mine()['outline']['parts'][0];
    expect($leaf)->toMatchArray(['knot' => 'bowline', 'level' => 'uses_it', 'words' => 'A ridge line', 'met' => false]);
    $this->api('PUT', "/api/learners/{$ada->id}/ticks/{$leaf['key']}", ['met' => true])->assertNoContent();
    expect($mine()['complete'])->toBeFalse();
    $this->send($this->pass($ada, 'bowline'));
    expect($mine()['complete'])->toBeTrue();
});

it('keeps whoever is under way in the version they began, until they are moved', function (): void {
    [, [$ada]] = $this->term();
    $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'overhand', 'level' => 'has_it']])]);
    $this->api('PUT', '/api/group/badges/showpiece', ['due_on' => null]);
    $this->send($this->pass($ada, 'overhand'));
    $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'overhand', 'level' => 'has_it'], ['knot' => 'larks-head', 'level' => 'has_it']])])->assertJson(['version' => 2]);
    $mine = fn () => collect($this->api('GET', "/api/learners/{$ada->id}")->json('badges'))->firstWhere('badge', 'showpiece');
    expect($mine())->toMatchArray(['met' => 1, 'needed' => 1, 'complete' => true]);
    expect(collect($this->api('GET', '/api/course')->json('badges'))->pluck('name')->all())->toContain('Showpiece', 'Showpiece (1)');
    $moves = $this->api('GET', '/api/group/badges/showpiece/moves')->assertOk()->json('moves');
    expect(collect($moves)->firstWhere('name', 'Ada P.'))->toMatchArray(['from' => 1, 'to' => 2, 'before' => [1, 1], 'after' => [1, 2]])->and($moves)->toHaveCount(5);
    $this->api('PUT', '/api/group/badges/showpiece/moves')->assertNoContent();
    expect($mine())->toMatchArray(['met' => 1, 'needed' => 2])->and($this->api('GET', '/api/group/badges/showpiece/moves')->json('moves'))->toBe([]);
    expect(Pursuit::query()->where('badge', 'showpiece')->pluck('version')->unique()->all())->toBe([2]);
    // Taken along and brought back: the same badge, one version on.
    $pack = $this->api('GET', '/api/group/badges/showpiece')->assertOk()->json();
    $this->api('POST', '/api/group/badges', ['pack' => $pack])->assertJson(['version' => 3]);
});

it('says what does not hold together in a badge, and keeps nothing of it', function (array $pack, string $says): void {
    $this->term();
    $refused = $this->api('POST', '/api/group/badges', ['pack' => $pack]);
    $refused->assertStatus(422);
    expect($refused->json('errors.0.message'))->toContain($says)->and(OwnBadge::query()->count())->toBe(0);
    $this->api('POST', '/api/group/badges', ['pack' => $pack, 'only_check' => true])->assertStatus(422);
})->with([
    'more than there are' => [badge([['choose' => 3, 'of' => [['knot' => 'overhand', 'level' => 'kept'], ['knot' => 'bowline', 'level' => 'kept']]]]), 'from 1 to 2'],
    'an unknown knot' => [badge([['knot' => 'tangle', 'level' => 'kept']]), 'There is no knot called "tangle"'],
    'a knot for leaders' => [badge([['knot' => 'handcuff-knot', 'level' => 'kept']]), 'not a knot to be taught'],
    'a wrong form' => [badge([['knot' => 'granny-knot', 'level' => 'kept']]), 'not a knot to be taught'],
    'ages the wrong way round' => [badge([['knot' => 'overhand', 'level' => 'kept']], ['ages' => ['from' => 12, 'to' => 8]]), 'must not be above'],
    'after itself' => [badge([['knot' => 'overhand', 'level' => 'kept']], ['after' => ['showpiece']]), 'each come before'],
    'after nothing known' => [badge([['knot' => 'overhand', 'level' => 'kept']], ['after' => ['sailor']]), 'no badge called "sailor"'],
    'no requirement' => [badge([]), 'at least 1'],
    'a level nobody knows' => [badge([['knot' => 'overhand', 'level' => 'master']]), 'has_it'],
]);

it('sees badges that go round in a circle', function (): void {
    $this->term();
    $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'overhand', 'level' => 'kept']], ['id' => 'first'])])->assertStatus(201);
    $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'overhand', 'level' => 'kept']], ['id' => 'second', 'after' => ['first']])])->assertStatus(201);
    $circle = $this->api('POST', '/api/group/badges', ['pack' => badge([['knot' => 'overhand', 'level' => 'kept']], ['id' => 'first', 'after' => ['second']])]);
    expect($circle->assertStatus(422)->json('errors.0.message'))->toContain('first, second');
});

it('keeps the group’s own ways, and uses them', function (): void {
    [$group] = $this->term();
    $this->api('PUT', '/api/group', ['tail_school' => 'fixed', 'backup' => true, 'old_share' => 0.3, 'new_knots' => 1, 'methods' => ['bowline' => 'tail-outside', 'clove-hitch' => 'wrapped']])->assertOk()
        ->assertJson(['tail_school' => 'fixed', 'backup' => true, 'old_share' => 0.3, 'new_knots' => 1]);
    expect($group->refresh()->methods)->toBe(['bowline' => 'tail-outside']);
    $this->become(User::of($group)->get()->first());
    expect($this->api('GET', '/api/knots/bowline')->json('method'))->toBe('tail-outside')->and($this->api('GET', '/api/knots/bowline?method=through-a-small-loop')->json('method'))->toBe('through-a-small-loop');
    $news = collect($this->api('GET', '/api/course')->json('meetings'))->map(fn (array $meeting): int => collect($meeting['blocks'])->where('kind', 'new')->count());
    expect($news->max())->toBe(1);
    foreach ([[['methods' => ['bowline' => 'magic']], '/methods/bowline', 'tail-outside'], [['methods' => ['tangle' => 'x']], '/methods/tangle', 'overhand'], [['old_share' => 0.9], '/old_share', 'at most 0.5'], [['time_zone' => 'Gullwick'], '/time_zone', 'Europe/Lisbon'], [['new_knots' => 0], '/new_knots', 'at least 1']] as [$change, $field, $allowed]) {
        $this->refused($this->api('PUT', '/api/group', $change), $field, $allowed);
    }
    $this->become($this->person($group, Role::Instructor, 'tobin@gullwick.example'));
    $this->api('PUT', '/api/group', ['backup' => false])->assertForbidden();
});

it('keeps ropes, one of them the usual one', function (): void {
    [$group] = $this->term();
    $usual = $group->ropes()->get()->first();
    $thin = $this->api('POST', '/api/ropes', ['name' => 'Thin line', 'diameter_mm' => 4, 'material' => 'nylon'])->assertStatus(201)->json();
    expect($thin['is_usual'])->toBeFalse();
    $this->refused($this->api('DELETE', "/api/ropes/{$usual->id}"), '/rope', 'not the usual one');
    $this->api('PUT', "/api/ropes/{$thin['id']}", ['name' => 'Thin line', 'diameter_mm' => 5, 'material' => 'nylon', 'is_usual' => true])->assertOk()->assertJson(['is_usual' => true, 'diameter_mm' => 5]);
    $this->api('DELETE', "/api/ropes/{$usual->id}")->assertNoContent();
    expect($group->ropes()->get()->pluck('name')->all())->toBe(['Thin line']);
});

it('says at the start when the computer’s clock is behind what it has written down', function (): void {
    $group = $this->group();
    $this->become($this->person($group));
    [$ada] = $this->learners($group, 'Ada P.');
    $this->send($this->pass($ada))->assertOk();
    $said = function (): string {
        Artisan::call('compadre:setup-state');

        return Artisan::output();
    };
    expect($said())->toContain('It belongs to')->not->toContain('clock');
    CarbonImmutable::setTestNow(CarbonImmutable::now()->subMinutes(4));
    expect($said())->not->toContain('clock');
    CarbonImmutable::setTestNow(CarbonImmutable::now()->subDays(300));
    expect($said())->toContain('the last check came in at 2026-11-24 18:45')->toContain('Set its clock right');
});
