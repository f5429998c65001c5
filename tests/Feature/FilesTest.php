<?php

declare(strict_types=1);

use App\Models\Attendance;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Role;
use App\Models\Standing;
use App\Models\User;
use Sabre\VObject\Reader;

it('takes a roster in after showing what is wrong with it, and never half of it', function (): void {
    $this->term();
    $sheet = ['bytes' => base64_encode("Greta L.;9;\nAda P.;9;\nHari S.;50;\nInes V.;12;links\nBram K.;9;left\n")];
    $look = $this->api('POST', '/api/sheets/roster', $sheet)->assertOk()->json();
    expect([$look['new'], $look['other'], $look['same'], $look['bad'], $look['encoding']])->toBe([1, 1, 1, 2, 'UTF-8'])->and(array_column($look['rows'], 'line'))->toBe([1, 2, 3, 4, 5]);
    $this->refused($this->api('PUT', '/api/sheets/roster', $sheet), '/bytes', 'only the good ones');
    expect(Learner::query()->count())->toBe(5);
    $this->api('PUT', '/api/sheets/roster', $sheet + ['leave_bad' => true])->assertStatus(201)->assertJson(['taken' => 2]);
    expect(Learner::query()->where('name', 'Bram K.')->sole()->hand)->toBe('left');
    expect(Learner::query()->where('name', 'Greta L.')->sole()->age_band->value)->toBe('8-10');
    $this->refused($this->api('POST', '/api/sheets/roster', ['bytes' => base64_encode(str_repeat("Ada,9\n", 2000))]), '/text', 'at most 500 rows');
    // Out, and in again into an empty group: the same.
    $out = $this->get('/api/sheets/roster')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')->getContent();
    $names = Learner::query()->orderBy('name')->pluck('name')->all();
    $this->become($this->person($this->group('Tarrow Shore Band'), Role::Lead, 'other@gullwick.example'));
    $this->api('PUT', '/api/sheets/roster', ['bytes' => base64_encode($out)])->assertStatus(201)->assertJson(['taken' => 6]);
    expect($this->get('/api/sheets/roster')->getContent())->toBe($out)->and($names)->toHaveCount(6);
});

it('takes meetings in, with those that meet another named', function (): void {
    $this->term();
    $sheet = ['bytes' => base64_encode("date,starts,minutes\n2026-12-01,19:00,60\n2026-12-15,18:30,60\n2026-12-15,19:00,60\n2026-12-15,20:00,60\n")];
    $rows = $this->api('POST', '/api/sheets/meetings', $sheet)->assertOk()->json('rows');
    expect($rows[0]['fault'])->toContain('There is a meeting on 2026-12-01')->and($rows[1]['fault'])->toBeNull()->and($rows[2]['fault'])->toBe('Line 3 has a meeting at that time.')->and($rows[3]['fault'])->toBeNull();
    expect(Meeting::query()->count())->toBe(3);
    $this->api('PUT', '/api/sheets/meetings', $sheet + ['leave_bad' => true])->assertStatus(201);
    expect(Meeting::query()->count())->toBe(5)->and($this->get('/api/sheets/meetings')->getContent())->toContain("2026-12-15,20:00,60,2,\r\n");
});

it('gives a calendar that reads back, with changes and meetings called off', function (): void {
    [$group, , [$tonight, $next]] = $this->term();
    $group->update(['time_zone' => 'Europe/Lisbon']);
    $this->become(User::of($group)->get()->first());
    $next->update(['place' => 'Net loft']);
    $address = $this->api('POST', '/api/calendar', ['places' => false])->assertStatus(201)->json('address');
    expect($address)->toMatch('#/calendar/[0-9a-f]{32}\.ics$#')->and(Group::query()->value('calendar_hash'))->not->toContain(substr($address, -36, 32));
    $read = fn (string $text) => @Reader::read($text);
    $path = (string) parse_url($address, PHP_URL_PATH);
    $this->app['auth']->forgetGuards();
    $text = $this->get($path)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    expect($text)->not->toContain('Ada')->not->toContain('Net loft')->not->toContain('Maren');
    $calendar = $read($text);
    expect(@$calendar->validate())->toBe([])->and($calendar->VEVENT)->toHaveCount(3);
    $event = collect(iterator_to_array($calendar->VEVENT, false))->first(fn ($event): bool => str_starts_with((string) $event->UID, $tonight->id));
    // 18:30 in Lisbon in November is 18:30 UTC; in summer it would be 17:30.
    expect($event->DTSTART->getDateTime()->format('Y-m-d H:i e'))->toBe('2026-11-24 18:30 UTC')->and($event->DTEND->getDateTime()->format('H:i'))->toBe('19:45')->and((string) $event->SUMMARY)->toContain('overhand knot');
    // Changed and called off: the same UID, a higher SEQUENCE, cancelled.
    $this->become(User::of($group)->get()->first());
    $this->api('PUT', "/api/meetings/{$next->id}", ['starts_at' => '19:15'])->assertOk();
    $this->api('DELETE', "/api/meetings/{$next->id}")->assertNoContent();
    $this->api('POST', '/api/calendar', ['places' => true])->assertStatus(201);
    $again = $read($this->get('/api/calendar.ics')->getContent());
    $event = collect(iterator_to_array($again->VEVENT, false))->first(fn ($event): bool => str_starts_with((string) $event->UID, $next->id));
    expect([(string) $event->SEQUENCE, (string) $event->STATUS, (string) $event->LOCATION])->toBe(['2', 'CANCELLED', 'Net loft']);
    // The first address ended with the second; the second with its withdrawal.
    $this->get($path)->assertNotFound();
    $this->api('DELETE', '/api/calendar')->assertNoContent();
    expect(Group::query()->value('calendar_hash'))->toBeNull();
});

it('renames, archives, takes back and merges learners', function (): void {
    [$group, [$ada, $bram], [$tonight]] = $this->term();
    $this->refused($this->api('PUT', "/api/learners/{$ada->id}", ['name' => 'bram k.']), '/name', 'does not have yet');
    $this->api('PUT', "/api/learners/{$ada->id}", ['name' => 'Ada Q.', 'age_band' => '11-13', 'hand' => 'left'])->assertOk()->assertJson(['name' => 'Ada Q.', 'age_band' => '11-13', 'hand' => 'left']);
    $this->api('PUT', "/api/learners/{$ada->id}", ['archived' => true])->assertOk();
    expect(collect($this->api('GET', '/api/crew')->json('learners'))->pluck('name')->all())->not->toContain('Ada Q.');
    expect($this->api('GET', '/api/archived')->json('learners.0.name'))->toBe('Ada Q.');
    $this->api('PUT', "/api/archived/{$ada->id}")->assertOk();
    $this->send($this->pass($ada), $this->pass($bram, 'overhand'))->assertOk();
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$ada->id}", ['present' => true]);
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$bram->id}", ['present' => false]);
    $this->refused($this->api('POST', "/api/learners/{$ada->id}/merge", ['into' => $ada->id]), '/into', 'another learner');
    $this->api('POST', "/api/learners/{$ada->id}/merge", ['into' => $bram->id])->assertNoContent();
    expect(Learner::query()->find($ada->id))->toBeNull()->and(CheckEvent::query()->pluck('learner_id')->unique()->all())->toBe([$bram->id]);
    expect(Standing::query()->where('learner_id', $bram->id)->orderBy('knot')->pluck('knot')->all())->toBe(['overhand', 'square-knot']);
    expect(Attendance::query()->where('learner_id', $bram->id)->sole()->present)->toBeTrue();
});

it('writes down what learners had before, for many at once', function (): void {
    [, [$ada, $bram]] = $this->term();
    $this->api('POST', '/api/had', ['learners' => [$ada->id, $bram->id], 'knots' => ['overhand', 'larks-head']])->assertStatus(201)->assertJson(['written' => 4]);
    expect(Standing::query()->where('level', 'has_it')->count())->toBe(4);
    $this->refused($this->api('POST', '/api/had', ['learners' => [$ada->id], 'knots' => ['tangle']]), '/knots/0', 'overhand');
    $this->refused($this->api('POST', '/api/had', ['learners' => [], 'knots' => ['overhand']]), '/learners', 'at least 1');
});
