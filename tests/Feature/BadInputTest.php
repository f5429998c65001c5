<?php

declare(strict_types=1);

use App\Models\Group;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\FeatureCase;

/** A body that each address would take, were nothing done to it. */
function goodBodies(): array
{
    return [
        'POST /api/meetings' => ['date' => '2026-12-01', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2, 'place' => 'Net loft'],
        'POST /api/learners' => ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10', 'hand' => 'left']]],
        'POST /api/tail' => ['knot' => 'bowline', 'rope' => ['diameter_mm' => 8, 'material' => 'nylon'], 'measured_mm' => 90, 'measured_by' => 'mm'],
        'POST /api/invitations' => ['role' => 'helper'],
        'POST /api/sign-in' => ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'],
        'POST /api/setup' => [
            'code' => FeatureCase::CODE,
            'group' => ['name' => 'Gullwick Lantern Crew', 'age_from' => 8, 'age_to' => 12, 'time_zone' => 'UTC', 'units' => 'mm'],
            'leader' => ['name' => 'Maren Holt', 'email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'],
            'learners' => [['name' => 'Ada P.', 'age_band' => '8-10']],
            'rope' => ['name' => 'Practice rope', 'diameter_mm' => 8, 'material' => 'natural'],
            'badges' => [['badge' => 'lantern-hand', 'due_on' => '2026-12-22']],
            'meetings' => ['dates' => ['2026-11-24', '2026-12-01'], 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2],
        ],
    ];
}

/**
 * Every leaf and branch of a body spoiled in turn: another type, nothing, missing, far too long, and a field nobody knows.
 *
 * @return array<string, array{mixed, string}> the spoiled body and where it is spoiled, by a name
 */
function spoiled(array $body, string $at = ''): array
{
    $cases = ["$at/nobody-knows-this" => [$body + ['nobody-knows-this' => 1], "$at/nobody-knows-this"]];
    foreach ($body as $key => $value) {
        $place = "$at/$key";
        $with = static fn (mixed $other): array => [$key => $other] + $body;
        $wrong = match (true) {
            is_array($value) => ['a text' => 'not this', 'a number' => 5],
            is_string($value) => ['a number' => 5, 'a list' => [], 'a novel' => str_repeat('x', 6000)],
            default => ['a text' => '5', 'a list' => [], 'far too much' => 10 ** 9, 'less than nothing' => -1],
        };
        foreach ($wrong as $name => $other) {
            $cases["$place is $name"] = [$with($other), $place];
        }
        if (is_array($value) && ! array_is_list($value)) {
            foreach (spoiled($value, $place) as $name => [$inner, $where]) {
                $cases[$name] = [$with($inner), $where];
            }
        }
        if (is_array($value) && array_is_list($value) && is_array($value[0])) {
            foreach (spoiled($value[0], "$place/0") as $name => [$inner, $where]) {
                $cases[$name] = [$with([$inner]), $where];
            }
        }
    }

    return $cases;
}

/** How many rows there are in each table. */
function tableSizes(): array
{
    $sizes = [];
    foreach (['groups', 'users', 'learners', 'meetings', 'ropes', 'group_badges', 'pursuits', 'invitations', 'check_events', 'standings', 'attendances'] as $table) {
        if (DB::getSchemaBuilder()->hasTable($table)) {
            $sizes[$table] = DB::table($table)->count();
        }
    }

    return $sizes;
}

it('names the field of whatever is wrong, and writes nothing', function (string $address, array $body): void {
    [$method, $path] = explode(' ', $address);
    if ($path !== '/api/setup') {
        $group = $this->group();
        $lead = $this->person($group);
        if ($path !== '/api/sign-in') {
            $this->actingAs($lead);
        }
    }
    $before = tableSizes();
    foreach (spoiled($body) as $name => [$wrong, $place]) {
        $this->app['cache']->flush();
        $response = $this->json($method, $path, $wrong);
        expect($response->getStatusCode())->toBe(422, "$address with $name answered {$response->getStatusCode()}: ".Str::limit((string) $response->getContent(), 200));
        $fault = $response->json('errors.0');
        expect($fault['field'])->toBe($place, "$address with $name");
        expect($fault)->toHaveKeys(['field', 'value', 'allowed', 'message'])->and($fault['message'])->not->toStartWith('/')->not->toContain("$place is")->and($fault['allowed'])->not->toBe('');
    }
    expect(tableSizes())->toBe($before);
    // The same bodies, unspoiled, are taken.
    $this->app['cache']->flush();
    expect($this->json($method, $path, $body)->isSuccessful())->toBeTrue();
})->with(fn (): array => array_map(static fn (string $address, array $body): array => [$address, $body], array_keys(goodBodies()), goodBodies()));

it('asks for every field that is needed', function (string $address, array $body): void {
    [$method, $path] = explode(' ', $address);
    if ($path !== '/api/setup') {
        $this->actingAs($this->person($this->group()));
    }
    $optional = ['place', 'hand', 'measured_mm', 'measured_by'];
    foreach (array_diff(array_keys($body), $optional) as $field) {
        $this->app['cache']->flush();
        $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_ORIGIN' => 'http://127.0.0.1:'.config()->string('app.port')];
        $response = $this->call($method, $path, [], [], [], $server, (string) json_encode((object) array_diff_key($body, [$field => 1])));
        $response->assertStatus(422);
        expect($response->json('errors.0.field'))->toBe("/$field", $address);
        expect($response->json('errors.0.allowed'))->toContain('this field is needed');
    }
})->with(fn (): array => array_map(static fn (string $address, array $body): array => [$address, $body], array_keys(goodBodies()), goodBodies()));

it('refuses a body that is no object, and one that is no JSON', function (string $body): void {
    $this->actingAs($this->person($this->group()));
    $response = $this->call('POST', '/api/meetings', [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_ORIGIN' => 'http://127.0.0.1:'.config()->string('app.port')], $body);
    expect($response->getStatusCode())->toBe(422);
    expect($response->json('errors.0.message'))->toBeString()->not->toBe('');
    expect(DB::table('meetings')->count())->toBe(0);
})->with(['a list' => '[1,2]', 'a text' => '"18:30"', 'half an object' => '{"date":', 'nothing' => '']);

it('refuses dates out of order, doubled and impossible', function (array $meetings, string $field): void {
    $body = ['meetings' => $meetings + goodBodies()['POST /api/setup']['meetings']] + goodBodies()['POST /api/setup'];
    $this->refused($this->json('POST', '/api/setup', $body), $field);
    expect(Group::query()->count())->toBe(0);
})->with([
    'out of order' => [['dates' => ['2026-12-01', '2026-11-24']], '/meetings/dates/1'],
    'the same twice' => [['dates' => ['2026-12-01', '2026-12-01']], '/meetings/dates/1'],
    'no day of the calendar' => [['dates' => ['2026-11-31']], '/meetings/dates/0'],
    'none at all' => [['dates' => []], '/meetings/dates'],
]);

it('refuses ages the wrong way round', function (): void {
    $setup = goodBodies()['POST /api/setup'];
    $this->refused($this->json('POST', '/api/setup', ['group' => ['age_from' => 12, 'age_to' => 8] + $setup['group']] + $setup), '/group/age_to');
    $this->refused($this->json('POST', '/api/setup', ['group' => ['time_zone' => 'Moon/Tranquility'] + $setup['group']] + $setup), '/group/time_zone');
    $this->refused($this->json('POST', '/api/setup', ['badges' => [['badge' => 'admiral', 'due_on' => null]]] + $setup), '/badges/0/badge');
    expect(Group::query()->count())->toBe(0);
});
