<?php

declare(strict_types=1);

use App\House\Readiness;
use Illuminate\Support\Facades\DB;

it('is ready where the schema is this version’s or a later one’s, and says so to anybody', function (): void {
    $this->api('GET', '/api/ready')->assertOk()->assertExactJson(['ready' => true, 'troubles' => []]);
    // While a deployment goes on, the newer version has made its changes already.
    DB::table('migrations')->insert(['migration' => '2031_01_01_000000_add_what_is_not_known_yet', 'batch' => 99]);
    $this->api('GET', '/api/ready')->assertOk();
    DB::table('migrations')->where('migration', 'not like', '2031%')->orderByDesc('id')->limit(1)->delete();
    $this->api('GET', '/api/ready')->assertStatus(503)->assertExactJson(['ready' => false, 'troubles' => ['schema']]);
});

it('sends those who come elsewhere before it is stopped', function (): void {
    touch(storage_path('app/leaving'));
    $this->api('GET', '/api/ready')->assertStatus(503)->assertExactJson(['ready' => false, 'troubles' => ['leaving']]);
    // Whoever is there still is served.
    $this->api('GET', '/api/house')->assertOk();
    unlink(storage_path('app/leaving'));
    $this->api('GET', '/api/ready')->assertOk();
});

it('says in a word what keeps it from serving', function (array $cluster, bool $isOfThisSchema, bool $isWritable, float $free, array $troubles): void {
    expect(Readiness::judged($cluster, $isOfThisSchema, $isWritable, $free))->toBe($troubles);
})->with(function (): array {
    $alone = ['wsrep_cluster_status' => 'Disconnected', 'wsrep_connected' => 'OFF', 'wsrep_ready' => 'OFF', 'wsrep_provider_name' => ''];
    $joined = ['wsrep_cluster_status' => 'Primary', 'wsrep_connected' => 'ON', 'wsrep_ready' => 'ON', 'wsrep_local_state_comment' => 'Synced', 'wsrep_provider_name' => 'Galera'];

    return [
        'alone' => [$alone, true, true, 1e9, []],
        'a database that knows of no cluster' => [[], true, true, 1e9, []],
        'joined and caught up' => [$joined, true, true, 1e9, []],
        'cut off from the others' => [['wsrep_cluster_status' => 'non-Primary', 'wsrep_ready' => 'OFF'] + $joined, true, true, 1e9, ['cluster']],
        'catching up' => [['wsrep_local_state_comment' => 'Joined'] + $joined, true, true, 1e9, ['cluster']],
        'giving its state to another' => [['wsrep_local_state_comment' => 'Donor/Desynced'] + $joined, true, true, 1e9, ['cluster']],
        'looking for the others' => [['wsrep_provider_name' => 'Galera'] + $alone, true, true, 1e9, ['cluster']],
        'a change of the schema to come' => [$joined, false, true, 1e9, ['schema']],
        'a storage of somebody else’s' => [$alone, true, false, 1e9, ['storage']],
        'a full disk' => [$alone, true, true, 199_999_999.0, ['disk']],
        'all of it' => [['wsrep_ready' => 'OFF'] + $joined, false, false, 0.0, ['cluster', 'schema', 'storage', 'disk']],
    ];
});

it('says by which number a fault of its own is found, and takes no visitor’s number for it', function (string $sent, ?string $said): void {
    $this->become($this->person($this->group()));
    // The table is away within this transaction alone: what is asked for is not there.
    DB::connection()->setTablePrefix('away_');
    $answer = $this->withHeader('X-Request-Id', $sent)->json('GET', '/api/crew');
    DB::connection()->setTablePrefix('');
    $answer->assertStatus(500);
    expect($answer->json('message'))->toBe('Something went wrong on the server. Nothing was written.'.($said === null ? '' : " Whoever looks after Compadre finds it by this number: $said."))->and($answer->json('errors'))->toBe([]);
})->with([
    'the web server’s' => ['0123456789abcdef0123456789abcdef', '0123456789ab'],
    'none' => ['', null],
    'what is no number' => ["it's me\t{}", null],
]);
