<?php

declare(strict_types=1);

use App\Along\GroupTables;
use App\Along\ReadZip;
use App\Along\TakeGroup;
use App\Along\WriteGroup;
use App\Crew\EraseLearner;
use App\Models\Group;
use App\Models\Learner;
use Compadre\Core\Refusal;
use Database\Seeders\GullwickSeeder;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @return array<string, list<array<string, mixed>>> all rows of a group, but for what stays in a house */
function alongRows(string $group): array
{
    $all = [];
    foreach (array_keys(GroupTables::ALONG) as $table) {
        $stays = array_flip(GroupTables::STAYS[$table] ?? []);
        $all[$table] = GroupTables::rows($table, $group)->select(GroupTables::columns($table))->get()->map(fn (object $row): array => array_diff_key((array) $row, $stays))->all();
    }

    return $all;
}

/** Everything of every group goes. */
function alongEmpty(): void
{
    DB::statement('set foreign_key_checks = 0');
    foreach ([...array_keys(GroupTables::ALONG), ...array_keys(GroupTables::LEFT_OUT)] as $table) {
        $table === 'migrations' || DB::table($table)->delete();
    }
    DB::statement('set foreign_key_checks = 1');
}

beforeEach(function (): void {
    app(GullwickSeeder::class)->run();
    $this->crew = Group::query()->sole();
    $this->folder = sys_get_temp_dir().'/along-'.bin2hex(random_bytes(6));
    mkdir($this->folder);
    $this->written = function (?string $password = null): string {
        app(WriteGroup::class)($this->crew, $file = "$this->folder/crew.zip", $password);

        return $file;
    };
    $this->take = fn (string $file, bool $replaces = false, bool $yes = true, ?string $password = null) => app(TakeGroup::class)(ReadZip::open($file, $password), $replaces, $yes);
});

afterEach(function (): void {
    array_map(unlink(...), glob("$this->folder/*") ?: []);
    rmdir($this->folder);
});

it('knows of every table whether it goes along, and why not', function (): void {
    $tables = array_map(fn (array $table): string => $table['name'], Schema::getTables(DB::getDatabaseName()));
    $known = [...array_keys(GroupTables::ALONG), ...array_keys(GroupTables::LEFT_OUT)];
    expect(array_diff($tables, $known))->toBe([])->and(array_diff($known, $tables))->toBe([]);
    // Every column that names somebody is known to do so.
    foreach (array_keys(GroupTables::ALONG) as $table) {
        $named = array_map(fn (array $key): string => $key['columns'][0], array_filter(Schema::getForeignKeys($table), fn (array $key): bool => $key['foreign_table'] === 'users'));
        expect(array_diff($named, GroupTables::PEOPLE[$table] ?? []))->toBe([], $table);
    }
});

it('goes along whole, and is the same in another house', function (): void {
    $before = alongRows($this->crew->id);
    $standings = DB::table('standings')->orderBy('learner_id')->orderBy('knot')->get()->map(fn (object $row): array => (array) $row)->all();
    $file = ($this->written)();
    app(App\Http\ApiDocument::class)->hold(json_decode((string) file_get_contents("zip://$file#manifest.json")), app(App\Http\ApiDocument::class)->component('GroupManifest'));
    alongEmpty();
    $taken = ($this->take)($file);
    expect(alongRows($this->crew->id))->toEqual($before);
    expect(DB::table('standings')->orderBy('learner_id')->orderBy('knot')->get()->map(fn (object $row): array => (array) $row)->all())->toEqual($standings);
    expect($taken->tables['learners'])->toMatchArray(['other' => 0, 'gone' => 0, 'same' => 0])->and($taken->tables['check_events']['new'])->toBe(count($before['check_events']));
    // Nobody's password has come along.
    expect(DB::table('users')->whereNotNull('password')->exists())->toBeFalse()->and(file_get_contents("zip://$file#users.ndjson"))->not->toContain('password');
});

it('says what it would do, and does nothing before yes', function (): void {
    $file = ($this->written)();
    $ada = $this->crew->learners()->firstOrFail();
    $ada->update(['name' => 'Ada Q.']);
    [$new] = $this->learners($this->crew, 'Zoe A.');
    $gone = $this->crew->meetings()->orderByDesc('date')->firstOrFail();
    $before = alongRows($this->crew->id);
    expect(fn () => ($this->take)($file))->toThrow(Refusal::class, 'is in this house already');
    $would = ($this->take)($file, replaces: true, yes: false);
    expect(alongRows($this->crew->id))->toEqual($before)->and($would->replaces)->toBeTrue();
    expect($would->tables['learners'])->toMatchArray(['new' => 0, 'other' => 1, 'gone' => 1])->and($would->tables['meetings'])->toMatchArray(['new' => 0, 'other' => 0, 'gone' => 0]);
    expect(array_values(array_filter($would->rows, fn (array $row): bool => $row['table'] === 'learners')))->toEqual([['table' => 'learners', 'name' => 'Ada P.', 'what' => 'other'], ['table' => 'learners', 'name' => 'Zoe A.', 'what' => 'gone']]);
    $did = ($this->take)($file, replaces: true);
    expect($did)->toEqual($would)->and(Learner::query()->whereKey($new->id)->exists())->toBeFalse()->and($ada->refresh()->name)->toBe('Ada P.')->and($gone->refresh()->exists)->toBeTrue();
});

it('brings nobody back who was erased, here or there', function (): void {
    $file = ($this->written)();
    [$here, $there] = $this->crew->learners()->limit(2)->get()->all();
    app(EraseLearner::class)($this->crew, $here);
    ($this->take)($file, replaces: true);
    expect(Learner::query()->whereKey($here->id)->exists())->toBeFalse()->and(DB::table('check_events')->where('learner_id', $here->id)->exists())->toBeFalse()->and(DB::table('gone_learners')->where('id', $here->id)->exists())->toBeTrue();
    app(EraseLearner::class)($this->crew, $there);
    $later = ($this->written)();
    alongEmpty();
    ($this->take)($later);
    expect(DB::table('gone_learners')->orderBy('id')->pluck('id')->all())->toBe(collect([$here->id, $there->id])->sort()->values()->all())->and(Learner::query()->whereKey($there->id)->exists())->toBeFalse();
});

it('takes the keys that sign along under a password alone, and keeps those that are here', function (): void {
    $key = app(App\Awards\GroupKeys::class)->current($this->crew);
    $open = ($this->written)();
    expect(file_get_contents("zip://$open#signing_keys.ndjson"))->toContain('"secret":null')->toContain($key->kid());
    rename($open, "$this->folder/open.zip");
    $locked = ($this->written)('harbour lantern 5');
    foreach ([null, 'harbour lantern 6'] as $password) {
        expect(fn () => ($this->take)($locked, password: $password))->toThrow(Refusal::class, 'locked');
    }
    // In a house that has the keys they stay; in another, badges of before are known, and nothing can be signed with them.
    ($this->take)("$this->folder/open.zip", replaces: true);
    expect(app(App\Awards\GroupKeys::class)->current($this->crew->refresh())->kid())->toBe($key->kid());
    alongEmpty();
    ($this->take)("$this->folder/open.zip");
    expect(fn () => app(App\Awards\GroupKeys::class)->current($this->crew->refresh()))->toThrow(Refusal::class, 'locked in another house');
    alongEmpty();
    ($this->take)($locked, password: 'harbour lantern 5');
    expect(app(App\Awards\GroupKeys::class)->current($this->crew->refresh())->kept())->toBe($key->kept())->and(Crypt::decryptString((string) DB::table('signing_keys')->value('secret')))->toContain('"');
});

it('knows people again by their address, and lets nobody in by a password of before', function (): void {
    $file = ($this->written)();
    $maren = DB::table('users')->where('email', 'maren@gullwick.example')->value('id');
    alongEmpty();
    $other = $this->person($this->group('Another crew'));
    ($this->take)($file);
    expect(DB::table('users')->where('email', 'maren@gullwick.example')->pluck('id')->all())->toBe([$other->id])->and(DB::table('memberships')->where('user_id', $other->id)->count())->toBe(2);
    expect(DB::table('check_events')->where('by', $maren)->exists())->toBeFalse()->and(DB::table('check_events')->where('by', $other->id)->exists())->toBeTrue();
    expect(DB::table('groups')->count())->toBe(2);
});

it('is taken in by a command that names who leads it, and somebody whose address has gone comes along', function (): void {
    $left = App\Models\User::query()->create(['name' => 'Wren Callow', 'email' => null, 'password' => null]);
    $left->memberships()->create(['group_id' => $this->crew->id, 'role' => App\Models\Role::Helper, 'until' => now()]);
    $file = ($this->written)();
    alongEmpty();
    expect(Artisan::call('compadre:take', ['file' => $file]))->toBe(0)->and(Artisan::output())->toContain('not here yet')->not->toContain('Leads:');
    expect(DB::table('groups')->exists())->toBeFalse();
    expect(Artisan::call('compadre:take', ['file' => $file, '--yes' => true]))->toBe(0)->and(Artisan::output())->toContain('Leads: maren@gullwick.example.');
    expect(DB::table('users')->whereNotNull('password')->exists())->toBeFalse()->and(DB::table('users')->where('id', $left->id)->value('email'))->toBeNull();
    expect(Artisan::call('compadre:take', ['file' => $file, '--yes' => true]))->toBe(1)->and(Artisan::output())->toContain('is in this house already');
    // Nobody signs in without a password.
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => ''])->assertStatus(422);
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77'])->assertStatus(422);
});

it('refuses what is no group, with a sentence, and keeps nothing of it', function (): void {
    $file = ($this->written)();
    alongEmpty();
    $changed = function (Closure $how) use ($file): string {
        copy($file, $copy = "$this->folder/changed-".bin2hex(random_bytes(4)).'.zip');
        $zip = new ZipArchive;
        $zip->open($copy);
        $how($zip);
        $zip->close();

        return $copy;
    };
    $lines = fn (string $part): array => explode("\n", trim((string) file_get_contents("zip://$file#$part.ndjson")));
    /** A part with other lines, and a manifest that says so. */
    $with = function (string $part, array $now) use ($changed, $file): string {
        $text = implode('', array_map(fn (string $line): string => "$line\n", $now));
        $manifest = json_decode((string) file_get_contents("zip://$file#manifest.json"), true);
        $manifest['tables'][$part] = ['rows' => count($now), 'sha256' => hash('sha256', $text)];

        return $changed(function (ZipArchive $zip) use ($part, $text, $manifest): void {
            $zip->addFromString("$part.ndjson", $text);
            $zip->addFromString('manifest.json', (string) json_encode($manifest));
        });
    };
    $learner = json_decode($lines('learners')[0], true);
    $cases = [
        'does not belong' => $changed(fn (ZipArchive $zip) => $zip->addFromString('../../etc/cron.d/knots', 'x')),
        'lacking' => $changed(fn (ZipArchive $zip) => $zip->deleteName('meetings.ndjson')),
        'not as it was written' => $changed(fn (ZipArchive $zip) => $zip->addFromString('learners.ndjson', implode("\n", array_reverse($lines('learners')))."\n")),
        'longer than it says' => $changed(fn (ZipArchive $zip) => $zip->addFromString('learners.ndjson', implode("\n", [...$lines('learners'), ...$lines('learners')])."\n")),
        'unpacks to more' => $changed(fn (ZipArchive $zip) => $zip->addFromString('check_events.ndjson', str_repeat('0', 140_000_000))),
        'another version' => $changed(fn (ZipArchive $zip) => $zip->addFromString('manifest.json', str_replace('"version":1', '"version":2', (string) file_get_contents("zip://$file#manifest.json")))),
        'more than one group' => $with('learners', [json_encode(['group_id' => (string) Str::uuid()] + $learner)]),
        'no row of it' => $with('learners', [json_encode(['password' => 'x'] + $learner)]),
        'about something that is not in it' => $with('learners', array_slice($lines('learners'), 1)),
        'names somebody who is not in it' => $with('users', array_slice($lines('users'), 1)),
        'contradicts itself' => $with('learners', [...$lines('learners'), $lines('learners')[0]]),
        'cannot be read as a group' => $with('learners', array_map(fn (string $line): string => str_replace('"age_band":"8-10"', '"age_band":"80"', $line), $lines('learners'))),
    ];
    file_put_contents($cut = "$this->folder/cut.zip", substr((string) file_get_contents($file), 0, -2000));
    file_put_contents($none = "$this->folder/none.zip", 'no zip');
    foreach ([...$cases, 'a part of it is lacking' => $cut, 'This is no zip' => $none] as $sentence => $bad) {
        expect(fn () => ($this->take)($bad))->toThrow(Refusal::class, $sentence);
        expect(DB::table('groups')->exists())->toBeFalse()->and(DB::table('users')->exists())->toBeFalse();
    }
});

it('takes no half of what was damaged on the way', function (): void {
    $file = ($this->written)();
    $before = alongRows($this->crew->id);
    $bytes = (string) file_get_contents($file);
    alongEmpty();
    $lots = new Randomizer(new Mt19937(20261130));
    $whole = $refused = 0;
    for ($n = 0; $n < 500; $n++) {
        $damaged = $bytes;
        $at = $lots->getInt(0, strlen($bytes) - 1);
        $long = $lots->getInt(1, 40);
        $damaged = match ($n % 5) {
            0 => substr_replace($damaged, chr(ord($damaged[$at]) ^ (1 << $lots->getInt(0, 7))), $at, 1),
            1 => substr($damaged, 0, $at),
            2 => substr_replace($damaged, $lots->getBytes($long), $at, $long),
            3 => substr_replace($damaged, '', $at, $long),
            4 => substr_replace($damaged, $lots->getBytes($long), $at, 0),
        };
        file_put_contents($bad = "$this->folder/bad.zip", $damaged);
        DB::beginTransaction();
        try {
            ($this->take)($bad);
            // What can still be read is all there.
            expect(alongRows($this->crew->id))->toEqual($before);
            $whole++;
        } catch (Refusal $no) {
            expect($no->getMessage())->toContain('Nothing was taken in');
            expect(DB::table('groups')->exists())->toBeFalse()->and(DB::table('users')->exists())->toBeFalse();
            $refused++;
        }
        DB::rollBack();
    }
    expect($whole + $refused)->toBe(500)->and($refused)->toBeGreaterThan(400);
});
