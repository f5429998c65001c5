<?php

declare(strict_types=1);

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;

it('seeds the sample scenario: five meetings behind, the sixth today', function (): void {
    $this->artisan('compadre:seed-demo')->assertSuccessful();
    $group = Group::query()->sole();
    expect($group->name)->toBe('Gullwick Lantern Crew');
    expect(Learner::query()->count())->toBe(16);
    expect(Membership::query()->pluck('role')->map(fn (Role $role): string => $role->value)->sort()->values()->all())->toBe(['helper', 'instructor', 'lead']);
    $dates = Meeting::query()->orderBy('date')->pluck('date')->all();
    expect($dates)->toHaveCount(10);
    expect($dates[5])->toBe($group->today());
    $this->actingAs(User::query()->whereRelation('membership', 'role', 'lead')->sole());
    $crew = $this->api('GET', '/api/crew')->assertOk()->json();
    expect($crew['ready'])->not->toBe([]);
    $stuck = collect($crew['learners'])->firstWhere('name', 'Cleo M.');
    expect($stuck['marks']['square-knot'])->toMatchArray(['level' => 'seen', 'verdict' => 'tie_again']);
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['meetings'][5]['blocks'])->not->toBe([]);
    $this->artisan('compadre:seed-demo')->assertSuccessful();
    expect(Group::query()->count())->toBe(1);
});

it('never writes the demo into the real house, nor prints sign-ins there', function (): void {
    config(['app.house' => 'group']);
    $this->artisan('compadre:seed-demo')->assertFailed();
    $this->artisan('compadre:sign-ins')->assertFailed();
    expect(Group::query()->count())->toBe(0);
});

it('makes a link for a new password, and says who has an account when asked for someone else', function (): void {
    $this->person($this->group());
    $this->artisan('compadre:reset-password', ['email' => 'maren@gullwick.example'])->expectsOutputToContain('/reset#')->assertSuccessful();
    $this->artisan('compadre:reset-password', ['email' => 'nobody@gullwick.example'])->expectsOutputToContain('maren@gullwick.example')->assertFailed();
});

it('rebuilds standings from the command line', function (): void {
    $this->artisan('compadre:seed-demo');
    $this->artisan('compadre:rebuild')->expectsOutputToContain('Gullwick Lantern Crew')->assertSuccessful();
});
