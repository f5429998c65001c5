<?php

declare(strict_types=1);

use App\Along\ReadZip;
use App\Along\WriteFiles;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\KeptFile;
use App\Models\Learner;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\FeatureCase;

/** Everything of every group goes; the house waits for its first visit. */
function emptyHouse(): void
{
    DB::statement('set foreign_key_checks = 0');
    foreach ([...array_keys(App\Along\GroupTables::ALONG), ...array_keys(App\Along\GroupTables::LEFT_OUT)] as $table) {
        $table === 'migrations' || DB::table($table)->delete();
    }
    DB::statement('set foreign_key_checks = 1');
}

beforeEach(function (): void {
    [$this->crew, $this->learners] = $this->term();
    $this->worker = fn (): int => Artisan::call('queue:work', ['--stop-when-empty' => true, '--sleep' => 0, '--memory' => 8192, '--quiet' => true]);
    /** Asks for a zip and fetches it. */
    $this->fetched = function (array $asked = []): string {
        $id = $this->api('POST', '/api/along/files', $asked + ['leave' => false])->assertCreated()->json('files.0.id');
        ($this->worker)();

        return $this->api('GET', "/api/along/files/$id.zip")->assertOk()->streamedContent();
    };
    /** Brings a file, part by part, the last one first: in whatever order they come. */
    $this->brought = function (string $zip, string $to = '/api/along/given', array $with = []): string {
        $id = $this->api('POST', $to, ['bytes' => strlen($zip)] + $with)->assertCreated()->json('file');
        foreach (array_reverse(str_split($zip, KeptFile::PART), true) as $place => $part) {
            $this->api('PUT', "$to/$id/parts", ['place' => $place, 'data' => base64_encode($part)])->assertNoContent();
        }

        return $id;
    };
    $this->check = fn (): TestResponse => $this->send($this->pass($this->learners[0], 'bowline'));
});

it('writes a zip while nobody waits, says how it goes, and gives it out until it is removed', function (): void {
    $this->api('POST', '/api/along/files', ['password' => 'harbour lantern 5'])->assertCreated()->assertJsonPath('work.state', 'waiting')->assertJsonPath('files.0.state', 'asked');
    expect(KeptFile::query()->sole()->password)->not->toBeNull()->not->toContain('harbour');
    ($this->worker)();
    $file = $this->api('GET', '/api/along')->assertOk()->assertJsonPath('work.state', 'done')->assertJsonPath('left_at', null)->json('files.0');
    expect($file)->toMatchArray(['state' => 'ready', 'kind' => 'along', 'locked' => true])->and($file['bytes'])->toBeGreaterThan(2000)->and(KeptFile::query()->sole()->password)->toBeNull();
    $answer = $this->api('GET', "/api/along/files/{$file['id']}.zip")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="group-2026-11-24.zip"')->assertHeader('Content-Length', (string) $file['bytes']);
    file_put_contents($path = sys_get_temp_dir().'/fetched-'.bin2hex(random_bytes(6)).'.zip', $answer->streamedContent());
    expect(filesize($path))->toBe($file['bytes'])->and(ReadZip::open($path, 'harbour lantern 5')->group)->toBe($this->crew->id)->and(glob(storage_path('app/along-*')))->toBe([]);
    unlink($path);
    $this->api('DELETE', "/api/along/files/{$file['id']}")->assertOk()->assertJsonPath('files', []);
    expect(DB::table('kept_file_parts')->count())->toBe(0);
    $this->api('GET', "/api/along/files/{$file['id']}.zip")->assertNotFound();
});

it('keeps no more files than anybody needs, and none for longer than a week', function (): void {
    foreach (range(1, 10) as $n) {
        $this->api('POST', '/api/along/files', ['leave' => false])->assertCreated();
    }
    $this->refused($this->api('POST', '/api/along/files', ['leave' => false]), '/files');
    $this->travel(8)->days();
    Artisan::call('compadre:sweep-work');
    expect(KeptFile::query()->count())->toBe(0);
});

it('lets a file go when somebody is erased who may be in it, and writes those anew that are being written', function (): void {
    $id = $this->api('POST', '/api/along/files', ['leave' => false])->json('files.0.id');
    ($this->worker)();
    $given = ($this->brought)($this->api('GET', "/api/along/files/$id.zip")->streamedContent());
    $this->api('POST', '/api/along/files', ['leave' => false])->assertCreated();
    $asked = KeptFile::query()->where('state', 'asked')->where('kind', 'along')->sole();
    $ada = $this->learners[0]->id;
    $this->api('DELETE', "/api/learners/$ada")->assertOk();
    expect($this->api('GET', '/api/along')->json('files.*.state'))->toEqualCanonicalizing(['asked', 'gone'])->and(KeptFile::query()->whereKey($given)->exists())->toBeFalse();
    $this->api('GET', "/api/along/files/$id.zip")->assertNotFound();
    // It was read before she was erased, and comes to be kept after: it is not.
    app(WriteFiles::class)->keep($this->crew, $asked);
    expect($asked->refresh()->state)->toBe('asked')->and(DB::table('kept_file_parts')->count())->toBe(0);
    ($this->worker)();
    $path = sys_get_temp_dir().'/anew-'.bin2hex(random_bytes(6)).'.zip';
    file_put_contents($path, $this->api('GET', "/api/along/files/$asked->id.zip")->assertOk()->streamedContent());
    expect(array_column(iterator_to_array(ReadZip::open($path, null)->rows('learners')), 'id'))->toHaveCount(count($this->learners) - 1)->not->toContain($ada);
    unlink($path);
});

it('is only looked at once the group has moved, until it comes back or stays after all', function (): void {
    $zip = ($this->fetched)(['leave' => true]);
    $this->api('GET', '/api/me')->assertOk()->assertJsonPath('group.left_at', '2026-11-24T18:45:00Z');
    $said = 'Gullwick Lantern Crew has moved to another house on 24 November 2026. Here it can only be looked at; nothing was written.';
    ($this->check)()->assertStatus(423)->assertJsonPath('message', $said)->assertJsonPath('errors.0.field', '/group');
    $this->api('PUT', "/api/learners/{$this->learners[0]->id}", ['name' => 'Ada Q.'])->assertStatus(423);
    $this->api('GET', '/api/crew')->assertOk();
    // A check that was under way when the group left.
    expect(fn () => app(App\Check\RecordChecks::class)(User::query()->findOrFail(Auth::id()), Compadre\Core\Data\Fields::of(['sent_at' => '2026-11-24T18:44:00Z', 'events' => [$this->pass($this->learners[0], 'bowline')]])))->toThrow(App\Http\LivesElsewhere::class);
    expect(CheckEvent::query()->count())->toBe(0);
    // Whoever asks to be erased is erased, wherever something is kept.
    $this->api('DELETE', "/api/learners/{$this->learners[1]->id}")->assertOk();
    $this->api('PUT', '/api/along/left', ['left' => false])->assertOk()->assertJsonPath('left_at', null);
    ($this->check)()->assertOk();
    $this->api('PUT', '/api/along/left', ['left' => true])->assertOk();
    $given = ($this->brought)($zip);
    $this->api('POST', "/api/along/given/$given/take", ['password' => 'none'])->assertOk();
    expect($this->crew->refresh()->left_at)->toBeNull()->and(CheckEvent::query()->count())->toBe(0)->and(Learner::query()->whereKey($this->learners[1]->id)->exists())->toBeFalse();
    $this->become(User::query()->where('email', 'maren@gullwick.example')->sole());
    ($this->check)()->assertOk();
});

it('says what a zip of its own would do, keeps what was here before, and takes it in', function (): void {
    ($this->check)()->assertOk();
    $zip = ($this->fetched)();
    $this->learners[0]->update(['name' => 'Ada Q.']);
    $given = ($this->brought)($zip);
    $would = $this->api('POST', "/api/along/given/$given/look", ['password' => 'none'])->assertOk()->assertJsonPath('replaces', true)->assertJsonPath('has_keys', false)->json();
    expect($would['rows'])->toContain(['table' => 'learners', 'name' => 'Ada P.', 'what' => 'other'])->and($this->learners[0]->refresh()->name)->toBe('Ada Q.')->and(array_column($would['leads'], 'name'))->toBe(['Maren Holt']);
    expect($this->api('POST', "/api/along/given/$given/take", ['password' => 'none'])->assertOk()->json())->toEqual($would)->and($this->learners[0]->refresh()->name)->toBe('Ada P.')->and(KeptFile::query()->where('kind', 'given')->exists())->toBeFalse();
    // What was here before comes back the same way.
    $before = collect($this->api('GET', '/api/along')->json('files'))->firstWhere('kind', 'before');
    $given = ($this->brought)($this->api('GET', "/api/along/files/{$before['id']}.zip")->assertOk()->streamedContent());
    $this->api('POST', "/api/along/given/$given/take", ['password' => 'none'])->assertOk();
    expect($this->learners[0]->refresh()->name)->toBe('Ada Q.');
});

it('takes no zip of another group, none that is locked, and none of which a part is lacking', function (): void {
    $zip = ($this->fetched)();
    $other = $this->group('Another crew');
    $this->become($this->person($other, email: 'wren@gullwick.example'));
    $given = ($this->brought)($zip);
    $this->refused($this->api('POST', "/api/along/given/$given/look", ['password' => 'none']), '/file');
    $this->api('POST', '/api/along/given', ['bytes' => 0])->assertStatus(422);
    $id = $this->api('POST', '/api/along/given', ['bytes' => KeptFile::PART + 5])->json('file');
    $this->refused($this->api('PUT', "/api/along/given/$id/parts", ['place' => 1, 'data' => base64_encode('123456')]), '/data');
    $this->refused($this->api('PUT', "/api/along/given/$id/parts", ['place' => 2, 'data' => base64_encode('1')]), '/place');
    $this->api('PUT', "/api/along/given/$id/parts", ['place' => 1, 'data' => base64_encode('12345')])->assertNoContent();
    $this->refused($this->api('POST', "/api/along/given/$id/look", ['password' => 'none']), '/file');
    // What is brought anew takes the place of what was brought before.
    expect(KeptFile::query()->where('kind', 'given')->where('group_id', $other->id)->pluck('id')->all())->toBe([$id])->and(glob(storage_path('app/given-*')))->toBe([]);
});

it('sets an empty house up from a zip: one of its leads says who they are, and chooses a password', function (): void {
    ($this->check)()->assertOk();
    $zip = ($this->fetched)(['password' => 'harbour lantern 5']);
    $issuer = $this->crew->refresh()->issuer_id;
    emptyHouse();
    $this->app['auth']->forgetGuards();
    $this->flushSession();
    $code = ['code' => FeatureCase::CODE];
    $this->refused($this->api('POST', '/api/setup/zip', ['code' => 'WRONG-CODE', 'bytes' => 10]), '/code');
    $given = ($this->brought)($zip, '/api/setup/zip', $code);
    $this->refused($this->api('POST', "/api/setup/zip/$given/look", ['code' => 'WRONG-CODE']), '/code');
    $this->refused($this->api('POST', "/api/setup/zip/$given/look", $code), '/password');
    $opened = $code + ['password' => 'harbour lantern 5'];
    $this->api('POST', "/api/setup/zip/$given/look", $opened)->assertOk()->assertJsonPath('group', 'Gullwick Lantern Crew')->assertJsonPath('replaces', false)->assertJsonPath('leads', [['name' => 'Maren Holt', 'email' => 'maren@gullwick.example']]);
    expect(Group::query()->exists())->toBeFalse();
    // A bad password, or nobody who leads it: nothing is taken in.
    $this->refused($this->api('POST', "/api/setup/zip/$given/take", $opened + ['email' => 'maren@gullwick.example', 'new_password' => 'gullwick lantern']), '/password');
    $this->refused($this->api('POST', "/api/setup/zip/$given/take", $opened + ['email' => 'wren@gullwick.example', 'new_password' => 'copper-gull-evening']), '/email');
    expect(Group::query()->exists())->toBeFalse();
    $this->api('POST', "/api/setup/zip/$given/take", $opened + ['email' => 'maren@gullwick.example', 'new_password' => 'copper-gull-evening'])->assertCreated()->assertJsonPath('user.email', 'maren@gullwick.example')->assertJsonPath('group.left_at', null);
    expect(CheckEvent::query()->count())->toBe(1)->and(Group::query()->sole()->issuer_id)->toBe($issuer)->and(KeptFile::query()->count())->toBe(0);
    $this->api('POST', '/api/setup/zip', $code + ['bytes' => 10])->assertForbidden();
    $this->api('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'copper-gull-evening'])->assertOk();
});
