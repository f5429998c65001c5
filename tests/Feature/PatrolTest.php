<?php

declare(strict_types=1);

use App\Models\Group;
use App\Models\Role;
use Illuminate\Support\Str;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->actingAs($this->person($this->crew));
    $this->members = $this->learners($this->crew, 'Ada P.', 'Bram K.', 'Cleo M.', 'Dara S.', 'Eli T.');
    /** Who is where, by name. */
    $this->patrols = fn (): array => array_map(static fn (array $one): array => [$one['name'], array_column($one['learners'], 'name')], $this->api('GET', '/api/patrols')->assertOk()->json('patrols'));
    $this->put = fn (?string $patrol, int ...$places) => $this->api('PUT', '/api/patrols', ['learners' => array_map(fn (int $place): string => $this->members[$place]->id, array_values($places)), 'patrol' => $patrol]);
});

it('puts learners into patrols, out of them, and names a patrol anew', function (): void {
    expect(($this->patrols)())->toBe([])->and($this->api('GET', '/api/patrols')->json())->toMatchArray(['checkers' => null, 'rounds' => null])
        ->and($this->api('GET', '/api/patrols')->json('without'))->toHaveCount(5);
    ($this->put)('Terns', 0, 2)->assertOk()->assertJsonPath('patrols.0.name', 'Terns')->assertJsonCount(3, 'without');
    // However it is typed, it is the one that is there.
    ($this->put)('  tERNS ', 3)->assertOk();
    ($this->put)('Gulls', 1, 2)->assertOk();
    expect(($this->patrols)())->toBe([['Gulls', ['Bram K.', 'Cleo M.']], ['Terns', ['Ada P.', 'Dara S.']]]);
    // All of one under another name: it is that patrol, and may be written otherwise.
    ($this->put)('TERNS', 0, 3)->assertOk();
    expect(($this->patrols)())->toBe([['Gulls', ['Bram K.', 'Cleo M.']], ['TERNS', ['Ada P.', 'Dara S.']]]);
    // Under the name of another they join it.
    ($this->put)('gulls', 0, 3)->assertOk();
    expect(($this->patrols)())->toBe([['Gulls', ['Ada P.', 'Bram K.', 'Cleo M.', 'Dara S.']]]);
    ($this->put)(null, 0, 1, 2, 3)->assertOk()->assertJsonPath('patrols', []);
    ($this->put)('   ', 4)->assertOk()->assertJsonPath('patrols', []);
});

it('says what patrols cost at the next meeting', function (): void {
    $this->crew->meetings()->create(['date' => '2026-11-10', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 5]);
    $next = $this->crew->meetings()->create(['date' => '2026-12-01', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 2]);
    $this->crew->meetings()->create(['date' => '2026-12-08', 'starts_at' => '18:30', 'minutes' => 75, 'checkers' => 3]);
    foreach (['Gulls' => [1, 1], 'Terns' => [2, 1], 'Herons' => [3, 2]] as $patrol => [$many, $rounds]) {
        ($this->put)($patrol, $many)->assertOk()->assertJsonPath('checkers', 2)->assertJsonPath('rounds', $rounds);
    }
    // One that is called off is not the next.
    $next->update(['cancelled_at' => now()]);
    $this->api('GET', '/api/patrols')->assertOk()->assertJsonPath('checkers', 3)->assertJsonPath('rounds', 1);
});

it('takes a patrol for the one that is there, wherever it is typed', function (): void {
    ($this->put)('Sand Martins', 0)->assertOk();
    $this->api('PUT', "/api/learners/{$this->members[1]->id}", ['patrol' => 'sand  martins'])->assertOk()->assertJsonPath('patrol', 'Sand Martins');
    $list = ['bytes' => base64_encode("name,age,patrol\nAda P.,8-10,sand martins\nIda W.,8-10,GULLS\nFay L.,8-10,SAND MARTINS\nHal J.,8-10,gulls\n")];
    expect(array_column($this->api('POST', '/api/sheets/roster', $list)->assertOk()->json('rows'), 'state'))->toBe(['same', 'new', 'new', 'new']);
    $this->api('PUT', '/api/sheets/roster', $list)->assertStatus(201);
    expect(($this->patrols)())->toBe([['GULLS', ['Hal J.', 'Ida W.']], ['Sand Martins', ['Ada P.', 'Bram K.', 'Fay L.']]]);
    // Of those alone who have it, a patrol may be written otherwise.
    $this->api('PUT', "/api/learners/{$this->members[0]->id}", ['patrol' => 'Herons'])->assertOk();
    $this->api('PUT', "/api/learners/{$this->members[0]->id}", ['patrol' => 'HERONS'])->assertOk()->assertJsonPath('patrol', 'HERONS');
    expect(array_column($this->api('GET', '/api/patrols')->json('patrols'), 'name'))->toBe(['GULLS', 'HERONS', 'Sand Martins']);
});

it('refuses whoever is not of the group, and then moves nobody', function (): void {
    [$stranger] = $this->learners($this->group('Harbour Lantern Crew'), 'Zed Q.');
    foreach ([$stranger->id, (string) Str::uuid7()] as $id) {
        $this->refused($this->api('PUT', '/api/patrols', ['learners' => [$this->members[0]->id, $id], 'patrol' => 'Terns']), '/learners/1');
    }
    $this->refused($this->api('PUT', '/api/patrols', ['learners' => [], 'patrol' => 'Terns']), '/learners');
    $this->refused(($this->put)(str_repeat('x', 41), 0), '/patrol');
    expect(($this->patrols)())->toBe([])->and($stranger->refresh()->patrol)->toBeNull();
    // Somebody who was put away is not in a patrol.
    ($this->put)('Terns', 0, 1)->assertOk();
    $this->members[1]->update(['archived_at' => now()]);
    expect(($this->patrols)())->toBe([['Terns', ['Ada P.']]]);
});

it('leaves patrols to those who look after learners, and lets all see them', function (): void {
    ($this->put)('Terns', 0)->assertOk();
    $this->become($this->person($this->crew, Role::Helper, 'helper@gullwick.example'));
    expect(($this->patrols)())->toBe([['Terns', ['Ada P.']]]);
    ($this->put)('Gulls', 0)->assertStatus(403);
    expect(Group::query()->whereKey($this->crew->id)->sole()->learners()->whereKey($this->members[0]->id)->value('patrol'))->toBe('Terns');
    $crew = array_column($this->api('GET', '/api/crew')->assertOk()->json('learners'), 'patrol', 'name');
    expect($crew['Ada P.'])->toBe('Terns')->and($crew['Bram K.'])->toBeNull();
});

it('says who goes with which patrol, by the name it has', function (): void {
    [$lead, $wren] = [$this->crew->memberships()->firstOrFail()->user_id, $this->person($this->crew, Role::Helper, 'wren@gullwick.example')->id];
    $place = fn (string $person, ?string $patrol) => $this->api('PUT', '/api/patrols/helper', ['person' => $person, 'patrol' => $patrol]);
    /** The patrol each goes with, by their id. */
    $with = fn (): array => array_column($this->api('GET', '/api/patrols')->assertOk()->json('helpers'), 'patrol', 'id');
    expect($with())->toBe([$lead => null, $wren => null]);
    $this->refused($place($wren, 'Terns'), '/patrol', 'a patrol that somebody is in');
    ($this->put)('Terns', 0, 1);
    ($this->put)('Gulls', 2, 3);
    $place($wren, ' tERNS ')->assertOk();
    $place($lead, 'Gulls')->assertOk();
    expect($with())->toBe([$lead => 'Gulls', $wren => 'Terns']);
    // Renamed, or gone up in another, it is still theirs; left by some, too.
    ($this->put)('Herons', 0, 1);
    expect($with())->toBe([$lead => 'Gulls', $wren => 'Herons']);
    ($this->put)('Terns', 0);
    expect($with())->toBe([$lead => 'Gulls', $wren => 'Herons']);
    ($this->put)('Gulls', 1);
    expect($with())->toBe([$lead => 'Gulls', $wren => 'Gulls']);
    // Where nobody is in it any more, they go with nobody.
    ($this->put)(null, 1, 2, 3);
    expect($with())->toBe([$lead => null, $wren => null]);
    $place($wren, null)->assertOk();
    $this->refused($place($this->members[0]->id, null), '/person', 'somebody who belongs to your group');
    $this->refused($place($this->person($this->group('Others'), Role::Helper, 'elsewhere@gullwick.example')->id, null), '/person', 'somebody who belongs to your group');
});

it('gives the run sheet who goes with whom, and tells those who look on when that changes', function (): void {
    $tonight = $this->meeting($this->crew);
    ($this->put)('Terns', 0, 1);
    $wren = $this->person($this->crew, Role::Helper, 'wren@gullwick.example')->id;
    $stamp = fn (): string => $this->api('GET', "/api/meetings/{$tonight->id}/clock")->assertOk()->json('sheet');
    $before = $stamp();
    $this->api('PUT', '/api/patrols/helper', ['person' => $wren, 'patrol' => 'Terns'])->assertOk();
    expect($stamp())->not->toBe($before)->and(array_column($this->api('GET', "/api/meetings/{$tonight->id}")->assertOk()->json('helpers'), 'patrol', 'id')[$wren])->toBe('Terns');
    expect($this->api('GET', '/api/course')->json('patrols'))->toBe([$this->members[0]->id => 'Terns', $this->members[1]->id => 'Terns']);
});

it('adds learners to a patrol', function (): void {
    ($this->put)('Terns', 0);
    $this->api('POST', '/api/learners', ['learners' => [['name' => 'Ida W.', 'age_band' => '8-10', 'patrol' => 'terns'], ['name' => 'Jon Q.', 'age_band' => '8-10']]])->assertCreated();
    expect(($this->patrols)())->toBe([['Terns', ['Ada P.', 'Ida W.']]]);
    $this->refused($this->api('POST', '/api/learners', ['learners' => [['name' => 'Kit R.', 'age_band' => '8-10', 'patrol' => str_repeat('x', 41)]]]), '/learners/0/patrol');
});
