<?php

declare(strict_types=1);

use App\Along\GroupTables;
use App\Along\WriteGroup;
use App\Models\Device;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Membership;
use App\Models\Place;
use App\Models\PracticeCard;
use App\Models\Role;
use App\Models\User;
use App\Models\Work;
use App\Work\DoWork;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** An id that no row has. */
const NOBODYS_ID = '0194a000-0000-7000-8000-000000000000';

/** @return array<string, mixed> a row of a check on that day */
function hostedCheck(Learner $learner, string $day, User $by): array
{
    return ['id' => (string) Illuminate\Support\Str::uuid7(), 'schema' => 1, 'kind' => 'result', 'group_id' => $learner->group_id, 'learner_id' => $learner->id, 'knot' => 'overhand', 'device' => 'phone', 'device_seq' => 1,
        'observed_at' => "$day 18:00:00", 'received_at' => "$day 18:00:00", 'corrected_at' => "$day 18:00:00", 'day' => $day, 'by' => $by->id, 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'purpose' => 'not_looked', 'test' => 'not_looked',
        'how' => 'attested', 'prompts' => 0, 'verdict' => 'has_it', 'answer_next' => '', 'rule_version' => 1, 'pack_version' => 1];
}

/** @return array<string, mixed> what the first lead of a group answers */
function hostSetUp(string $code, string $name, string $email, string $password = 'lantern-tail-77'): array
{
    return [
        'code' => $code, 'group' => ['name' => $name, 'age_from' => 8, 'age_to' => 13, 'time_zone' => 'UTC', 'units' => 'mm'], 'leader' => ['name' => 'Wren Callow', 'email' => $email, 'password' => $password],
        'learners' => [['name' => 'Odd Q.', 'age_band' => '8-10'], ['name' => 'Pia S.', 'age_band' => '8-10']], 'rope' => ['name' => 'Practice rope', 'diameter_mm' => 10, 'material' => 'polyester'],
        'badges' => [['badge' => 'lantern-hand', 'due_on' => null]], 'own_badges' => [], 'meetings' => ['dates' => ['2026-12-02'], 'starts_at' => '18:30', 'minutes' => 60, 'checkers' => 2],
    ];
}

/** How many rows each group has in each table, and what they come to. */
function hostRows(string $group): array
{
    $all = [];
    foreach ([...array_keys(GroupTables::ALONG), 'standings', 'practice_cards', 'invitations', 'works', 'kept_files'] as $table) {
        $rows = isset(GroupTables::ALONG[$table]) ? GroupTables::rows($table, $group)->reorder() : DB::table($table)->where('group_id', $group);
        $all[$table] = $rows->get()->map(static fn (object $row): string => json_encode($row, JSON_THROW_ON_ERROR))->sort()->values()->all();
    }

    return $all;
}

beforeEach(function (): void {
    [$this->crew, $this->learners, $this->meetings] = $this->term();
    $this->lead = User::query()->where('email', 'maren@gullwick.example')->sole();
    $this->host = User::query()->create(['name' => 'Hedda Roe', 'email' => 'hedda@gullwick.example', 'password' => 'lantern-tail-77'])->refresh();
    DB::table('hosts')->insert(['user_id' => $this->host->id]);
    $this->place = function (array $more = []): string {
        $this->become($this->host);

        return $this->api('POST', '/api/host/places', ['name' => 'Tarrow Shore Band'] + $more)->assertCreated()->json('code');
    };
    $this->nobody = function (): void {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
    };
    /** A second group in the house, of which the first group's lead is a lead, too. */
    $this->second = function (string $email = 'maren@gullwick.example'): Group {
        $code = ($this->place)();
        ($this->nobody)();
        $this->api('POST', '/api/setup', hostSetUp($code, 'Tarrow Shore Band', $email))->assertCreated();

        return Group::query()->where('name', 'Tarrow Shore Band')->sole();
    };
});

it('has room for one more group, by a code that whoever hosts it makes, once', function (): void {
    $code = ($this->place)(['learners_most' => 3, 'people_most' => 1]);
    expect($code)->toMatch('/^\w{4}-\w{4}-\w{4}$/')->and(json_encode(DB::table('places')->get()))->not->toContain(str_replace('-', '', $code));
    ($this->nobody)();
    $this->api('POST', '/api/setup', hostSetUp('AAAA-AAAA-AAAA', 'Tarrow Shore Band', 'wren@gullwick.example'))->assertForbidden();
    // From the network, too: a place is for somebody elsewhere.
    $this->withServerVariables(['COMPADRE_LAN' => 'yes']);
    $me = $this->api('POST', '/api/setup', hostSetUp(strtolower($code), 'Tarrow Shore Band', 'wren@gullwick.example'))->assertCreated()->json();
    expect($me['group']['name'])->toBe('Tarrow Shore Band')->and($me['hosts'])->toBeFalse()->and($me['groups'])->toHaveCount(1);
    $group = Group::query()->where('name', 'Tarrow Shore Band')->sole();
    expect([$group->learners_most, $group->people_most, Place::query()->count()])->toBe([3, 1, 0]);
    ($this->nobody)();
    $this->api('POST', '/api/setup', hostSetUp($code, 'Another', 'odd@gullwick.example'))->assertForbidden();
    // An old one is no better than none; nor is one that was withdrawn.
    $code = ($this->place)();
    $this->travelTo(now()->addDays(15));
    ($this->nobody)();
    $this->api('POST', '/api/setup', hostSetUp($code, 'Another', 'odd@gullwick.example'))->assertForbidden();
    $this->travelBack();
    $code = ($this->place)();
    $this->api('DELETE', '/api/host/places/'.Place::query()->where('code_hash', Place::hash(str_replace('-', '', $code)))->sole()->id)->assertNoContent();
    ($this->nobody)();
    $this->api('POST', '/api/setup', hostSetUp($code, 'Another', 'odd@gullwick.example'))->assertForbidden();
    // More learners than the place allows: nothing is set up, and the place still waits.
    $code = ($this->place)(['learners_most' => 1]);
    ($this->nobody)();
    $this->api('POST', '/api/setup', hostSetUp($code, 'Another', 'odd@gullwick.example'))->assertUnprocessable();
    expect(Group::query()->where('name', 'Another')->exists())->toBeFalse()->and(Place::open()->where('code_hash', Place::hash(str_replace('-', '', $code)))->exists())->toBeTrue();
});

it('shows whoever hosts it counts and health, and no learner, no leader, no group from inside', function (): void {
    $this->send($this->pass($this->learners[0]), $this->pass($this->learners[1], 'bowline'))->assertOk();
    $second = ($this->second)('wren@gullwick.example');
    $this->become($this->host);
    $seen = $this->api('GET', '/api/host')->assertOk();
    $groups = array_column($seen->json('groups'), null, 'name');
    expect($groups['Gullwick Lantern Crew'])->toMatchArray(['learners' => 5, 'people' => 1, 'checks' => 2, 'last_day' => '2026-11-24', 'state' => 'open'])
        ->and($groups['Tarrow Shore Band'])->toMatchArray(['id' => $second->id, 'learners' => 2, 'people' => 1, 'checks' => 0, 'last_day' => null]);
    $names = [...Learner::query()->pluck('name')->all(), ...User::query()->pluck('name')->all(), ...User::query()->pluck('email')->all()];
    foreach ($names as $name) {
        expect($seen->getContent())->not->toContain($name);
    }
    foreach (['/api/me', '/api/crew', '/api/course', "/api/learners/{$this->learners[0]->id}", '/api/people', '/api/along', '/api/sheets/roster'] as $inside) {
        $this->api('GET', $inside)->assertForbidden()->assertJsonPath('errors.0.field', '/group');
    }
    $this->become($this->lead);
    $this->api('GET', '/api/host')->assertForbidden();
});

it('is looked through a page at a time, by a part of a name, in an order, with the same counts as one by one', function (): void {
    mt_srand(18);
    foreach (range(1, 130) as $n) {
        $group = Group::query()->create(['name' => ['Tarrow', 'Gullwick', 'Harl'][$n % 3]." Band $n".($n % 50 === 0 ? ' 100%_' : ''), 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13, 'closed_at' => $n % 7 === 0 ? now() : null, 'left_at' => $n % 11 === 0 ? now() : null]);
        $group->forceFill(['created_at' => now()->subDays($n * 37 % 97)])->save();
        foreach (range(0, mt_rand(0, 3)) as $one) {
            $learner = $one === 0 ? null : $group->learners()->create(['name' => "Nell $one", 'age_band' => '8-10', 'archived_at' => mt_rand(0, 4) === 0 ? now() : null])->refresh();
            if ($learner !== null && mt_rand(0, 2) > 0) {
                DB::table('check_events')->insert(hostedCheck($learner, now()->subDays(mt_rand(0, 60))->format('Y-m-d'), $this->lead));
            }
        }
    }
    $this->become($this->host);
    $ask = fn (string $query): array => $this->api('GET', "/api/host$query")->assertOk()->json();
    // The slow way: every group by itself.
    $since = now()->subDays(28)->format('Y-m-d');
    $all = Group::query()->get()->map(function (Group $group) use ($since): array {
        $days = DB::table('check_events')->where('group_id', $group->id)->pluck('day')->map(fn (string $day): string => substr($day, 0, 10))->sort()->values();
        $open = $group->closed_at === null && $group->left_at === null;

        return ['id' => $group->id, 'name' => $group->name, 'learners' => $group->learners()->count(), 'checks' => $days->filter(fn (string $day): bool => $day >= $since)->count(), 'last_day' => $days->last(), 'open' => $open, 'made' => (string) $group->created_at];
    });
    $orders = [
        'name' => fn (array $a, array $b): int => strcasecmp($a['name'], $b['name']) ?: strcmp($a['id'], $b['id']),
        'quiet' => fn (array $a, array $b): int => [$a['last_day'] ?? '', strtolower($a['name']), $a['id']] <=> [$b['last_day'] ?? '', strtolower($b['name']), $b['id']],
        'learners' => fn (array $a, array $b): int => [-$a['learners'], strtolower($a['name']), $a['id']] <=> [-$b['learners'], strtolower($b['name']), $b['id']],
        'new' => fn (array $a, array $b): int => [$b['made'], strtolower($a['name']), $a['id']] <=> [$a['made'], strtolower($b['name']), $b['id']],
    ];
    $shown = ['all' => fn (array $one): bool => true, 'open' => fn (array $one): bool => $one['open'], 'shut' => fn (array $one): bool => ! $one['open'], 'quiet' => fn (array $one): bool => $one['open'] && $one['checks'] === 0];
    foreach ($shown as $show => $isShown) {
        foreach ($orders as $order => $compare) {
            foreach (['', 'gullWICK', '100%_'] as $find) {
                $wanted = $all->filter(fn (array $one): bool => $isShown($one) && ($find === '' || stripos($one['name'], $find) !== false))->sort($compare)->values();
                $seen = [];
                for ($page = 1; $page === 1 || $page <= $said['pages']; $page++) {
                    $said = $ask('?'.http_build_query(['show' => $show, 'order' => $order, 'find' => $find, 'page' => $page]));
                    expect(count($said['groups']))->toBeLessThanOrEqual(50)->and([$said['found'], $said['page'], $said['sums']['groups'], $said['sums']['learners']])->toBe([$wanted->count(), $page, $all->count(), $all->sum('learners')]);
                    array_push($seen, ...$said['groups']);
                }
                expect(array_map(fn (array $one): string => $one['id'], $seen))->toBe($wanted->pluck('id')->all(), "$show by $order, '$find'");
                expect(array_map(fn (array $one): array => [$one['learners'], $one['checks'], $one['last_day']], $seen))->toBe($wanted->map(fn (array $one): array => [$one['learners'], $one['checks'], $one['last_day']])->all());
            }
        }
    }
    expect($ask('?page=99')['page'])->toBe(3)->and($ask('?find=nobody')['groups'])->toBe([]);
    foreach (['show=some' => '/show', 'order=size' => '/order', 'page=0' => '/page', 'page=two' => '/page', 'find='.str_repeat('x', 81) => '/find'] as $query => $field) {
        $this->refused($this->api('GET', "/api/host?$query"), $field);
    }
});

it('signs in whoever hosts it without a group, and says whom it knows', function (): void {
    ($this->nobody)();
    $this->api('POST', '/api/sign-in', ['email' => 'hedda@gullwick.example', 'password' => 'lantern-tail-77'])->assertNoContent();
    $this->api('GET', '/api/host')->assertOk();
    $this->api('GET', '/api/house')->assertOk()->assertJson(['signed_in' => false, 'hosts' => true, 'needs_setup' => false]);
    $this->api('PUT', '/api/me/password', ['current' => 'lantern-tail-77', 'password' => 'harbour-light-9'])->assertNoContent();
    $this->api('POST', '/api/sign-out')->assertNoContent();
    DB::table('hosts')->delete();
    $this->api('POST', '/api/sign-in', ['email' => 'hedda@gullwick.example', 'password' => 'harbour-light-9'])->assertUnprocessable();
});

it('opens for the lead of two groups the one they choose, and nothing of the other', function (): void {
    $second = ($this->second)();
    $me = $this->api('GET', '/api/me')->assertOk()->json();
    expect($me['group']['id'])->toBe($second->id)->and(array_column($me['groups'], 'name'))->toBe(['Gullwick Lantern Crew', 'Tarrow Shore Band']);
    expect(array_column($this->api('GET', '/api/crew')->json('learners'), 'name'))->toBe(['Odd Q.', 'Pia S.']);
    $this->api('GET', "/api/learners/{$this->learners[0]->id}")->assertNotFound();
    $this->refused($this->send($this->pass($this->learners[0])), '/events/0/learner', 'your group');
    $this->api('PUT', '/api/me/group', ['group' => $this->crew->id])->assertOk()->assertJsonPath('group.id', $this->crew->id);
    expect(array_column($this->api('GET', '/api/crew')->json('learners'), 'name'))->toHaveCount(5);
    // A page of the other group that is still open somewhere writes nothing here.
    $this->withHeader('X-Group', $second->id);
    $this->api('POST', '/api/learners', ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10']]])->assertConflict();
    $this->withHeader('X-Group', $this->crew->id);
    $this->api('POST', '/api/learners', ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10']]])->assertCreated();
    expect($second->learners()->count())->toBe(2)->and($this->crew->learners()->count())->toBe(6);
    $third = Group::query()->create(['name' => 'Another', 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13]);
    $this->refused($this->api('PUT', '/api/me/group', ['group' => $third->id]), '/group', 'a group that you belong to');
    // Where their access to the one that is open ends, the device is signed out; the other is still theirs.
    Membership::query()->where('group_id', $this->crew->id)->update(['until' => now()]);
    $this->api('GET', '/api/crew')->assertUnauthorized();
    ($this->nobody)();
    $this->flushHeaders();
    $own = 'http://127.0.0.1:'.config()->string('app.port');
    $this->withHeader('Origin', $own)->withHeader('Referer', "$own/");
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk()->assertJsonPath('group.id', $second->id);
});

it('lets somebody join a second group with the account they have, and by nobody else’s', function (): void {
    $second = ($this->second)('wren@gullwick.example');
    $token = $this->api('POST', '/api/invitations', ['role' => 'helper'])->assertCreated()->json('token');
    ($this->nobody)();
    $join = fn (string $password) => $this->api('POST', '/api/join', ['token' => $token, 'name' => 'Maren', 'email' => 'maren@gullwick.example', 'password' => $password]);
    $join('harbour-light-9')->assertUnprocessable()->assertJsonPath('errors.0.field', '/email');
    expect(User::query()->where('email', 'maren@gullwick.example')->sole()->inForce()->count())->toBe(1);
    // Nobody guesses at somebody's account by way of a link; each try counts, though nothing of it is written.
    foreach (range(1, 4) as $try) {
        $join("harbour-light-$try")->assertUnprocessable();
    }
    $join('lantern-tail-77')->assertTooManyRequests();
    DB::table('tries')->delete();
    $join('lantern-tail-77')->assertCreated()->assertJsonPath('group.id', $second->id)->assertJsonPath('user.role', 'helper')->assertJsonPath('user.name', 'Maren Holt');
    $this->api('GET', '/api/people')->assertForbidden();
    $this->api('PUT', '/api/me/group', ['group' => $this->crew->id])->assertOk()->assertJsonPath('user.role', 'lead');
    // Each group sees the role in it, and the devices that have it open.
    $maren = $this->lead->id;
    expect(collect($this->api('GET', '/api/people')->json('people'))->firstWhere('id', $maren)['role'])->toBe('lead');
    $this->become(User::query()->where('email', 'wren@gullwick.example')->sole());
    expect(collect($this->api('GET', '/api/people')->json('people'))->firstWhere('id', $maren)['role'])->toBe('helper')->and(array_column($this->api('GET', '/api/devices')->json('devices'), 'who'))->not->toContain('Maren Holt');
    $this->api('DELETE', '/api/devices/'.Device::query()->where('group_id', $this->crew->id)->firstOrFail()->id)->assertNotFound();
    // Whoever was in the group before may come again.
    $this->api('DELETE', "/api/people/$maren")->assertNoContent();
    expect($this->lead->refresh()->email)->toBe('maren@gullwick.example')->and($this->lead->inForce()->count())->toBe(1);
    $token = $this->api('POST', '/api/invitations', ['role' => 'instructor'])->json('token');
    ($this->nobody)();
    $join('lantern-tail-77')->assertNotFound();
    $this->api('POST', '/api/join', ['token' => $token, 'name' => 'Maren', 'email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertCreated()->assertJsonPath('user.role', 'instructor');
    expect(Membership::query()->where('group_id', $second->id)->where('user_id', $maren)->count())->toBe(1);
});

it('holds a group to what it may have, and turns nobody away on a field', function (): void {
    $this->become($this->host);
    $this->api('PUT', "/api/host/groups/{$this->crew->id}", ['learners_most' => 6, 'people_most' => 1])->assertNoContent();
    $this->become($this->lead);
    $two = ['learners' => [['name' => 'Zoe A.', 'age_band' => '8-10'], ['name' => 'Yan B.', 'age_band' => '8-10']]];
    $answer = $this->api('POST', '/api/learners', $two)->assertUnprocessable();
    expect($answer->json('errors.0'))->toMatchArray(['field' => '/learners', 'value' => 7, 'allowed' => 'at most 6'])->and($answer->json('message'))->toContain('It has 5, so 1 more');
    $this->api('PUT', '/api/sheets/roster', ['bytes' => base64_encode("name,age\nZoe A.,9\nYan B.,9\n")])->assertUnprocessable();
    expect($this->crew->learners()->count())->toBe(5);
    $walkIns = array_map(static fn (string $name): array => ['id' => (string) Illuminate\Support\Str::uuid7(), 'name' => $name], ['Zoe A.', 'Yan B.']);
    $this->api('POST', '/api/walk-ins', ['learners' => $walkIns])->assertCreated();
    expect($this->crew->learners()->count())->toBe(7);
    $away = $this->learners[4];
    $this->api('PUT', "/api/learners/$away->id", ['archived' => true])->assertOk();
    $this->api('PUT', "/api/archived/$away->id")->assertUnprocessable();
    $token = $this->api('POST', '/api/invitations', ['role' => 'helper'])->json('token');
    ($this->nobody)();
    $this->api('POST', '/api/join', ['token' => $token, 'name' => 'Wren', 'email' => 'wren@gullwick.example', 'password' => 'harbour-light-9'])->assertUnprocessable()->assertJsonPath('errors.0.field', '/people');
    expect(User::query()->where('email', 'wren@gullwick.example')->exists())->toBeFalse();
});

it('lets nobody into a group that is closed, loses nothing of it, and opens it again', function (): void {
    $second = ($this->second)();
    $calendar = (string) $this->api('POST', '/api/calendar', ['places' => true])->json('path');
    $token = $this->api('POST', '/api/invitations', ['role' => 'helper'])->json('token');
    $code = 'ACDEFG';
    PracticeCard::query()->create(['group_id' => $second->id, 'learner_id' => $second->learners()->firstOrFail()->id, 'code' => $code, 'code_hash' => PracticeCard::hash($code), 'hand' => 'right', 'ends_on' => '2026-12-22']);
    $before = hostRows($second->id);
    $this->become($this->host);
    $this->api('PUT', "/api/host/groups/$second->id", ['closed' => true])->assertNoContent();
    $session = fn () => $this->become($this->lead);
    $session();
    // Whoever has another group is let into that.
    $this->api('GET', '/api/me')->assertOk()->assertJsonPath('group.id', $this->crew->id);
    $this->api('PUT', '/api/me/group', ['group' => $second->id])->assertStatus(423);
    Device::query()->where('user_id', $this->lead->id)->update(['group_id' => $second->id]);
    foreach (['/api/me', '/api/crew', '/api/course'] as $inside) {
        $answer = $this->api('GET', $inside)->assertStatus(423);
        expect($answer->json('message'))->toContain('closed on 24 November 2026 by whoever hosts this house');
    }
    $this->send($this->pass($second->learners()->firstOrFail()))->assertStatus(423);
    ($this->nobody)();
    $this->api('POST', '/api/join', ['token' => $token, 'name' => 'Odd', 'email' => 'odd@gullwick.example', 'password' => 'harbour-light-9'])->assertStatus(423);
    $this->api('POST', '/api/corner', ['code' => $code])->assertUnprocessable();
    $calendar === '' || $this->get($calendar)->assertNotFound();
    $this->become($this->host);
    $this->api('PUT', "/api/host/groups/$second->id", ['closed' => false])->assertNoContent();
    $after = hostRows($second->id);
    unset($before['groups'], $after['groups']);
    expect($after)->toBe($before);
    $session();
    $this->api('PUT', '/api/me/group', ['group' => $second->id])->assertOk();
});

it('removes a closed group whole, and nothing else, however often it is broken off', function (): void {
    $second = ($this->second)();
    $learner = $second->learners()->firstOrFail();
    $this->send($this->pass($learner), $this->pass($learner, 'bowline'))->assertOk();
    $token = $this->api('POST', '/api/invitations', ['role' => 'helper'])->json('token');
    ($this->nobody)();
    $this->api('POST', '/api/join', ['token' => $token, 'name' => 'Odd', 'email' => 'odd@gullwick.example', 'password' => 'harbour-light-9'])->assertCreated();
    $this->become($this->lead);
    $this->api('PUT', '/api/me/group', ['group' => $second->id])->assertOk();
    $this->api('POST', '/api/along/files', ['password' => 'harbour lantern 5'])->assertSuccessful();
    $this->become($this->lead);
    $this->send($this->pass($this->learners[0]))->assertOk();
    $others = hostRows($this->crew->id);
    $this->become($this->host);
    $this->refused($this->api('DELETE', "/api/host/groups/$second->id", ['name' => 'Tarrow Shore Band']), '/closed', 'a group that is closed');
    $this->api('PUT', "/api/host/groups/$second->id", ['closed' => true])->assertNoContent();
    $this->refused($this->api('DELETE', "/api/host/groups/$second->id", ['name' => 'Gullwick Lantern Crew']), '/name', 'Tarrow Shore Band');
    Illuminate\Support\Facades\Queue::fake();
    $said = [];
    Illuminate\Support\Facades\Log::listen(function (Illuminate\Log\Events\MessageLogged $line) use (&$said): void {
        $said[] = $line->message;
    });
    $this->api('DELETE', "/api/host/groups/$second->id", ['name' => 'Tarrow Shore Band'])->assertStatus(202);
    // What a host has done stands in the log, by the group's id alone.
    expect($said)->toBe(["A group is being removed by its host: $second->id."]);
    expect($this->api('GET', '/api/host')->json('groups.1.state'))->toBe('removing');
    $this->refused($this->api('PUT', "/api/host/groups/$second->id", ['closed' => false]), '/group', 'a group that is not being removed');
    // Broken off after ever more steps, and taken up again, it goes on.
    $work = Work::query()->where('kind', 'remove')->sole();
    [$steps, $another] = [0, (string) Illuminate\Support\Str::uuid()];
    DB::listen(static function ($query) use (&$steps, $work, $another): void {
        if (str_starts_with($query->sql, 'delete') && --$steps === 0) {
            DB::table('works')->where('id', $work->id)->update(['held_by' => $another]);
        }
    });
    $brokenOff = 0;
    foreach ([3, 9, 17, 26, PHP_INT_MAX] as $steps) {
        $work->refresh()->update(['state' => 'waiting', 'wake_at' => now(), 'held_by' => null, 'held_until' => null]);
        app()->call([new DoWork($work->id), 'handle']);
        $brokenOff += (int) Group::query()->whereKey($second->id)->exists();
    }
    expect($brokenOff)->toBe(4);
    expect(array_filter(hostRows($second->id)))->toBe([])->and(hostRows($this->crew->id))->toBe($others);
    expect(User::query()->where('email', 'odd@gullwick.example')->exists())->toBeFalse()->and(User::query()->where('email', 'maren@gullwick.example')->exists())->toBeTrue();
    expect($this->api('GET', '/api/host')->json('groups'))->toHaveCount(1);
    // A device on which it was open is signed out; its owner comes back to what is theirs.
    ($this->nobody)();
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertOk()->assertJsonPath('group.id', $this->crew->id);
});

it('takes a group that moves into a place, and opens nobody’s account by an address in a zip', function (): void {
    $file = sys_get_temp_dir().'/host-'.bin2hex(random_bytes(6)).'.zip';
    app(WriteGroup::class)($this->crew, $file, null);
    $bytes = (string) file_get_contents($file);
    unlink($file);
    // The group goes, and its lead has an account in the house by another.
    $second = ($this->second)();
    DB::statement('set foreign_key_checks = 0');
    foreach (array_reverse(array_keys(GroupTables::ALONG)) as $table) {
        GroupTables::rows($table, $this->crew->id)->reorder()->delete();
    }
    DB::statement('set foreign_key_checks = 1');
    $code = ($this->place)(['learners_most' => 5]);
    ($this->nobody)();
    $given = $this->api('POST', '/api/setup/zip', ['code' => $code, 'bytes' => strlen($bytes)])->assertCreated()->json('file');
    $this->api('PUT', "/api/setup/zip/$given/parts", ['place' => 0, 'data' => base64_encode($bytes)])->assertNoContent();
    $take = fn (string $password) => $this->api('POST', "/api/setup/zip/$given/take", ['code' => $code, 'email' => 'maren@gullwick.example', 'new_password' => $password]);
    $take('harbour-light-9')->assertUnprocessable()->assertJsonPath('errors.0.field', '/email');
    expect(Group::query()->whereKey($this->crew->id)->exists())->toBeFalse();
    // Nor one that nobody has set a password for yet.
    DB::table('users')->where('email', 'maren@gullwick.example')->update(['password' => null]);
    expect($take('harbour-light-9')->assertUnprocessable()->json('message'))->toContain('has no password yet');
    $this->lead->update(['password' => 'lantern-tail-78']);
    $this->lead->update(['password' => 'lantern-tail-77']);
    $take('lantern-tail-77')->assertCreated()->assertJsonPath('group.id', $this->crew->id);
    expect($this->crew->refresh()->learners_most)->toBe(5)->and($this->crew->learners()->count())->toBe(5)->and(User::query()->where('email', 'maren@gullwick.example')->sole()->inForce()->count())->toBe(2);
    // A group that is here is not taken in a second time, whatever place there is.
    $code = ($this->place)();
    ($this->nobody)();
    $given = $this->api('POST', '/api/setup/zip', ['code' => $code, 'bytes' => strlen($bytes)])->assertCreated()->json('file');
    $this->api('PUT', "/api/setup/zip/$given/parts", ['place' => 0, 'data' => base64_encode($bytes)])->assertNoContent();
    $this->api('POST', "/api/setup/zip/$given/look", ['code' => $code])->assertUnprocessable();
    // Nor does one group take another's zip back.
    $this->become($this->lead);
    $this->api('PUT', '/api/me/group', ['group' => $second->id])->assertOk();
    $given = $this->api('POST', '/api/along/given', ['bytes' => strlen($bytes)])->assertCreated()->json('file');
    $this->api('PUT', "/api/along/given/$given/parts", ['place' => 0, 'data' => base64_encode($bytes)])->assertNoContent();
    expect($this->api('POST', "/api/along/given/$given/look", ['password' => 'none'])->assertUnprocessable()->json('message'))->toContain('of another group');
});

it('is hosted by whom the command names, and no longer', function (): void {
    DB::table('hosts')->delete();
    expect(Artisan::call('compadre:host', ['email' => 'ilse@gullwick.example']))->toBe(1)->and(Artisan::output())->toContain('say the name, too');
    expect(Artisan::call('compadre:host', ['email' => 'no address', 'name' => 'Ilse']))->toBe(1);
    expect(Artisan::call('compadre:host', ['email' => 'ilse@gullwick.example', 'name' => 'Ilse Brand']))->toBe(0);
    preg_match('!/reset#(\w+)!', Artisan::output(), $link);
    ($this->nobody)();
    $this->api('POST', '/api/reset', ['token' => $link[1], 'password' => 'harbour-light-9'])->assertNoContent();
    $this->api('POST', '/api/sign-in', ['email' => 'ilse@gullwick.example', 'password' => 'harbour-light-9'])->assertNoContent();
    $this->api('GET', '/api/host')->assertOk();
    // A lead who hosts the house as well has both.
    expect(Artisan::call('compadre:host', ['email' => 'maren@gullwick.example']))->toBe(0)->and(Artisan::output())->not->toContain('/reset#');
    $this->become($this->lead);
    $this->api('GET', '/api/me')->assertOk()->assertJsonPath('hosts', true);
    $this->api('GET', '/api/host')->assertOk();
    expect(Artisan::call('compadre:host', ['email' => 'maren@gullwick.example', '--end' => true]))->toBe(0)->and(Artisan::call('compadre:host', ['email' => 'maren@gullwick.example', '--end' => true]))->toBe(1);
    $this->api('GET', '/api/host')->assertForbidden();
});

it('sees a question that goes through all groups’ rows, and one that reads a table through', function (string $sql, bool $isSeen, bool $readsThrough): void {
    Illuminate\Support\Facades\Route::get('/api/planted', static fn (): array => [DB::statement($sql)])->withoutMiddleware('web');
    $this->get('/api/planted')->assertOk();
    expect($this->unscoped())->toBe($isSeen ? [$sql] : [])->and(array_keys($this->readsThrough()))->toBe($readsThrough ? [$sql] : []);
})->with([
    ['select count(*) from `learners`', true, true], ["select name from learners where name like 'A%' order by id", true, true], ['update `standings` set `level` = 1 where `knot` = 1', true, true], ['delete from meetings where date < 1', true, true],
    ['select 1 from `users` join `memberships` on `memberships`.`user_id` = `users`.`id` where `role` = 1', true, true], ['select group_id from learners', true, true],
    ["select 1 from `learners` where `group_id` = '".NOBODYS_ID."'", false, false], ["select 1 from `standings` where (learner_id, knot) in (('".NOBODYS_ID."', 'y'))", false, false], ["select 1 from groups where calendar_hash = 'x'", false, false], ['select 1 from `users`', false, true],
    // The database looks for what is deleted by a question within the question through the whole table.
    ["delete from pursuits where learner_id in (select id from learners where group_id = '".NOBODYS_ID."')", false, true],
]);

it('says of a house of several groups that it holds them, and writes along the one that is named', function (): void {
    ($this->second)('wren@gullwick.example');
    Artisan::call('compadre:setup-state');
    expect(Artisan::output())->toContain('It holds 2 groups');
    $file = sys_get_temp_dir().'/host-'.bin2hex(random_bytes(6)).'.zip';
    expect(Artisan::call('compadre:along', ['file' => $file]))->toBe(1)->and(Artisan::output())->toContain('here are: Gullwick Lantern Crew, Tarrow Shore Band')->and(is_file($file))->toBeFalse();
    expect(Artisan::call('compadre:along', ['file' => $file, '--group' => 'Tarrow Shore Band']))->toBe(0);
    expect(App\Along\ReadZip::open($file, null)->name)->toBe('Tarrow Shore Band');
    unlink($file);
});

it('is an empty house no more once somebody hosts it', function (): void {
    DB::statement('set foreign_key_checks = 0');
    foreach ([...array_keys(GroupTables::ALONG), 'devices', 'works'] as $table) {
        DB::table($table)->delete();
    }
    DB::statement('set foreign_key_checks = 1');
    ($this->nobody)();
    $this->api('GET', '/api/house')->assertOk()->assertJsonPath('needs_setup', false);
    $this->api('POST', '/api/setup', hostSetUp(Tests\FeatureCase::CODE, 'Another', 'odd@gullwick.example'))->assertForbidden();
    Artisan::call('compadre:setup-state');
    expect(Artisan::output())->toContain('waits for its first group');
    DB::table('hosts')->delete();
    $this->api('GET', '/api/house')->assertOk()->assertJsonPath('needs_setup', true);
});
