<?php

declare(strict_types=1);

use Tests\House\OwnHouse;

/** A house of its own beside the test house: var/trial, with its own database and ports. */
function house(string $script): string
{
    return (new OwnHouse('trial'))->run($script);
}

/** The status an address of the house answers with. */
function answers(string $path): int
{
    $port = house('house_setting "$dir" COMPADRE_PORT');

    return (int) house("curl -s -m 10 -o /dev/null -w '%{http_code}' 'http://127.0.0.1:$port$path' || true");
}

/** @return list<string> open files of the house, each with the process that holds it */
function heldOpen(): array
{
    return array_values(array_filter(explode("\n", house('find /proc/[0-9]*/fd -lname "$dir/*" 2>/dev/null || true'))));
}

function counted(string $sql): string
{
    return house("database_root \"\$(cat \"\$dir/run/sockets\")\" -N compadre_trial -e \"$sql\"");
}

afterAll(fn () => house('house_stop trial 2>/dev/null; rm -rf "$dir"'));

it('starts, answers, and is found as it was after every process was killed outright', function (): void {
    house('house_stop trial 2>/dev/null; rm -rf "$dir"; house_start trial');
    expect(answers('/up'))->toBe(200)->and(answers('/api/house'))->toBe(200)->and(answers('/api/me'))->toBe(401);
    $port = house('house_setting "$dir" COMPADRE_PORT');
    $password = house('house_setting "$dir" DB_PASSWORD');
    counted('create table kept (word text); insert into kept values (0x737572766976656421)');
    expect(counted('select @@innodb_flush_log_at_trx_commit'))->toBe('1');
    expect(answers('/api/ready'))->toBe(200);
    house('kill -KILL "$(cat "$dir/run/mariadb.pid")"; sleep 0.5');
    // It is there, and cannot serve.
    expect(answers('/up'))->toBe(200)->and(answers('/api/ready'))->toBe(503);
    house('for name in fpm nginx; do kill -KILL "$(cat "$dir/run/$name.pid")"; done; sleep 0.5');
    house('house_start trial');
    expect(answers('/up'))->toBe(200)->and(answers('/api/ready'))->toBe(200);
    // The same port and password as before, and what was written is there.
    expect(house('house_setting "$dir" COMPADRE_PORT'))->toBe($port);
    expect(house('house_setting "$dir" DB_PASSWORD'))->toBe($password);
    expect(counted('select word from kept'))->toBe('survived!');
});

it('starts nothing twice, and a web server that runs finds settings and routes whole all the while', function (): void {
    $before = house('cat "$dir"/run/*.pid');
    // As it does, over and over: reads what is kept.
    $reader = <<<'PHP'
        [, $folder] = $argv;
        $found = [];
        for ($times = 0; ! file_exists("$folder/run/read-enough"); $times++) {
            foreach (['config.php', 'routes.php'] as $kept) {
                $ends = substr(rtrim((string) @file_get_contents("$folder/cache/$kept")), -1);
                $ends === ';' || $found["$kept ends in '$ends'"] = true;
            }
        }
        echo $times > 100 ? 'read, ' : '', implode(', ', array_keys($found));
        PHP;
    $found = house('php -r '.escapeshellarg($reader).' "$dir" >"$dir/run/found" & house_start trial; house_start trial; touch "$dir/run/read-enough"; wait; cat "$dir/run/found"');
    expect(house('cat "$dir"/run/*.pid'))->toBe($before)->and($found)->toBe('read,');
});

it('dumps whole or not at all', function (): void {
    $folder = house('mktemp -d');
    house("database_sql \"\$(cat \"\$dir/run/sockets\")\" compadre_trial $folder/whole.sql");
    expect((string) file_get_contents("$folder/whole.sql"))->toContain('survived!')->toContain('Dump completed');
    expect(fn () => house("database_sql \"\$(cat \"\$dir/run/sockets\")\" no_such_database $folder/none.sql"))->toThrow(RuntimeException::class, 'nothing was written');
    expect(file_exists("$folder/none.sql"))->toBeFalse();
    house("rm -rf $folder");
});

it('keeps everything it writes to itself', function (): void {
    foreach (array_filter(explode("\n", house('find "$home/var" -maxdepth 0 -printf "%m %p\n"; find "$dir" \( -type f -o -type d \) -printf "%m %p\n"'))) as $line) {
        [$mode, $path] = explode(' ', $line, 2);
        expect(octdec($mode) & 0o077)->toBe(0, "$path is $mode");
    }
});

it('runs nothing as root, and cannot write where the code is', function (): void {
    $owners = array_unique(explode("\n", house('for file in "$dir"/run/*.pid; do stat -c %U "/proc/$(cat "$file")"; done')));
    expect($owners)->toBe([house('id -un')]);
    if (posix_geteuid() === 0 && getenv('COMPADRE_AS_ROOT') !== 'yes') {
        expect($owners)->toBe(['compadre']);
        expect(house('for path in app/Models/User.php core/src/Refusal.php public/index.php vendor/autoload.php compadre .; do [ ! -w "$home/$path" ] || echo "$path"; done'))->toBe('');
    }
});

it('answers to its own name alone, and serves nothing of what lies beside the pages', function (): void {
    $port = house('house_setting "$dir" COMPADRE_PORT');
    $ask = fn (string $path, string $host): int => (int) house("curl -s -o /dev/null -w '%{http_code}' -H 'Host: $host' 'http://127.0.0.1:$port$path'");
    expect($ask('/', "127.0.0.1:$port"))->toBe(200);
    expect($ask('/', 'elsewhere.example'))->toBe(421);
    foreach (['/index.php/x.php', '/.htaccess', '/artisan.php'] as $path) {
        expect($ask($path, '127.0.0.1'))->toBeIn([404, 403]);
    }
    $headers = house("curl -s -D - -o /dev/null 'http://127.0.0.1:$port/'");
    expect($headers)->toContain('X-Content-Type-Options: nosniff')->toContain("default-src 'self'")->toContain('X-Frame-Options: DENY')->toContain('Referrer-Policy: strict-origin');
    expect(house("curl -s -D - -o /dev/null 'http://127.0.0.1:$port/sw.js'"))->toContain('Cache-Control: no-cache')->toContain("default-src 'self'")->toContain('X-Frame-Options: DENY');
});

it('picks other ports when its own are taken', function (): void {
    house('house_stop trial');
    $ports = fn (): array => array_map(fn (string $name): int => (int) house("house_setting \"\$dir\" $name"), ['COMPADRE_PORT', 'DB_PORT']);
    $before = $ports();
    $taken = array_map(fn (int $port) => stream_socket_server("tcp://127.0.0.1:$port"), $before);
    expect($taken)->not->toContain(false);
    house('house_start trial');
    array_map(fclose(...), $taken);
    expect($ports()[0])->toBeGreaterThan($before[0])->and($ports()[1])->toBeGreaterThan($before[1]);
    expect(answers('/up'))->toBe(200);
    expect(counted('select word from kept'))->toBe('survived!');
});

it('ends just what it started', function (): void {
    expect(heldOpen())->not->toBe([]);
    house('house_stop trial');
    expect(heldOpen())->toBe([]);
    expect(answers('/up'))->toBe(0);
    // Stopping what is stopped is no fault.
    house('house_stop trial');
});
