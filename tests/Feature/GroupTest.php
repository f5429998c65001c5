<?php

declare(strict_types=1);

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Pursuit;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Tests\FeatureCase;

function setUpOf(array $more = []): array
{
    return array_replace_recursive([
        'code' => FeatureCase::CODE,
        'group' => ['name' => 'Gullwick Lantern Crew', 'age_from' => 8, 'age_to' => 13, 'time_zone' => 'Europe/Lisbon', 'units' => 'mm'],
        'leader' => ['name' => 'Maren Holt', 'email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'],
        'learners' => [['name' => 'Ada  P.', 'age_band' => '8-10'], ['name' => 'Ines V.', 'age_band' => '11-13']],
        'rope' => ['name' => 'Practice rope', 'diameter_mm' => 8.5, 'material' => 'nylon'],
        'badges' => [['badge' => 'lantern-hand', 'due_on' => '2026-12-22'], ['badge' => 'rigger']],
        'meetings' => ['dates' => ['2026-11-24', '2026-12-01', '2026-12-08'], 'starts_at' => '18:30', 'minutes' => 60, 'checkers' => 2],
    ], $more);
}

it('sets up an empty house, once, and signs its leader in', function (): void {
    $this->api('GET', '/api/house')->assertOk()->assertJson(['needs_setup' => true, 'signed_in' => false]);
    $this->api('POST', '/api/setup', setUpOf())->assertStatus(201)->assertJson(['user' => ['role' => 'lead'], 'may' => ['plan' => true]]);
    $this->api('GET', '/api/house')->assertJson(['needs_setup' => false, 'signed_in' => true]);
    expect(Learner::query()->orderBy('name')->pluck('name')->all())->toBe(['Ada P.', 'Ines V.']);
    // Each begins with the badge that fits their age best.
    expect(Pursuit::query()->join('learners', 'learners.id', '=', 'learner_id')->orderBy('name')->pluck('badge')->all())->toBe(['lantern-hand', 'rigger']);
    $course = $this->api('GET', '/api/course')->assertOk()->json();
    expect($course['meetings'])->toHaveCount(3);
    expect($course['meetings'][0])->toMatchArray(['number' => 1, 'state' => 'tonight']);
    expect($course['meetings'][0]['introduced'])->not->toBe([]);
    $this->api('POST', '/api/setup', setUpOf(['leader' => ['email' => 'second@gullwick.example']]))->assertStatus(403);
    expect(Group::query()->count())->toBe(1);
});

it('refuses a set-up with a fault, names it, and writes nothing', function (array $more, string $field, string $allowed): void {
    $this->refused($this->api('POST', '/api/setup', setUpOf($more)), $field, $allowed);
    expect([Group::query()->count(), User::query()->count(), Learner::query()->count(), Meeting::query()->count()])->toBe([0, 0, 0, 0]);
})->with([
    'ages the wrong way round' => [['group' => ['age_from' => 14, 'age_to' => 9]], '/group/age_to', 'at least 14'],
    'a time zone that is none' => [['group' => ['time_zone' => 'Gullwick/Harbour']], '/group/time_zone', 'Europe/Lisbon'],
    'a blank name' => [['group' => ['name' => '   ']], '/group/name', 'not only spaces'],
    'a name too long' => [['group' => ['name' => str_repeat('G', 81)]], '/group/name', 'at most 80'],
    'no e-mail' => [['leader' => ['email' => 'maren']], '/leader/email', 'an e-mail address'],
    'a password too short' => [['leader' => ['password' => 'short']], '/leader/password', 'at least 10'],
    'a learner twice' => [['learners' => [1 => ['name' => 'ada p.']]], '/learners/1/name', 'does not have yet'],
    'an age band nobody knows' => [['learners' => [['age_band' => '40+']]], '/learners/0/age_band', '8-10'],
    'negative diameter' => [['rope' => ['diameter_mm' => -4]], '/rope/diameter_mm', 'more than 0'],
    'a diameter in words' => [['rope' => ['diameter_mm' => 'thick']], '/rope/diameter_mm', 'a number'],
    'an unknown badge' => [['badges' => [['badge' => 'sailor']]], '/badges/0/badge', 'lantern-hand'],
    'a badge twice' => [['badges' => [1 => ['badge' => 'lantern-hand']]], '/badges/1/badge', 'each badge once'],
    'done before it begins' => [['badges' => [['due_on' => '2026-11-01']]], '/badges/0/due_on', 'first meeting'],
    'dates out of order' => [['meetings' => ['dates' => ['2026-12-08', '2026-12-01']]], '/meetings/dates/1', 'in order'],
    'a date twice' => [['meetings' => ['dates' => ['2026-12-01', '2026-12-01']]], '/meetings/dates/1', 'each once'],
    'a date that is none' => [['meetings' => ['dates' => ['2026-02-30']]], '/meetings/dates/0', 'a date as'],
    'a meeting of no minutes' => [['meetings' => ['minutes' => 0]], '/meetings/minutes', 'at least 15'],
    'half past' => [['meetings' => ['starts_at' => 'half past six']], '/meetings/starts_at', '18:30'],
    'a field nobody knows' => [['colour' => 'red'], '/colour', 'only the fields'],
]);

it('marks who is here, and the last word counts', function (): void {
    $group = $this->group();
    $meeting = $this->meeting($group);
    [$ada, $bram] = $this->learners($group, 'Ada P.', 'Bram K.');
    $this->actingAs($this->person($group, Role::Instructor));
    foreach ([true, false, true] as $present) {
        $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$ada->id}", ['present' => $present])->assertNoContent();
    }
    $sheet = $this->api('GET', "/api/meetings/{$meeting->id}")->assertOk()->json();
    expect(array_column($sheet['roll'], 'present', 'name'))->toBe(['Ada P.' => true, 'Bram K.' => null]);
    expect($sheet['meeting']['present'])->toBe(1);
    $this->refused($this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$bram->id}", ['present' => 'yes']), '/present', 'true or false');
    $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/nobody", ['present' => true])->assertStatus(404);
});

it('adds meetings that do not overlap', function (): void {
    $group = $this->group();
    $this->meeting($group, '2026-12-01');
    $this->actingAs($this->person($group));
    $new = ['date' => '2026-12-01', 'starts_at' => '19:45', 'minutes' => 30, 'checkers' => 1, 'place' => ' Net loft '];
    $this->api('POST', '/api/meetings', $new)->assertStatus(201)->assertJson(['place' => 'Net loft', 'starts_at' => '19:45']);
    $this->refused($this->api('POST', '/api/meetings', ['starts_at' => '19:40'] + $new), '/date', 'without a meeting');
    $this->refused($this->api('POST', '/api/meetings', ['date' => '2026-11-23'] + $new), '/date', 'today');
    $this->refused($this->api('POST', '/api/meetings', ['checkers' => 0] + $new), '/checkers', 'at least 1');
    expect(Meeting::query()->count())->toBe(2);
});

it('adds learners as pasted, all or none', function (): void {
    $group = $this->group();
    $this->actingAs($this->person($group));
    $this->api('POST', '/api/learners', ['learners' => [['name' => 'Ada P.', 'age_band' => '8-10'], ['name' => 'Åse Ø.', 'age_band' => '11-13', 'hand' => 'left']]])->assertStatus(201)->assertJsonPath('learners.1.hand', 'left');
    $this->refused($this->api('POST', '/api/learners', ['learners' => [['name' => 'Cleo M.', 'age_band' => '8-10'], ['name' => 'ÅSE Ø.', 'age_band' => '8-10']]]), '/learners/1/name');
    $this->refused($this->api('POST', '/api/learners', ['learners' => []]), '/learners', 'at least 1');
    expect(Learner::query()->count())->toBe(2);
});

it('plans the term, and replans from what happened', function (): void {
    $group = $this->group();
    foreach (['2026-11-17', '2026-11-24', '2026-12-01', '2026-12-08'] as $date) {
        $meetings[] = $this->meeting($group, $date);
    }
    $learners = $this->learners($group, 'Ada P.', 'Bram K.');
    $this->actingAs($this->person($group));
    $before = $this->api('GET', '/api/course')->assertOk()->json();
    expect(array_column($before['meetings'], 'state'))->toBe(['past', 'tonight', 'ahead', 'ahead']);
    expect($before['meetings'][1]['introduced'])->toContain('overhand');
    foreach ($learners as $learner) {
        foreach (['overhand', 'figure-eight', 'square-knot', 'clove-hitch'] as $knot) {
            $this->send($this->pass($learner, $knot, ['meeting' => $meetings[0]->id]))->assertOk();
        }
    }
    $after = $this->api('GET', '/api/course')->json();
    expect($after['meetings'][0]['introduced'])->toEqualCanonicalizing(['overhand', 'figure-eight', 'square-knot', 'clove-hitch']);
    expect($after['meetings'][0]['results'])->toBe(8);
    expect($after['meetings'][1]['revisited'])->toContain('overhand');
    expect($after['meetings'][1]['introduced'])->toBe([]);
    $hand = collect($after['badges'])->firstWhere('id', 'lantern-hand');
    // Four wanted of each: the overhand has still to be kept.
    expect($hand)->toMatchArray(['learners' => 2, 'complete' => 0, 'met' => 6, 'needed' => 8]);
});

it('fills a badge as its requirements are met, and says when one is near', function (): void {
    $group = $this->group();
    [$ada] = $this->learners($group, 'Ada P.');
    $this->actingAs($this->person($group));
    foreach (['figure-eight', 'square-knot', 'two-half-hitches', 'overhand'] as $knot) {
        $this->send($this->pass($ada, $knot))->assertOk();
    }
    expect($this->api('GET', '/api/crew')->json('ready'))->toBe(['One knot short of Lantern Hand: Ada P.']);
    CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addWeek());
    $this->send($this->pass($ada, 'overhand'))->assertOk();
    $crew = $this->api('GET', '/api/crew')->json();
    expect($crew['ready'])->toBe(['Lantern Hand is complete for Ada P.']);
    expect($crew['learners'][0]['badges'][0])->toMatchArray(['met' => 4, 'needed' => 4, 'complete' => true]);
    expect($crew['learners'][0]['marks']['overhand'])->toMatchArray(['level' => 'kept', 'due' => false]);
    // A week on, what was tied once is due again.
    expect($crew['learners'][0]['marks']['square-knot'])->toMatchArray(['level' => 'has_it', 'due' => true, 'chance' => 0.5]);
    $page = $this->api('GET', "/api/learners/{$ada->id}")->assertOk()->json();
    expect($page['badges'][0]['outline']['met'])->toBeTrue();
    expect($page['history'])->toHaveCount(5);
});

it('gives drawings that are the core’s', function (): void {
    $this->actingAs($this->person($this->group()));
    $list = $this->api('GET', '/api/knots')->assertOk()->json('knots');
    $ids = array_column($list, 'id');
    expect($ids)->toContain('overhand', 'clove-hitch', 'figure-eight', 'square-knot', 'two-half-hitches', 'bowline');
    expect($ids)->not->toContain('granny-knot', 'plain-coil');
    foreach ($list as $place => $knot) {
        // Whatever a knot builds on stands before it, and its wrong forms are those the core computed.
        expect(array_diff($knot['prerequisites'], array_slice($ids, 0, $place)))->toBe([]);
        $drawn = $this->api('GET', "/api/knots/{$knot['id']}?view=left")->assertOk()->json();
        expect(count($drawn['loose']['pieces']))->toBeGreaterThan(2);
        expect($drawn['text'])->toContain($drawn['steps'][0]['say']);
        foreach ($drawn['wrong'] as $form) {
            expect($form['sign'])->not->toBeEmpty()->and($form['becomes'])->toBeIn(['knot', 'falls-out']);
        }
    }
    $square = $this->api('GET', '/api/knots/square-knot')->assertOk()->json();
    expect(array_column($square['wrong'], 'name'))->toBe(['Granny knot', 'Grief knot', 'Double half-knot reef', 'Thief knot']);
    expect($square['hold'])->toMatchArray(['crossings' => 6, 'tau' => 1, 'gamma' => 0.8]);
    expect($square['look']['tail'])->toHaveCount(2);
    $this->api('GET', '/api/knots/tangle')->assertStatus(404)->assertJsonPath('errors.0.value', 'tangle');
    $this->refused($this->api('GET', '/api/knots/bowline?view=above'), '/view', 'learner, across');
    $this->refused($this->api('GET', '/api/knots/bowline?method=magic'), '/method', 'one of');
    $this->refused($this->api('GET', '/api/knots?colour=red'), '/colour', 'no query fields');
});
