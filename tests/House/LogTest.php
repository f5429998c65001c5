<?php

declare(strict_types=1);

use Tests\House\OwnHouse;
use Tests\House\Phone;

/** A house in whose logs everything is looked for that must not be there. */
function logged(string $script): string
{
    return (new OwnHouse('logged'))->run($script);
}

function loggedPhone(string $name): Phone
{
    return new Phone('http://127.0.0.1:'.logged('house_setting "$dir" COMPADRE_PORT'), $name);
}

/** @return list<string> the statuses that so many of the same call, sent at once, are answered with */
function atOnce(int $times, Closure $call): array
{
    $multi = curl_multi_init();
    $handles = array_map($call, range(1, $times));
    array_map(fn ($handle) => curl_multi_add_handle($multi, $handle), $handles);
    do {
        curl_multi_exec($multi, $running);
        curl_multi_select($multi, 0.1);
    } while ($running > 0);

    return array_map(fn ($handle): int => (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $handles);
}

beforeAll(fn () => (new OwnHouse('logged'))->found());
afterAll(fn () => (new OwnHouse('logged'))->end());

it('writes no key down, in any log, whether somebody answers or not', function (): void {
    $port = logged('house_setting "$dir" COMPADRE_PORT');
    $secrets = ['calendar' => bin2hex(random_bytes(16)), 'join' => bin2hex(random_bytes(24)), 'reset' => bin2hex(random_bytes(24)), 'remote' => bin2hex(random_bytes(16))];
    $visit = function () use ($port, $secrets): void {
        $phone = loggedPhone('asking');
        foreach (['127.0.0.1', 'elsewhere.example'] as $host) {
            foreach (["/calendar/{$secrets['calendar']}.ics", "/join/{$secrets['join']}", "/reset/{$secrets['reset']}?email=maren", "/api/join/{$secrets['join']}", "/api/reset/{$secrets['reset']}", "/api/remote/{$secrets['remote']}", "/calendar/{$secrets['calendar']}.ics?x={$secrets['calendar']}"] as $path) {
                logged("curl -s -o /dev/null -H 'Host: $host:$port' 'http://127.0.0.1:$port$path' || true");
            }
        }
        $phone->call('POST', '/api/join/about', ['token' => $secrets['join']]);
        $phone->call('POST', '/api/reset', ['token' => $secrets['reset'], 'password' => 'four gulls on a rail']);
        logged("curl -s -o /dev/null -H 'X-Remote: {$secrets['remote']}' 'http://127.0.0.1:$port/api/remote' || true");
    };
    $visit();
    logged('service_stop "$dir" fpm QUIT');
    expect((int) logged("curl -s -o /dev/null -w '%{http_code}' http://127.0.0.1:$port/api/house"))->toBe(503);
    expect(logged("curl -s http://127.0.0.1:$port/api/house"))->toContain('Nothing was written');
    $visit();
    logged('house_start logged');
    // It did write: the rest of what was asked for is there.
    $lines = array_map(static fn (string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR), explode("\n", logged('cat "$dir/log/access.log"')));
    expect(array_column($lines, 'path'))->toContain('/calendar/-')->toContain('/api/house')->and(array_unique(array_map(array_keys(...), $lines), SORT_REGULAR))->toBe([['at', 'request', 'method', 'path', 'status', 'bytes', 'seconds']]);
    expect(array_column($lines, 'status'))->toContain(200)->toContain(503)->and(array_unique(array_column($lines, 'request')))->toHaveCount(count($lines));
    foreach ($secrets as $what => $secret) {
        expect(logged("grep -rl $secret \"\$dir/log\" \"\$dir/storage/logs\" || true"))->toBe('', $what);
    }
    // A calendar program is given no cookie.
    expect(logged("curl -s -D - -o /dev/null http://127.0.0.1:$port/calendar/{$secrets['calendar']}.ics"))->not->toContain('et-cookie');
});

it('writes down what went wrong, and nothing of whom', function (): void {
    $house = new OwnHouse('logged');
    $phone = loggedPhone('noting');
    expect($phone->signIn())->toHaveKey('user');
    $house->asked('rename table standings to standings_away');
    $learner = $house->asked("select id from learners where name = 'Bram K.'");
    $phone->see($learner, 'bowline', ['note' => 'Said the gull was called Pim']);
    $phone->send();
    expect($phone->status)->toBe(500);
    // Whoever is told the number has the request in both logs.
    expect(preg_match('/by this number: ([0-9a-f]{12})\./', $phone->said, $number))->toBe(1);
    $faults = array_map(static fn (string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR), explode("\n", logged('cat "$dir"/storage/logs/*.log')));
    $fault = array_values(array_filter($faults, static fn (array $one): bool => str_starts_with($one['extra']['request'] ?? '', $number[1])))[0] ?? [];
    expect($fault['level_name'])->toBe('ERROR')->and($fault['message'])->toBe('Illuminate\\Database\\QueryException')->and($fault['context']['faults'][1] ?? '')->toStartWith('PDOException 42S02 at ');
    expect(logged("grep -c '\"request\":\"{$number[1]}' \"\$dir/log/access.log\""))->toBe('1');
    $phone->call('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => 'lantern-tail-77']);
    $house->asked('rename table standings_away to standings');
    // A sign-in that breaks in the middle.
    $house->asked('rename table devices to devices_away');
    loggedPhone('breaking')->signIn();
    $house->asked('rename table devices_away to devices');
    $said = logged('cat "$dir"/storage/logs/*.log');
    expect($said)->toContain('QueryException')->toContain('RecordChecks');
    foreach (['called Pim', 'Bram', $learner, 'lantern-tai', 'maren@', 'select *', 'insert into', 'from `', ...array_filter(explode("\n", $house->asked('select id from sessions')))] as $word) {
        expect($said)->not->toContain($word);
    }
    expect(logged('ls "$dir/storage/logs"'))->toMatch('/^laravel-\d{4}-\d\d-\d\d\.log$/')->and(logged('stat -c %a "$dir"/storage/logs/*.log'))->toBe('600');
});

it('counts fourteen tries at once as fourteen', function (): void {
    (new OwnHouse('logged'))->asked('delete from tries');
    $phone = loggedPhone('guessing');
    $phone->call('GET', '/sanctum/csrf-cookie');
    $statuses = atOnce(14, fn (int $n) => $phone->handle('POST', '/api/sign-in', ['email' => 'maren@gullwick.example', 'password' => "guess-number-$n"]));
    $found = array_count_values($statuses);
    ksort($found);
    expect($found)->toBe([422 => 5, 429 => 9]);
});

it('takes a link that sets a password once, of four at once', function (): void {
    (new OwnHouse('logged'))->asked('delete from tries');
    $token = explode('#', explode("\n", logged('house_artisan logged compadre:reset-password maren@gullwick.example'))[0])[1];
    $phone = loggedPhone('resetting');
    $phone->call('GET', '/sanctum/csrf-cookie');
    $statuses = atOnce(4, fn (int $n) => $phone->handle('POST', '/api/reset', ['token' => $token, 'password' => "four gulls on rail $n"]));
    sort($statuses);
    expect($statuses)->toBe([204, 422, 422, 422]);
});
